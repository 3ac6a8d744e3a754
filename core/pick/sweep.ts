import { cellKey, type StockShot } from '../bag/bag'
import type { PublishedChart } from '../history/published'
import { newMemo, type Memo } from '../memo'
import { fromUnit, toUnit, type DistanceUnit } from '../units'
import { flownShots, type FlownShot } from './flown'
import { pick } from './pick'
import type { Picked, PickedShot, PickQuestion } from './picked'
import { pickPlayerOf, type PickPlayer } from './pick-player'

/** A stretch of targets that one stock shot is chosen for, in the unit it was asked in, both ends among it. */
export interface SweepStretch extends StockShot {
  from: number
  to: number
}

/** Every whole yard or metre that is asked for. */
export function sweepTargets(shots: readonly FlownShot[], unit: DistanceUnit): { from: number; to: number } | null {
  if (shots.length === 0) return null
  const carries = shots.map(shot => shot.todayM + shot.runM)
  const [least, most] = [Math.min(...carries), Math.max(...carries)]
  return { from: Math.max(1, Math.floor(toUnit(least, unit) * 0.85)), to: Math.ceil(toUnit(most, unit) * 1.05) }
}

/** The answer at one whole yard or metre. */
export const pickAt = (
  player: PickPlayer,
  shots: readonly FlownShot[],
  question: Omit<PickQuestion, 'targetM'>,
  at: number,
  unit: DistanceUnit,
  memo: Memo,
): Picked => pick(player, shots, { ...question, targetM: fromUnit(at, unit) }, memo)

/** A distance, and what to hit there; null where no number serves. */
export interface YardPick {
  at: number
  first: Pick<PickedShot, 'club' | 'swing' | 'numberM' | 'gripDown' | 'plusM'> | null
}

/** What to hit from where: the first answer at every whole yard or metre of a stretch, in neutral air. */
export function yardPicks(chart: PublishedChart, unit: DistanceUnit, from: number, to: number): YardPick[] {
  const memo = newMemo()
  const player = pickPlayerOf(chart)
  const { shots } = flownShots(player, { today: null, slopeM: 0, firmness: 'medium' })
  const question = { around: { trouble: [] }, lie: 'fairway', over: [], under: [] } as const
  return Array.from({ length: to - from + 1 }, (_, i): YardPick => {
    const { picks, unserved } = pickAt(player, shots, question, from + i, unit, memo)
    return { at: from + i, first: unserved ? null : (picks[0] ?? null) }
  })
}

/** Where the choice changes, from answers in the order of their distance. */
export function stretchesOf(answers: readonly { at: number; picked: Picked }[]): SweepStretch[] {
  const stretches: SweepStretch[] = []
  for (const { at, picked } of answers) {
    const first = picked.picks[0]
    if (!first) continue
    const last = stretches.at(-1)
    if (last && last.to === at - 1 && cellKey(last) === cellKey(first)) last.to = at
    else stretches.push({ clubId: first.clubId, rungId: first.rungId, from: at, to: at })
  }
  return stretches
}
