import { z } from 'zod'
import type { FieldError } from '../../shared/errors'

/** So many faults say what is wrong with something that was sent; a body built of faults gets no longer answer. */
export const FAULTS_MOST = 20
const MESSAGE_MOST = 300
const FIELD_MOST = 200

const cut = (text: string, most: number) => (text.length > most ? `${text.slice(0, most - 1)}…` : text)

/** What is wrong, in so many words at most. @param around what stands for the whole */
export function faultsOf(issues: readonly z.core.$ZodIssue[], around: string, path: string): FieldError[] {
  return issues.slice(0, FAULTS_MOST).map(issue => ({
    field: cut([path, ...issue.path].filter(part => part !== '').join('.') || around, FIELD_MOST),
    message: cut(
      path !== '' || issue.path.length > 0 || issue.code === 'custom'
        ? issue.message
        : 'What was sent is not a JSON object with the fields that are needed.',
      MESSAGE_MOST,
    ),
  }))
}

/** What a schema is beneath "optional", "nullable" and "default". */
function bare(schema: z.core.$ZodType): z.core.$ZodType {
  let inner = schema
  while (inner instanceof z.ZodOptional || inner instanceof z.ZodNullable || inner instanceof z.ZodDefault)
    inner = inner.def.innerType
  return inner
}

const isPlain = (value: unknown): value is Record<string, unknown> =>
  typeof value === 'object' && value !== null && !Array.isArray(value)

interface Search {
  faults: FieldError[]
  around: string
  /** True for a list that nobody should look at any further. */
  isTooLong: boolean
}

/** How long a list may be. */
function mostOf(checks: readonly z.core.$ZodCheck<unknown[]>[]): number {
  const found = checks.map(({ _zod }) => _zod.def).find(def => def.check === 'max_length')
  return (found as z.core.$ZodCheckMaxLengthDef | undefined)?.maximum ?? Infinity
}

function searchList(schema: z.ZodArray, value: readonly unknown[], path: string, search: Search): void {
  const checks = (schema.def.checks ?? []) as unknown as z.core.$ZodCheck<unknown[]>[]
  const most = mostOf(checks)
  if (value.length > most) {
    // The schema's own sentence, said of a list of nothings that is one too long.
    const { error } = z
      .array(z.unknown())
      .check(...checks)
      .safeParse(Array(most + 1).fill(null))
    search.faults.push(...faultsOf(error?.issues ?? [], search.around, path))
    search.isTooLong = true
    return
  }
  const { element } = schema
  for (let i = 0; i < value.length && search.faults.length < FAULTS_MOST; i++) {
    const place = path === '' ? `${i}` : `${path}.${i}`
    const before = search.faults.length
    searchParts(bare(element), value[i], place, search)
    if (search.faults.length > before) continue
    const { error } = z.safeParse(element, value[i])
    if (error) search.faults.push(...faultsOf(error.issues, search.around, place))
  }
}

/** The lists that something has, however deep, each to its first faults. */
function searchParts(schema: z.core.$ZodType, value: unknown, path: string, search: Search): void {
  if (schema instanceof z.ZodArray) {
    if (Array.isArray(value)) searchList(schema, value, path, search)
    return
  }
  if (!(schema instanceof z.ZodObject) || !isPlain(value)) return
  const shape: z.core.$ZodShape = schema.shape
  for (const [key, part] of Object.entries(shape)) {
    if (search.faults.length >= FAULTS_MOST) return
    const held = value[key]
    if (typeof held === 'object' && held !== null)
      searchParts(bare(part), held, path === '' ? key : `${path}.${key}`, search)
  }
}

/**
 * The first faults in the lists of something that was sent, where they are so many that the rest need not be looked at:
 * a list that is too long is said so before any of it is, and a list of faults is looked at as far as twenty of them.
 * @returns none where the schema itself can be asked without harm
 */
export function firstFaults(schema: z.core.$ZodType, value: unknown, around: string): FieldError[] {
  const search: Search = { faults: [], around, isTooLong: false }
  searchParts(bare(schema), value, '', search)
  return search.isTooLong || search.faults.length >= FAULTS_MOST ? search.faults.slice(0, FAULTS_MOST) : []
}
