import type { H3Event } from 'h3'
import type { z } from 'zod'
import type { FieldError, Refusal } from '../../shared/errors'
import { NotFound } from '../data/faults'

/** A refusal with a sentence for a person and the fields it is about. */
export function refuse(statusCode: number, message: string, errors: FieldError[] = []) {
  const data: Refusal = { message, errors }
  return createError({ statusCode, statusMessage: statusCode === 422 ? 'Not accepted' : undefined, message, data })
}

function fieldErrors(error: z.ZodError, around: string): FieldError[] {
  return error.issues.map(issue => ({
    field: issue.path.length > 0 ? issue.path.join('.') : around,
    message:
      issue.path.length > 0 || issue.code === 'custom'
        ? issue.message
        : 'What was sent is not a JSON object with the fields that are needed.',
  }))
}

/** A value checked by its schema. @throws 422 with the fields that cannot be taken */
export function checked<T extends z.ZodType>(schema: T, value: unknown, around: string): z.output<T> {
  const result = schema.safeParse(value)
  if (result.success) return result.data
  const errors = fieldErrors(result.error, around)
  throw refuse(422, errors[0]!.message, errors)
}

/** No record of ours is deeper; what is may be built to exhaust who walks it. */
const DEEPEST = 32

/** How many brackets are open at once at most, outside of texts. */
function depthOf(json: string): number {
  let [depth, deepest] = [0, 0]
  let inText = false
  for (let i = 0; i < json.length; i++) {
    const character = json[i]
    if (inText) {
      if (character === '\\') i += 1
      else if (character === '"') inText = false
    } else if (character === '"') inText = true
    else if (character === '{' || character === '[') deepest = Math.max(deepest, (depth += 1))
    else if (character === '}' || character === ']') depth -= 1
  }
  return deepest
}

/** The body of a request as JSON, not yet checked. @throws 422 */
export async function readJson(event: H3Event): Promise<unknown> {
  return fromJson((await readRawBody(event, 'utf8')) ?? '')
}

/** Text that was sent as JSON, not yet checked. @throws 422 */
export function fromJson(text: string): unknown {
  const depth = depthOf(text)
  if (depth > DEEPEST) {
    const message = `What was sent is ${depth} levels deep: at most ${DEEPEST} can be read.`
    throw refuse(422, message, [{ field: 'body', message }])
  }
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
