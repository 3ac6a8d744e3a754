import { CARRY_LIMITS } from '../limits'
import { fromUnit, type DistanceUnit } from '../units'

/** What is wrong with a carry as it was typed. */
export type CarryFault = 'empty' | 'not-a-number' | 'too-fine' | 'out-of-range'

/**
 * A carry as a coach types it: digits, a point or comma, at most one decimal (no way of measuring is finer).
 * @returns metres, or what is wrong
 * @example readTypedCarry('75', 'yd') // => { carryM: 68.58 }
 * @example readTypedCarry('75,5', 'm') // => { carryM: 75.5 }
 * @example readTypedCarry('401', 'yd') // => { fault: 'out-of-range' }
 */
export function readTypedCarry(text: string, unit: DistanceUnit): { carryM: number } | { fault: CarryFault } {
  const trimmed = text.trim()
  if (trimmed === '') return { fault: 'empty' }
  if (!/^[+-]?(\d+([.,]\d*)?|[.,]\d+)$/.test(trimmed)) return { fault: 'not-a-number' }
  const value = Number(trimmed.replace(',', '.'))
  const { min, max } = CARRY_LIMITS[unit]
  if (value < min || value > max) return { fault: 'out-of-range' }
  if (/[.,]\d{2,}$/.test(trimmed)) return { fault: 'too-fine' }
  return { carryM: fromUnit(value, unit) }
}
