import { CARRY_LIMITS } from '#core/limits'
import { fromUnit, type DistanceUnit } from '#core/units'
import { typedSpan } from '~/ui/numbers'

/** What was typed as a carry, in metres, or what is wrong with it. */
export type TypedCarry = { ok: true; metres: number | [number, number] } | { ok: false; fault: string }

/**
 * A carry as it is typed in the coach's unit, or a span of two where one may be believed.
 * @param spanAllowed "185 to 192" is taken; else only one number is
 */
export function typedCarry(text: string, unit: DistanceUnit, spanAllowed: boolean): TypedCarry {
  const { min, max } = CARRY_LIMITS[unit]
  const span = typedSpan(text)
  if (!span || (span.length === 2 && !spanAllowed) || span.some(value => value < min || value > max)) {
    const also = spanAllowed ? `, or a span such as 85 to 92` : ''
    return { ok: false, fault: `"${text}" is not possible: ${min} to ${max} ${unit} is allowed${also}.` }
  }
  const [from, to] = span.map(value => fromUnit(value, unit))
  return { ok: true, metres: to === undefined ? from! : [from!, to] }
}
