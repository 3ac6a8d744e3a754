import { SESSIONS } from './en/sessions'
import { listed, write } from './message'

/** A ball, as far as it is looked back at. */
interface OddBall {
  leftOut: string | null
  strike: string | null
  balls: number
  taken: { mishits?: number } | null
}

/** Left-out balls and called strikes, how many of each, most first. @example "3 heavy, 1 swung long" */
export function oddBallsText(balls: readonly OddBall[]): string {
  const counts = new Map<string, number>()
  const add = (why: string, n: number) => n > 0 && counts.set(why, (counts.get(why) ?? 0) + n)
  for (const { leftOut, strike, balls: n, taken } of balls) {
    const why = leftOut ?? (strike === 'clean' ? null : strike)
    if (why) add(why, n)
    add(write(SESSIONS.notInPile), taken?.mishits ?? 0)
  }
  const most = [...counts].sort((a, b) => b[1] - a[1] || a[0].localeCompare(b[0]))
  return most.map(([why, n]) => `${n} ${why}`).join(', ')
}

/** "1 h 20 min". */
export function lastedText(fromMs: number, toMs: number): string {
  const all = Math.max(1, Math.round((toMs - fromMs) / 60_000))
  const [hours, minutes] = [Math.floor(all / 60), all % 60]
  if (hours === 0) return write(SESSIONS.minutes, { minutes: String(minutes) })
  const values = { hours: String(hours), minutes: String(minutes) }
  return write(minutes === 0 ? SESSIONS.hours : SESSIONS.hoursAndMinutes, values)
}

/**
 * What a session taught, in a few words for a list.
 * @example taughtText({ fresh: [], moved: [], loose: [] }) // => 'nothing new'
 */
export function taughtText(learned: { fresh: readonly unknown[]; moved: readonly unknown[] }): string {
  const parts = [
    ...(learned.fresh.length > 0 ? [write(SESSIONS.fresh, { n: learned.fresh.length })] : []),
    ...(learned.moved.length > 0 ? [write(SESSIONS.moved, { n: learned.moved.length })] : []),
  ]
  return parts.length > 0 ? listed(parts) : write(SESSIONS.nothingNew)
}

/** Balls that are looked back at. */
const LOOK_BACK = 10

interface SwungBall {
  leftOut: string | null
  rungId: string
  taken: { askedRungId?: string } | null
}

/**
 * How often the swing was not of the asked length of late; null when it was.
 * @param asked the swing length, by id and name
 * @param balls of the session, newest first
 * @param shortestFirst ids of the swing lengths
 * @example swungText({ id, name: '9:00' }, balls, rungIds) // => 'Asked for 9:00, went past it 4 of the last 10.'
 */
export function swungText(
  asked: { id: string; name: string },
  balls: readonly SwungBall[],
  shortestFirst: readonly string[],
): string | null {
  const last = balls.filter(ball => (ball.taken?.askedRungId ?? ball.rungId) === asked.id).slice(0, LOOK_BACK)
  const beyond = (ball: SwungBall) => Math.sign(shortestFirst.indexOf(ball.rungId) - shortestFirst.indexOf(asked.id))
  const long = last.filter(ball => ball.leftOut === 'swung long' || beyond(ball) > 0).length
  const short = last.filter(ball => ball.leftOut === 'swung short' || beyond(ball) < 0).length
  const how = [
    ...(long > 0 ? [write(SESSIONS.wentPast, { n: String(long) })] : []),
    ...(short > 0 ? [write(SESSIONS.stoppedShort, { n: String(short) })] : []),
  ]
  if (how.length === 0) return null
  return write(SESSIONS.swung, { swing: asked.name, how: listed(how), of: String(last.length) })
}

/** So many of so few balls are a run. */
const RUN = { balls: 3, of: 6 } as const

/**
 * What a run of strange balls says; null without one.
 * @param looks of the newest balls, newest first: what each was taken for, or null
 */
export function runText(looks: readonly (string | null)[]): string | null {
  const last = looks.slice(0, RUN.of)
  for (const [look, message] of [
    ['misread', SESSIONS.misreads],
    ['flyer', SESSIONS.flyers],
  ] as const) {
    const n = last.filter(one => one === look).length
    if (n >= RUN.balls) return write(message, { n: String(n), of: String(last.length) })
  }
  return null
}
