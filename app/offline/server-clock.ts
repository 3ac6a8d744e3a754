import { CLOCK_GOOD_MS } from '#shared/clock'

/**
 * The time as the server has it. Each answer says it; a clock of this device that is far off is set right by it, and
 * what is logged says so. Without an answer yet, the last visit's difference holds.
 */

const KEPT = 'uzzet-clock'
/** A clock that falls back so far was set by somebody: what was known of it holds no more. */
const SET_BACK_MS = 30_000

let addMs: number | null = null
let read = false
let lastSeenMs = 0

function keptDifference(): number | null {
  try {
    const text = localStorage.getItem(KEPT)
    return text === null || Number.isNaN(Number(text)) ? null : Number(text)
  } catch {
    // A browser that lets nothing be kept: the first answer tells it.
    return null
  }
}

function keepDifference(): void {
  try {
    if (addMs === null) localStorage.removeItem(KEPT)
    else localStorage.setItem(KEPT, String(addMs))
  } catch {
    // As above: it is known on this page, which is enough.
  }
}

/** What is added to this device's clock: 0 for one that is right enough, and while nothing is known. */
export function clockDifferenceMs(): number {
  if (!read) {
    addMs = keptDifference()
    read = true
  }
  const nowMs = Date.now()
  if (nowMs < lastSeenMs - SET_BACK_MS) {
    addMs = null
    keepDifference()
  }
  lastSeenMs = nowMs
  return addMs ?? 0
}

/** True when an answer of this page or of the last told what this device's clock is like. */
export function isClockKnown(): boolean {
  clockDifferenceMs()
  return addMs !== null
}

/** What a ball says of a clock that is wrong; nothing of one that is right. */
export function clockNote(): { clockMs?: number } {
  const difference = clockDifferenceMs()
  return difference === 0 ? {} : { clockMs: difference }
}

/** Now, by a clock that was set right. */
export function serverNowMs(): number {
  return Date.now() + clockDifferenceMs()
}

/**
 * An answer said the server's time.
 * @param askedAtMs when it was asked for, by this device: the answer was made in between
 */
export function heardServerTime(serverMs: number, askedAtMs: number): void {
  const hereMs = (askedAtMs + Date.now()) / 2
  const difference = Math.round(serverMs - hereMs)
  const next = Math.abs(difference) < CLOCK_GOOD_MS ? 0 : difference
  read = true
  lastSeenMs = Date.now()
  if (addMs !== null && Math.abs(next - addMs) < CLOCK_GOOD_MS && (next === 0) === (addMs === 0)) return
  addMs = next
  keepDifference()
}

/** For tests: as on a page that was just opened. */
export function forgetServerTime(): void {
  ;[addMs, read, lastSeenMs] = [null, false, 0]
}
