import { config } from 'zod'

/**
 * In a browser schemas are read as they stand. Made into code by `eval` they would be a little quicker, but the policy
 * of the page refuses that, and some browsers report each try. It has to be said before the first schema is made: hence
 * a module of its own, which `text.ts`, and with it every schema, imports.
 */
if ('document' in globalThis || 'WorkerGlobalScope' in globalThis) config({ jitless: true })
