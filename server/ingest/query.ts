import type { H3Event } from 'h3'
import { NotFound } from '../data/faults'
import type { Side } from '../data/published'
import { Moment } from '../../shared/schemas/text'
import { checked } from './refuse'

/** Number of a published chart in the address. @throws 404 */
export function numberFromRoute(event: H3Event): number {
  const text = getRouterParam(event, 'number') ?? ''
  if (!/^[1-9]\d{0,6}$/.test(text)) throw new NotFound('published chart')
  return Number(text)
}

/** A moment of the query, in milliseconds. @throws 422 */
export function momentOf(name: string, value: unknown): number {
  return checked(
    Moment(name === 'at' ? 'Day' : `Day "${name}"`),
    typeof value === 'string' && value !== '' ? Number(value) : value,
    name,
  )
}

/** "number:3", or milliseconds. @throws 422 */
export function sideOf(name: string, value: unknown): Side {
  const number = /^number:([1-9]\d{0,6})$/.exec(String(value))?.[1]
  return number ? { number: Number(number) } : { atMs: momentOf(name, value) }
}
