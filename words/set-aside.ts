import type { AsideReason, SetAside } from '../core/corrections/set-aside'
import { SET_ASIDE, SET_ASIDE_COUNTS } from './en/set-aside'
import { write } from './message'

/** Why one ball is set aside. */
export function asideReasonText(why: AsideReason): string {
  return write(SET_ASIDE[why])
}

/** All of them in a sentence or two; empty without any. */
export function setAsideText(all: readonly SetAside[]): string {
  if (all.length === 0) return ''
  const counts = new Map<AsideReason, number>()
  for (const { why } of all) counts.set(why, (counts.get(why) ?? 0) + 1)
  const reasonOf = (reason: AsideReason, n: number) => {
    const why = asideReasonText(reason)
    return counts.size === 1 ? why : write(SET_ASIDE_COUNTS.forSome, { n: String(n), why })
  }
  return write(SET_ASIDE_COUNTS.all, {
    n: all.length,
    reasons: [...counts].map(([why, n]) => reasonOf(why, n)).join('; '),
  })
}
