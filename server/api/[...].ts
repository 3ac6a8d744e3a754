import { NotFound } from '../data/faults'

/** An address that is no route: a plain 404, never the application's page. */
export default defineEventHandler(() => {
  throw new NotFound('address')
})
