import type { ChartCell } from '../core/chart/chart-cell'
import { distanceText, type DistanceUnit } from '../core/units'
import { PULLED } from './en/pulled'
import { write } from './message'

/** Less than this of a number is its own balls': they are doubted. */
const HARDLY = 0.05

/**
 * Why a number lies outside all the balls it is made from, as they are read; '' where it lies among them.
 * @example pulledText(cell, 'yd') // => '4 balls say 30; the other stock shots pull it to 32.'
 */
export function pulledText(
  { carryM, carriesM, middleM, balls, plain, leansOn }: ChartCell,
  unit: DistanceUnit,
): string {
  if (carryM === null || middleM === null || plain) return ''
  const read = (metres: number) => Number(distanceText(metres, unit))
  const number = read(carryM)
  const own = carriesM.map(read)
  if (number >= Math.min(...own) && number <= Math.max(...own)) return ''
  const said = { n: balls, own: distanceText(middleM, unit), number: distanceText(carryM, unit) }
  if (leansOn && leansOn.own < HARDLY) return write(PULLED.doubted, said)
  const others = leansOn?.others.reduce((sum, one) => sum + one.share, 0) ?? 1
  return write(others >= (leansOn?.usual ?? 0) ? PULLED.others : PULLED.usual, said)
}
