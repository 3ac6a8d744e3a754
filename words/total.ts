import { cellKey, type StockShot } from '../core/bag/bag'
import type { CarryChart } from '../core/chart/chart-cell'
import type { Firmness } from '../core/flight/run-out'
import { distanceWithUnit, type DistanceUnit } from '../core/units'
import { TOTAL } from './en/total'
import { write } from './message'

/** Where a stock shot's balls stop, as a line beside its carry; '' where carry is what is read. */
export function totalText(
  totals: CarryChart,
  shot: StockShot,
  ground: Firmness | undefined,
  unit: DistanceUnit,
): string {
  const carryM = totals.find(one => cellKey(one) === cellKey(shot))?.carryM
  if (!ground || carryM == null) return ''
  return write(TOTAL.total, { total: distanceWithUnit(carryM, unit), ground })
}
