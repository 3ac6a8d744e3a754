import type { CarrySum } from '../core/calibration/carry-sum'
import { toUnit, type DistanceUnit } from '../core/units'
import { CARRY_SUM } from './en/carry-sum'
import { write } from './message'

/** Figures as they are read that still add up: the greatest takes what rounding left over. */
function rounded(figures: readonly number[], whole: number): number[] {
  const all = figures.map(Math.round)
  const left = whole - all.reduce((sum, figure) => sum + figure, 0)
  const most = figures.reduce((top, figure, k) => (Math.abs(figure) > Math.abs(figures[top]!) ? k : top), 0)
  if (figures.length > 0) all[most]! += left
  return all
}

/**
 * How a number came of what was typed, where it is not just that; '' else. What is left beside the corrections is what
 * each ball weighs and the other stock shots say.
 * @param carryM the number
 * @example carrySumText({ typedM: 86.87, parts: [{ part: 'ball', byM: 3.66 }, { part: 'run', byM: -0.91 }], ...at }, 89.6, 'yd')
 * // => 'Typed 95 on average; + 4 for the range ball, − 1 for the run.'
 */
export function carrySumText({ typedM, parts }: CarrySum, carryM: number, unit: DistanceUnit): string {
  const typed = Math.round(toUnit(typedM, unit))
  const shown = Math.round(toUnit(carryM, unit))
  const done = parts.reduce((sum, one) => sum + one.byM, typedM)
  const steps = [
    ...parts.map(({ part, byM }) => ({ what: CARRY_SUM[part], by: toUnit(byM, unit) })),
    { what: CARRY_SUM.weighed, by: toUnit(carryM - done, unit) },
  ]
  const by = rounded(
    steps.map(step => step.by),
    shown - typed,
  )
  const said = steps.flatMap(({ what }, k) => {
    const n = by[k]!
    if (n === 0) return []
    return [write(CARRY_SUM.step, { by: `${n > 0 ? '+' : '−'} ${Math.abs(n)}`, what: write(what) })]
  })
  return said.length === 0 ? '' : write(CARRY_SUM.whole, { typed: String(typed), steps: said.join(', ') })
}
