import type { CarryChart } from '../chart/chart-cell'
import { coverOf, coverShots, mishitShareOf, targetsOf } from '../gaps/cover'
import { answered, openFlags, type FlagAnswer } from '../gaps/answers'
import { gapFacts } from '../gaps/facts'
import { saidFlags, type Finding, type FlagOptions } from '../gaps/flag'
import { findFlags } from '../gaps/flags'
import type { Ladder } from '../gaps/ladder'
import { sumCover, type Cover, type CoverSum } from '../gaps/stretches'
import type { Bag } from '../bag/bag'
import type { DistanceUnit } from '../units'
import { chartOf, type Layout } from './layout'
import type { WhatIf } from './thought-of'

/** How a what-if is judged. */
export interface Judging {
  flags: FlagOptions
  withinM: number
  lineM: number
  unit: DistanceUnit
  answers: readonly FlagAnswer[]
  /** Cells of longer clubs, as they are in today's chart. */
  plain: CarryChart
  /** Targets that every bag is held against, metres: those of the bag as it is, so that means compare. */
  targetsM: readonly number[]
}

/** What would stand on the screen. */
export interface Scene {
  whatIf: WhatIf
  bag: Bag
  chart: CarryChart
  ladder: Ladder
  findings: Finding[]
  /** Flags that ask something of the coach, those that matter most first. */
  open: Finding[]
  cover: Cover
  sum: CoverSum | null
}

/** Flags that a thought-of bag can have: those that speak of balls hit or of days are about the record, not the bag. */
const OF_THE_BAG = new Set(['hole', 'step', 'top-of-bag', 'out-of-order', 'crowded', 'overlap', 'no-floor', 'uneven-lofts', 'two-ways', 'loose'])

export function sceneOf(layout: Layout, whatIf: WhatIf, { flags, withinM, lineM, unit, answers, plain, targetsM }: Judging): Scene {
  const { bag, grid, chart: own, sides } = chartOf(layout, whatIf)
  const chart = [...own, ...plain]
  const player = { ...layout.player, bag, level: layout.player.level }
  const facts = gapFacts({ player, grid, chart, withinM, goodEnough: true, sides })
  const findings = saidFlags(findFlags(facts, flags)).filter(finding => OF_THE_BAG.has(finding.flag))
  const shots = coverShots(chart, grid, sides)
  const mishitShare = mishitShareOf(layout.grid)
  const at = coverOf(shots, { mishitShare, spread: grid.fit.spread, sideShare: sides.sd }, targetsM)
  return { whatIf, bag, chart, ladder: facts.ladder, findings, open: openFlags(answered(findings, answers, player.nowMs)), cover: { unit, shots, at, mishitShare }, sum: sumCover(at, lineM) }
}

/** Targets of a bag as it is: from its shortest stock shot to its longest. */
export function ownTargets(chart: CarryChart, unit: DistanceUnit): number[] {
  return targetsOf(chart.filter(cell => !cell.plain && cell.carryM !== null && (cell.kind === 'measured' || cell.kind === 'predicted')).map(cell => cell.carryM!), unit)
}
