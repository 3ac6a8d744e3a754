import { REMEDY_KINDS, type Finding, type RemedyKind } from '../../gaps/flag'
import { flagRule, remediesOf } from '../../gaps/flags'
import { yardsToMetres } from '../../units'
import type { Layout } from '../layout'
import type { Judging, Scene } from '../scene'
import { asItIs } from '../thought-of'
import add from './add'
import bend from './bend'
import calibrate from './calibrate'
import gripDown from './grip-down'
import strikeOut from './strike-out'
import swing from './swing'
import takeOut from './take-out'
import useAgain from './use-again'
import { targetsOf, type Remedy, type RemedyRule, type Work } from './work'

export type { Remedy }

/** One line a remedy, in order of cost. */
const REMEDIES: readonly RemedyRule[] = [gripDown, calibrate, strikeOut, useAgain, swing, takeOut, bend, add]

/**
 * Checks that the registry is whole and in order of cost.
 * @throws Error naming the remedy that is missing, twice there or out of order
 */
export function checkRemedies(rules: readonly RemedyRule[]): void {
  REMEDY_KINDS.forEach((kind, i) => {
    if (rules[i]?.kind !== kind) throw new Error(`${kind}: the remedy is missing, or not in its place`)
  })
  if (rules.length !== REMEDY_KINDS.length) throw new Error(`${rules.at(-1)!.kind}: the remedy is there twice`)
}

checkRemedies(REMEDIES)

/** Less than this is no help, metres. */
const LEAST_GAIN_M = yardsToMetres(0.3)
const LEAST_SETTLED_M = yardsToMetres(0.1)

const ruleOf = (kind: RemedyKind) => REMEDIES.find(rule => rule.kind === kind)!

/** True for a remedy that makes something better. */
function helps(remedy: Remedy, finding: Finding): boolean {
  if (ruleOf(remedy.kind).changesNoBag) return true
  const gainM = remedy.beforeM - remedy.afterM
  const { kind, speaksOf } = flagRule(finding.flag).meta
  // Likely flags come and go with any bag: where yards are missing, one that is settlesFlag must also leave less there.
  const mustLeaveLess = (kind === 'hole' || kind === 'weak') && speaksOf !== 'all below'
  const settles = remedy.settlesFlag && (!mustLeaveLess || gainM >= LEAST_SETTLED_M)
  return (settles || gainM >= LEAST_GAIN_M) && remedy.openAfter <= remedy.openBefore
}

/**
 * What could be done about a flag, cheapest first, each with what cover and flags would become. Only what helps is
 * named.
 * @param today the bag as it is, judged the same way
 */
export function remediesFor(layout: Layout, today: Scene, finding: Finding, judging: Judging): Remedy[] {
  if (today.cover.at.length === 0) return []
  const kinds = remediesOf(finding)
  const work: Work = {
    layout,
    base: asItIs(layout.player.bag),
    today,
    finding,
    judging,
    targets: targetsOf(finding, today),
  }
  return REMEDIES.filter(rule => kinds.includes(rule.kind))
    .flatMap(rule => rule.propose(work))
    .filter(one => helps(one, finding))
}
