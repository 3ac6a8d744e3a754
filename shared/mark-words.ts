import type { Strike } from '../core/shot/shot'
import type { ShotRecord } from './session'

/** What can be said of a ball with one tap. A strike weighs it less; a swing of another length leaves it out, since it is no ball of this stock shot. */
export const MARKS = [
  { id: 'mishit', word: 'Mishit' }, { id: 'swung long', word: 'Swung long' }, { id: 'swung short', word: 'Swung short' },
  { id: 'thin', word: 'Thin' }, { id: 'heavy', word: 'Heavy' }, { id: 'toe', word: 'Toe' }, { id: 'heel', word: 'Heel' },
] as const
export type Mark = typeof MARKS[number]['id']

const isSwung = (mark: Mark): mark is 'swung long' | 'swung short' => mark.startsWith('swung')

/** What a mark does to a ball. */
export function markFields(mark: Mark): Pick<ShotRecord, 'strike'> | Pick<ShotRecord, 'leftOut'> {
  return isSwung(mark) ? { leftOut: mark } : { strike: mark satisfies Strike }
}

/** Balls that are looked back at. */
const LOOK_BACK = 10

/**
 * How often the swing was not of the asked length of late; null when it was.
 * @param balls of one swing length, newest first
 * @example swungWords('9:00', balls) // => 'Asked for 9:00, swung long 2 of the last 7.'
 */
export function swungWords(asked: string, balls: readonly Pick<ShotRecord, 'leftOut'>[]): string | null {
  const last = balls.slice(0, LOOK_BACK)
  const count = (mark: Mark) => last.filter(ball => ball.leftOut === mark).length
  const said = (['swung long', 'swung short'] as const).filter(mark => count(mark) > 0).map(mark => `${mark} ${count(mark)}`)
  return said.length === 0 ? null : `Asked for ${asked}, ${said.join(' and ')} of the last ${last.length}.`
}

/** So many of so few balls are a run. */
const RUN = { balls: 3, of: 6 } as const

/**
 * What a run of strange balls says; null without one.
 * @param looks of the newest balls, newest first: what each was taken for, or null
 */
export function runWords(looks: readonly (string | null)[]): string | null {
  const last = looks.slice(0, RUN.of)
  const many = (what: string) => last.filter(look => look === what).length >= RUN.balls
  if (many('misread')) return `${last.filter(look => look === 'misread').length} misreads of the last ${last.length}: change the ball, check the device.`
  if (many('flyer')) return `${last.filter(look => look === 'flyer').length} flyers of the last ${last.length}: clean the face.`
  return null
}
