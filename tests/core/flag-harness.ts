import { describe, expect, it } from 'vitest'
import { sidePattern } from '../../core/model/side'
import type { FlagRule, GapFacts } from '../../core/gaps/flag'
import type { Ladder } from '../../core/gaps/ladder'
import { plainOdds } from '../../core/gaps/odds'
import { yardsToMetres } from '../../core/units'

/** A ladder from carries in yards; the clubs are named by their place. */
export function ladderOf(...carriesYd: number[]): Ladder {
  return carriesYd.map((yd, i) => ({
    clubId: `c${i}`,
    rungId: 'full',
    carryM: yardsToMetres(yd),
    balls: 5,
    predicted: false,
    written: false,
    plain: false,
    stepM: i === 0 ? null : yardsToMetres(yd - carriesYd[i - 1]!),
    stepPlusMinusM: null,
  }))
}

/** A ladder whose every statement has the same odds, and nothing else to say of it. */
export function factsOf(ladder: Ladder, probability = 0.99, more: Partial<GapFacts> = {}): GapFacts {
  return {
    ladder,
    chart: [],
    odds: {
      ...plainOdds,
      gap: () => probability,
      overlap: () => probability,
      sameOnAverage: () => probability,
      stepPlusMinusM: () => 1,
      uneven: () => probability,
      looser: () => probability,
    },
    bag: { clubs: [], scale: { school: 'custom', rungs: [] }, struckOut: [] },
    level: 'unknown',
    nowMs: 0,
    cover: { unit: 'yd', shots: [], at: [], mishitShare: 0.07 },
    withinM: yardsToMetres(3),
    goodEnough: true,
    sides: sidePattern([], 0),
    sidesCounted: { balls: 40, right: 33 },
    scatter: { mishitShare: 0.07, spread: 0.033, sideShare: 0.05, sideBias: 0 },
    ownScatter: () => null,
    longer: [],
    spread: { ln: 0.03, degrees: 10 },
    descentDeg: () => null,
    moved: [],
    said: new Map(),
    trusted: { offsM: [] },
    flyers: new Map(),
    ...more,
  }
}

interface Case {
  name: string
  yd: number[]
  options?: Record<string, number>
}
interface FlaggedCase extends Case {
  flags: [shorter: string, longer: string][]
}

/** Runs a rule over tables of quiet and flagged ladders. A case that says nothing, or stands twice, is refused. */
export function testRule(rule: FlagRule, cases: { quiet: Case[]; flagged: FlaggedCase[] }): void {
  const seen = new Set<string>()
  for (const { name, yd, options } of [...cases.quiet, ...cases.flagged]) {
    const key = JSON.stringify([yd, options])
    if (seen.has(key)) throw new Error(`${rule.meta.id}: the case "${name}" stands twice`)
    seen.add(key)
  }
  for (const { name, flags } of cases.flagged)
    if (flags.length === 0) throw new Error(`${rule.meta.id}: the flagged case "${name}" expects no flag`)

  describe(`flag ${rule.meta.id}`, () => {
    it.each(cases.quiet)('is quiet: $name', ({ yd, options }) => {
      expect(rule.find(factsOf(ladderOf(...yd)), options)).toEqual([])
    })
    it.each(cases.flagged)('is raised: $name', ({ yd, options, flags }) => {
      const ladder = ladderOf(...yd)
      const before = JSON.stringify(ladder)
      const found = rule.find(factsOf(ladder), options)
      expect(found.map(f => f.cells.map(cell => cell.clubId))).toEqual(flags)
      for (const finding of found) {
        expect(finding.flag).toBe(rule.meta.id)
        expect(finding.fromM).toBeLessThanOrEqual(finding.toM)
        for (const value of Object.values(finding.data)) expect(Number.isFinite(value)).toBe(true)
      }
      expect(JSON.stringify(ladder), 'the ladder is not touched').toBe(before)
    })
  })
}
