import type { ChartCell } from '../core/chart/chart-cell'
import { distanceText, type DistanceUnit } from '../core/units'
import { PULLED } from './en/pulled'
import { write } from './message'

/**
 * Why a number lies outside all the balls it is made from, as they are read; '' where it lies among them. Others pull
 * it only if what they say without these balls lies on that side.
 * @param asked how many of its balls are asked about
 * @example pulledText(cell, 'yd') // => '4 balls say 30; the other stock shots say 36 and pull it to 32.'
 */
export function pulledText(
  { carryM, carriesM, middleM, balls, plain, othersM }: ChartCell,
  unit: DistanceUnit,
  asked = 0,
): string {
  if (carryM === null || middleM === null || plain) return ''
  const read = (metres: number) => Number(distanceText(metres, unit))
  const number = read(carryM)
  const own = carriesM.map(read)
  if (number >= Math.min(...own) && number <= Math.max(...own)) return ''
  const said = { n: balls, own: distanceText(middleM, unit), number: distanceText(carryM, unit) }
  if (asked > 0 && 2 * asked >= carriesM.length) return write(PULLED.doubted, said)
  if (othersM === undefined || (othersM - middleM) * (carryM - middleM) <= 0) return write(PULLED.plain, said)
  return write(PULLED.others, { ...said, others: distanceText(othersM, unit) })
}
