import type { CarryChart } from '../chart/chart-cell'
import { aimed } from '../gaps/aim'
import { coverOf, coverShots, playerScatter, targetsOf } from '../gaps/cover'
import { answered, openFlags, type FlagAnswer } from '../gaps/answers'
import { gapFacts } from '../gaps/facts'
import { raisedFlags, type Finding, type FlagOptions } from '../gaps/flag'
import { findFlags } from '../gaps/flags'
import { oneFactOneFlag } from '../gaps/one-fact'
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

export function sceneOf(layout: Layout, whatIf: WhatIf, judging: Judging): Scene {
  const { flags, withinM, lineM, unit, answers, plain, targetsM } = judging
  const { bag, grid, chart: own, sides, runs } = chartOf(layout, whatIf)
  const chart = [...own, ...plain]
  const player = { ...layout.player, bag, level: layout.player.level }
  const cover = { aimedStraight: layout.aimedStraight }
  const facts = gapFacts({ player, grid, chart, runs, withinM, goodEnough: true, sides, cover, memo: layout.memo })
  const findings = raisedFlags(oneFactOneFlag(findFlags(facts, flags, 'bag')))
  const aim = aimed(sides, layout.aimedStraight)
  const shots = coverShots(chart, grid, aim)
  const at = coverOf(shots, playerScatter(grid, aim), targetsM)
  return {
    whatIf,
    bag,
    chart,
    ladder: facts.ladder,
    findings,
    open: openFlags(answered(findings, answers, player.nowMs)),
    cover: { unit, shots, at, mishitShare: grid.fit.mishitShare },
    sum: sumCover(at, lineM),
  }
}

/** Targets of a bag as it is: from its shortest stock shot to its longest. */
export function ownTargets(chart: CarryChart, unit: DistanceUnit): number[] {
  return targetsOf(
    chart
      .filter(cell => !cell.plain && cell.carryM !== null && (cell.kind === 'measured' || cell.kind === 'predicted'))
      .map(cell => cell.carryM!),
    unit,
  )
}
