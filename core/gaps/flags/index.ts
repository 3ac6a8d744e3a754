import type { Finding, FlagRule, GapFacts } from '../flag'
import loose from './loose'
import overlap from './overlap'
import step from './step'

/** One sorted line a rule. Findings are shown in this order of weight: holes first. */
const RULES: readonly FlagRule[] = [step, loose, overlap] as unknown as readonly FlagRule[]

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
    for (const key of ['kind', 'title', 'why'] as const) {
      if (!meta[key]) throw new Error(`${name}: meta.${key} is missing`)
    }
    if (!meta.open.one || !meta.open.many) throw new Error(`${name}: meta.open is missing`)
    if (meta.remedies.length === 0 || meta.remedies.some(r => r.length === 0)) throw new Error(`${name}: meta.remedies is missing`)
    if (meta.difference && !meta.why.includes(`{${meta.difference.of}}`)) throw new Error(`${name}: meta.why does not tell {${meta.difference.of}}`)
    if (meta.threshold) {
      const threshold = defaults[meta.threshold.option]
      if (threshold === undefined || !(threshold > 0)) throw new Error(`${name}: defaults has no ${meta.threshold.option}`)
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

/** Thresholds by rule id; what is missing takes the rule's default. */
export type FlagOptions = Record<string, Record<string, number> | undefined>

/** All findings of all rules on one chart: rules in the order of the registry, shortest first within each. */
export function findFlags(facts: GapFacts, options: FlagOptions = {}): Finding[] {
  return RULES.flatMap(rule => rule.find(facts, options[rule.meta.id]))
}
