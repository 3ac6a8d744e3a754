import type { Strike } from '../core/shot/shot'
import type { ShotRecord } from './session'

/** What can be said of a ball with one tap. A strike weighs it less; a swing of another length leaves it out, since it is no ball of this stock shot. */
export const MARKS = [
  { id: 'mishit', word: 'Mishit' }, { id: 'swung long', word: 'Swung long' }, { id: 'swung short', word: 'Swung short' },
  { id: 'thin', word: 'Thin' }, { id: 'heavy', word: 'Heavy' }, { id: 'toe', word: 'Toe' }, { id: 'heel', word: 'Heel' },
] as const
export type Mark = typeof MARKS[number]['id']

/** Or the length that was really swung, where the watcher saw it. */
export type Said = Mark | { swungRungId: string }

const isSwung = (mark: Mark): mark is 'swung long' | 'swung short' => mark.startsWith('swung')

/**
 * What a word does to a ball. One whose real length is known counts for that, and what was asked for is kept beside it.
 * @param ball as it stands
 */
export function markFields(said: Said, { rungId, leftOut, taken }: Pick<ShotRecord, 'rungId' | 'leftOut' | 'taken'>): Partial<ShotRecord> {
  if (typeof said === 'string') return isSwung(said) ? { leftOut: said } : { strike: said satisfies Strike }
  const { askedRungId: asked = rungId, ...rest } = taken ?? {}
  const kept = said.swungRungId === asked ? rest : { ...rest, askedRungId: asked }
  return { rungId: said.swungRungId, taken: Object.keys(kept).length === 0 ? null : kept, leftOut: leftOut?.startsWith('swung') ? null : leftOut }
}

/** The carry of a ball mended: what stood there before is kept, so that a slip can be told from a second thought. */
export function mendedCarry({ carryM: was, taken }: Pick<ShotRecord, 'carryM' | 'taken'>, carryM: number): Pick<ShotRecord, 'carryM' | 'taken'> {
  return was === carryM ? { carryM, taken } : { carryM, taken: { ...taken, was: [...taken?.was ?? [], { carryM: was, atMs: Date.now() }].slice(-20) } }
}

/** Balls that are looked back at. */
const LOOK_BACK = 10

/**
 * How often the swing was not of the asked length of late; null when it was.
 * @param asked the swing length, by id and name
 * @param balls of the session, newest first
 * @param shortestFirst ids of the swing lengths
 * @example swungWords({ id, name: '9:00' }, balls, rungIds) // => 'Asked for 9:00, went past it 4 of the last 10.'
 */
export function swungWords(asked: { id: string, name: string }, balls: readonly Pick<ShotRecord, 'leftOut' | 'rungId' | 'taken'>[], shortestFirst: readonly string[]): string | null {
  const last = balls.filter(ball => (ball.taken?.askedRungId ?? ball.rungId) === asked.id).slice(0, LOOK_BACK)
  const beyond = (ball: typeof last[0]) => Math.sign(shortestFirst.indexOf(ball.rungId) - shortestFirst.indexOf(asked.id))
  const long = last.filter(ball => ball.leftOut === 'swung long' || beyond(ball) > 0).length
  const short = last.filter(ball => ball.leftOut === 'swung short' || beyond(ball) < 0).length
  const said = [...(long > 0 ? [`went past it ${long}`] : []), ...(short > 0 ? [`stopped short of it ${short}`] : [])]
  return said.length === 0 ? null : `Asked for ${asked.name}, ${said.join(' and ')} of the last ${last.length}.`
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
