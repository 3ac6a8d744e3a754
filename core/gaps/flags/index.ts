import { cellKey } from '../../bag/bag'
import type { CarryChart } from '../../chart/chart-cell'
import {
  THRESHOLD_NAMES,
  type Finding,
  type FlagMeta,
  type FlagOptions,
  type FlagRule,
  type GapFacts,
  type RemedyKind,
} from '../flag'
import believedWrong from './believed-wrong'
import crowded from './crowded'
import flyerProne from './flyer-prone'
import hole from './hole'
import loose from './loose'
import moved from './moved'
import noFloor from './no-floor'
import outOfOrder from './out-of-order'
import overlap from './overlap'
import shortBias from './short-bias'
import sideBias from './side-bias'
import stale from './stale'
import step from './step'
import thin from './thin'
import twoWays from './two-ways'
import unevenLofts from './uneven-lofts'
import weak from './weak'
import wide from './wide'

export type { FlagOptions }

/** One line a rule. Findings are shown in this order: what is missing first, what is no fault last. */
const RULES: readonly FlagRule[] = [
  hole,
  step,
  moved,
  outOfOrder,
  crowded,
  believedWrong,
  loose,
  wide,
  shortBias,
  sideBias,
  flyerProne,
  overlap,
  weak,
  stale,
  thin,
  noFloor,
  unevenLofts,
  twoWays,
]

/**
 * Checks what every rule says of itself, so that a half-written flag cannot ship.
 * @throws Error naming the rule and what it lacks
 */
export function checkRules(rules: readonly FlagRule[]): void {
  const seen = new Set<string>()
  for (const { meta, defaults } of rules) {
    const name = meta.id || 'a flag without an id'
    if (!/^[a-z][a-z-]*$/.test(meta.id)) throw new Error(`${name}: meta.id must be lower-case letters and dashes`)
    if (seen.has(meta.id)) throw new Error(`${name}: two rules have this id`)
    seen.add(meta.id)
    if (!meta.kind || !meta.about || !meta.speaksOf) throw new Error(`${name}: meta.kind, about or speaksOf is missing`)
    const isFault = meta.kind !== 'asset' && meta.kind !== 'unproven'
    const weighs = meta.weight >= 0 && isFault === meta.weight > 0
    if (!weighs) throw new Error(`${name}: meta.weight must be above 0, and 0 for what is no fault`)
    if (!(meta.settledWithin >= 0)) throw new Error(`${name}: meta.settledWithin is missing`)
    const stray = meta.notHelped?.find(variant => !meta.variants?.includes(variant))
    if (stray !== undefined) throw new Error(`${name}: meta.notHelped names "${stray}", which is no variant`)
    for (const option of meta.thresholds ?? []) {
      if (!THRESHOLD_NAMES.includes(option)) throw new Error(`${name}: the threshold ${option} is not known`)
      if (!((defaults[option] ?? 0) > 0)) throw new Error(`${name}: defaults has no ${option}`)
    }
  }
}

checkRules(RULES)

export const FLAG_RULES = RULES

/** @throws RangeError for an id that no rule has. */
export function flagRule(id: string): FlagRule {
  const rule = RULES.find(r => r.meta.id === id)
  if (!rule) throw new RangeError(`"${id}" is no flag; known: ${RULES.map(r => r.meta.id).join(', ')}`)
  return rule
}

/** What a finding is about. */
export const subjectOf = ({ flag }: Pick<Finding, 'flag'>) => flagRule(flag).meta.speaksOf

/** True for a stretch that no stock shot serves. */
export function isUncovered(finding: Finding): boolean {
  const { kind, speaksOf } = flagRule(finding.flag).meta
  return kind === 'hole' && speaksOf === 'stretch'
}

/** What a change of the bag could do about it; nothing for what needs balls, or nothing at all. */
export function remediesOf({ flag, variant }: Pick<Finding, 'flag' | 'variant'>): readonly RemedyKind[] {
  const { helpedBy = [], notHelped = [] } = flagRule(flag).meta
  return variant !== undefined && notHelped.includes(variant) ? [] : helpedBy
}

/** What every threshold of the rules usually is. */
export const USUAL_THRESHOLDS: FlagOptions = RULES.reduce((all, rule) => ({ ...all, ...rule.defaults }), {})

/** What rests on a written number that no ball stands behind is said by that number: odds would be made up. */
function byTheWord(finding: Finding, chart: CarryChart): Finding {
  const rests = finding.cells.some(one => {
    const cell = chart.find(other => cellKey(other) === cellKey(one))
    return cell?.written === true && cell.balls === 0
  })
  return rests && finding.sureness !== 'counted' ? { ...finding, sureness: 'written', probability: null } : finding
}

/**
 * All findings of all rules on one chart: rules in the order of the registry, shortest first within each.
 * @param about only the rules about this
 */
export function findFlags(facts: GapFacts, options: FlagOptions = {}, about?: FlagMeta['about']): Finding[] {
  return RULES.filter(({ meta }) => about === undefined || meta.about === about)
    .flatMap(rule => rule.find(facts, options))
    .map(finding => byTheWord(finding, facts.chart))
}
