import { sameFlag } from '../gaps/answers'
import type { Finding } from '../gaps/flag'
import { flagRule } from '../gaps/flags'
import { withParts } from '../gaps/one-fact'
import { yardsToMetres } from '../units'
import type { Scene } from './scene'

/** A flag of the same kind that comes up as near as this has only moved. Our choice: about a grip-down. */
const NEAR_M = yardsToMetres(5)
/** A bag with a shot less leaves a little more somewhere: less than this, on average, is no price. Our choice. */
const NO_PRICE_M = yardsToMetres(0.3)

const kindOf = ({ flag }: Finding) => flagRule(flag).meta.kind
const isNear = (a: Finding, b: Finding) => a.fromM <= b.toM + NEAR_M && a.toM >= b.fromM - NEAR_M

/**
 * True when a what-if really mends a flag: it is no longer raised, by itself or as a part of another; no other of its
 * kind took its place within some yards; and the cover as a whole leaves no more.
 */
export function isGone(
  finding: Finding,
  before: Pick<Scene, 'findings' | 'sum'>,
  after: Pick<Scene, 'findings' | 'sum'>,
): boolean {
  const [then, now] = [withParts(before.findings), withParts(after.findings)]
  if (now.some(other => sameFlag(other, finding))) return false
  const tookItsPlace = now.some(
    other => kindOf(other) === kindOf(finding) && isNear(other, finding) && !then.some(one => sameFlag(one, other)),
  )
  const worse = before.sum && after.sum && after.sum.meanM > before.sum.meanM + NO_PRICE_M
  return !tookItsPlace && !worse
}
