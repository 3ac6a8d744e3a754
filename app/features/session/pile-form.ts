import { BALLS_MAX, CARRY_LIMITS, PACE_MAX_M, PACE_MIN_M } from '#core/limits'
import type { Firmness } from '#core/flight/run-out'
import { combineWays } from '#core/shot/measuring'
import type { Method } from '#core/shot/shot'
import type { TypedBall } from '#core/shot/typed-ball'
import { distanceText, fromUnit, type DistanceUnit } from '#core/units'
import type { ShotRecord, TakenRecord } from '#shared/schemas/session'

/** A pile as it is typed. */
export interface PileForm {
  balls: string
  mishits: string
  laser: string
  steps: string
  pace: string
  front: string
  back: string
  width: string
  /** Measured to the pitch marks, not to where the balls lie. */
  marks: boolean
  firmness: Firmness
}
type Field = Exclude<keyof PileForm, 'marks' | 'firmness'>
export type PileFaults = Partial<Record<Field, string>>
type Figures = Partial<Record<Field, number>>

/** What each figure may be, in the coach's unit where it is a length. */
function allowed(unit: DistanceUnit) {
  const { min, max } = CARRY_LIMITS[unit]
  const length = (what: string, least: number, most: number) => ({ what, least, most, length: true })
  const count = (what: string, least: number, most: number) => ({ what, least, most, length: false })
  const pace = [PACE_MIN_M, PACE_MAX_M].map(metres => Number(distanceText(metres, unit, 1))) as [number, number]
  return {
    balls: count('Balls', 1, BALLS_MAX),
    mishits: count('Mishits', 0, 100),
    laser: length('Laser', min, max),
    steps: count('Steps', 1, 400),
    pace: length('Pace', ...pace),
    front: length('Front', min, max),
    back: length('Back', min, max),
    width: length('Width', 0, 100),
  } satisfies Record<Field, { what: string; least: number; most: number; length: boolean }>
}

/** Figures that are there, lengths in metres; what cannot be is named. */
function figuresOf(form: PileForm, unit: DistanceUnit): { figures: Figures; faults: PileFaults } {
  const figures: Figures = {}
  const faults: PileFaults = {}
  for (const [field, { what, least, most, length }] of Object.entries(allowed(unit)) as [
    Field,
    ReturnType<typeof allowed>[Field],
  ][]) {
    const text = form[field].trim().replace(',', '.')
    if (text === '') continue
    const value = /^\d+(\.\d+)?$/.test(text) ? Number(text) : Number.NaN
    if (value >= least && value <= most && (length || Number.isInteger(value)))
      figures[field] = length ? fromUnit(value, unit) : value
    else faults[field] = `${what} "${text}" is not possible: ${least} to ${most}${length ? ` ${unit}` : ', whole'}.`
  }
  return { figures, faults }
}

/** What is missing, or does not go together. */
function missing({ balls, laser, steps, pace, front, back }: Figures, wrong: PileFaults): PileFaults {
  const faults: PileFaults = {}
  if (balls === undefined) faults.balls = 'How many balls lie in the pile?'
  if (laser === undefined && steps === undefined && !wrong.laser && !wrong.steps)
    faults.laser = 'Laser it, pace it, or both.'
  if (steps !== undefined && pace === undefined) faults.pace = 'How long is one pace? Measure it over a known distance.'
  if (front !== undefined && back !== undefined && front > back)
    faults.back = 'The back lies nearer than the front: they are the other way round.'
  return faults
}

/** What a pile is logged as, or what is wrong with what was typed. */
export function readPile(
  form: PileForm,
  unit: DistanceUnit,
): { ball: TypedBall; more: Partial<ShotRecord> } | { faults: PileFaults } {
  const { figures, faults: wrong } = figuresOf(form, unit)
  const faults = { ...missing(figures, wrong), ...wrong }
  if (Object.keys(faults).length > 0) return { faults }
  const { laser: laserM, steps, pace: paceM, front: frontM, back: backM, width: widthM, mishits } = figures
  const ways: { method: Method; distanceM: number }[] = [
    ...(laserM === undefined ? [] : [{ method: 'laser' as const, distanceM: laserM }]),
    ...(steps === undefined ? [] : [{ method: 'paces' as const, distanceM: steps * paceM! }]),
  ]
  const { distanceM, errorM } = combineWays(ways)
  const taken: TakenRecord = {
    ...(!form.marks && { lies: form.firmness }),
    ...(laserM !== undefined && { laserM }),
    ...(steps !== undefined && { steps, paceM: paceM! }),
    ...(frontM !== undefined && { frontM }),
    ...(backM !== undefined && { backM }),
    ...(widthM !== undefined && { widthM }),
    ...(mishits && { mishits }),
    ...(ways.length === 2 && { errorM }),
  }
  return { ball: { carryM: distanceM }, more: { balls: figures.balls!, method: ways[0]!.method, taken } }
}
