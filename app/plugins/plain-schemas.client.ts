import { config } from 'zod'

/**
 * Schemas are read as they stand: made into code by `eval` they would be a little quicker, but the policy of the page
 * refuses that, and some browsers report each try.
 */
export default defineNuxtPlugin(() => {
  config({ jitless: true })
})
