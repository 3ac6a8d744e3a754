import type { H3Event } from 'h3'
import type { z } from 'zod'
import type { FieldError, Refusal } from '../../shared/errors'
import { NotFound } from '../data/faults'
import { depthFault } from './depth'
import { faultsOf, firstFaults } from './first-faults'

/** A refusal with a sentence for a person and the fields it is about. */
export function refuse(statusCode: number, message: string, errors: FieldError[] = []) {
  const data: Refusal = { message, errors }
  return createError({ statusCode, statusMessage: statusCode === 422 ? 'Not accepted' : undefined, message, data })
}

/** What cannot be taken, as it was found. */
export const refuseAll = (faults: FieldError[]) => refuse(422, faults[0]!.message, faults)

/** The body of a request as it came, to be read elsewhere. */
export async function bodyBytes(event: H3Event): Promise<Uint8Array> {
  return new Uint8Array((await readRawBody(event, false)) ?? [])
}

/** A value checked by its schema. @throws 422 with the first fields that cannot be taken */
export function checked<T extends z.ZodType>(schema: T, value: unknown, around: string): z.output<T> {
  const early = firstFaults(schema, value, around)
  if (early.length > 0) throw refuse(422, early[0]!.message, early)
  const result = schema.safeParse(value)
  if (result.success) return result.data
  const errors = faultsOf(result.error.issues, around, '')
  throw refuse(422, errors[0]!.message, errors)
}

/** The body of a request as JSON, not yet checked. @throws 422 */
export async function readJson(event: H3Event): Promise<unknown> {
  return fromJson((await readRawBody(event, 'utf8')) ?? '')
}

/** Text that was sent as JSON, not yet checked. @throws 422 */
export function fromJson(text: string): unknown {
  const deep = depthFault(text)
  if (deep) throw refuse(422, deep, [{ field: 'body', message: deep }])
  try {
    return JSON.parse(text)
  } catch {
    const message = 'What was sent is not JSON.'
    throw refuse(422, message, [{ field: 'body', message }])
  }
}

/** The body of a request, checked once, here at the border. */
export async function readChecked<T extends z.ZodType>(event: H3Event, schema: T): Promise<z.output<T>> {
  return checked(schema, await readJson(event), 'body')
}

/** An id of the address. One that is no id can be nobody's: 404, like any other that is not there. */
export function idFromRoute(event: H3Event, name: string, what: string): string {
  const id = getRouterParam(event, name) ?? ''
  if (!/^[0-9a-f-]{36}$/.test(id)) throw new NotFound(what)
  return id
}
