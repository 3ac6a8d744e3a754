import { cellKey } from '../bag/bag'
import { weightOf } from './answers'
import type { Finding } from './flag'
import { flagRule } from './flags'

const keysOf = ({ cells }: Finding) => cells.map(cellKey)
const shared = (a: Finding, b: Finding) => {
  const keys = new Set(keysOf(a))
  return keysOf(b).filter(key => keys.has(key)).length
}

/** The greater part of the shorter of two stretches lies in the other. */
function sameStretch(a: Finding, b: Finding): boolean {
  const common = Math.min(a.toM, b.toM) - Math.max(a.fromM, b.fromM)
  return common >= 0 && common >= Math.min(a.toM - a.fromM, b.toM - b.fromM) / 2
}

/** True when `part` tells nothing that `main` does not: the same missing yards, number twice, or steps. */
function tellsTheSame(part: Finding, main: Finding): boolean {
  const [a, b] = [flagRule(part.flag).meta, flagRule(main.flag).meta]
  if (a.shows && a.shows === b.shows) return part.cells.length > 0 && shared(main, part) === part.cells.length
  if (a.kind === 'hole' && b.kind === 'hole') return sameStretch(part, main)
  if (b.kind === 'overlap' && (a.kind === 'overlap' || a.kind === 'asset'))
    return shared(main, part) === part.cells.length
  // Three clubs whose steps are uneven, two of which stand in the step or on the number that is told.
  return a.kind === 'finding' && (b.kind === 'hole' || b.kind === 'overlap') && shared(main, part) >= 2
}

/** Heavier first; of two that are alike, the one that its rule takes more seriously, and then that speaks of more. */
const heavier = (a: Finding, b: Finding) =>
  weightOf(b) - weightOf(a) ||
  flagRule(b.flag).meta.weight - flagRule(a.flag).meta.weight ||
  b.cells.length - a.cells.length

/**
 * One fact, one flag: findings about one stretch, one group of clubs or one stock shot become the heaviest of them,
 * with the others as its parts. What is open never holds what is said. In the order of the heaviest.
 */
export function oneFactOneFlag(findings: readonly Finding[]): Finding[] {
  const parts = new Map<Finding, Finding[]>()
  for (const finding of [...findings].sort(heavier)) {
    const main = [...parts.keys()].find(one => tellsTheSame(finding, one))
    if (main) parts.get(main)!.push(finding)
    else parts.set(finding, [])
  }
  return findings.flatMap(finding => {
    const own = parts.get(finding)
    return own ? [own.length > 0 ? { ...finding, parts: own } : finding] : []
  })
}

/** A list of findings with the parts of each beside it. */
export function withParts(findings: readonly Finding[]): Finding[] {
  return findings.flatMap(finding => [finding, ...(finding.parts ?? [])])
}
