import { CARRY_LIMITS } from '../core/limits'
import { TYPED_RANGE, type BallFault, type TypedUnits } from '../core/shot/typed-ball'
import type { CarryFault } from '../core/shot/typed-carry'
import { toHeight, toWind, type DistanceUnit } from '../core/units'
import { TYPED } from './en/typed'
import { write, type MessageValues } from './message'

/** More of what was typed is not repeated. */
const PART_MAX = 12
const shortened = (text: string) => (text.trim().length > PART_MAX ? `${text.trim().slice(0, PART_MAX)}…` : text.trim())

const CARRY_MESSAGES: Record<CarryFault, string> = {
  'empty': TYPED.empty,
  'not-a-number': TYPED.notANumber,
  'too-fine': TYPED.tooFine,
  'out-of-range': TYPED.outOfRange,
}
const isCarryFault = (fault: BallFault['fault']): fault is CarryFault => fault in CARRY_MESSAGES

/** The sentence for a carry that cannot be: the value and what is allowed. */
export function carryFaultText(fault: CarryFault, text: string, unit: DistanceUnit): string {
  const { min, max } = CARRY_LIMITS[unit]
  const allowed = write(TYPED.allowed, { min: String(min), max: String(max), unit })
  return write(CARRY_MESSAGES[fault], { part: shortened(text), unit, allowed })
}

/** Least and most in the unit that is read. */
function limits(fault: Exclude<BallFault['fault'], CarryFault>, units: TypedUnits): MessageValues {
  const of = ([least, most]: readonly [number, number], to: (value: number) => number = value => value) => ({
    least: String(Math.ceil(to(least))),
    most: String(Math.floor(to(most))),
  })
  if (fault === 'unit' || fault === 'extra') return {}
  const range = TYPED_RANGE[fault]
  if (fault === 'ballSpeedMs' || fault === 'clubSpeedMs') return of(range, ms => toWind(ms, units.speed))
  return fault === 'apexM' ? of(range, m => toHeight(m, units.height)) : of(range)
}

/** The sentence for a fault: what was typed and what is allowed. */
export function ballFaultText({ fault, part }: BallFault, units: TypedUnits): string {
  if (isCarryFault(fault)) return carryFaultText(fault, part, units.distance)
  const { distance: unit, speed, height } = units
  return write(TYPED[fault], { part: shortened(part), unit, speed, height, ...limits(fault, units) })
}

/** @example feltText(80) // => 'felt 80 %' */
export const feltText = (percent: number) => write(TYPED.felt, { percent: String(percent) })
