import type { DrillBall, Measure } from '#core/practice/drill-spec'
import { READING_RANGE } from '#core/shot/readings'
import { readTypedBall, type TypedUnits } from '#core/shot/typed-ball'
import { fromUnit, fromWind, toUnit, toWind } from '#core/units'
import { ballFaultText } from '#words/typed'

/** What was seen of a ball, without its place and its time. */
export type SeenBall = Partial<Omit<DrillBall, 'id' | 'task' | 'atMs'>> & { shotId?: string }

const FIGURE = /^(\d+(?:[.,]\d*)?)\s*([lr<>]?)$/i
const numberOf = (text: string) => Number(text.replace(',', '.'))

/** Beside the line: "4r" or "4 <". */
function readSide(text: string, units: TypedUnits): SeenBall | { fault: string } {
  const found = FIGURE.exec(text.trim())
  const most = Math.floor(toUnit(READING_RANGE.sideM[1], units.distance))
  const value = found ? numberOf(found[1]!) : Number.NaN
  if (!found || !(value <= most) || (value > 0 && found[2] === ''))
    return { fault: `"${text}" is not possible: 0 to ${most}, then L or R, as in 4R.` }
  const metres = fromUnit(value, units.distance)
  return { sideM: /[l<]/i.test(found[2]!) ? -metres : metres }
}

function readFigure(
  text: string,
  [least, most]: readonly [number, number],
  unit: string,
  take: (value: number) => SeenBall,
): SeenBall | { fault: string } {
  const value = /^\d+(?:[.,]\d*)?$/.test(text.trim()) ? numberOf(text.trim()) : Number.NaN
  return value >= least && value <= most
    ? take(value)
    : { fault: `"${text}" is not possible: ${least} to ${most} ${unit}.` }
}

/** What a line of figures says of a ball of a go, by what the drill looks at; or what is wrong with it. */
export function readSeenBall(text: string, measure: Measure, units: TypedUnits): SeenBall | { fault: string } {
  if (measure === 'side') return readSide(text, units)
  if (measure === 'speed') {
    const [least, most] = READING_RANGE.clubSpeedMs.map(ms => Math.round(toWind(ms, units.speed))) as [number, number]
    return readFigure(text, [least, most], units.speed, value => ({ speedMs: fromWind(value, units.speed) }))
  }
  if (measure === 'launch')
    return readFigure(text, [Math.max(0, READING_RANGE.launchDeg[0]), READING_RANGE.launchDeg[1]], '°', launchDeg => ({
      launchDeg,
    }))
  const ball = readTypedBall(text, units)
  if ('fault' in ball) return { fault: ballFaultText(ball, units) }
  const { carryM, sideM, clubSpeedMs, launchDeg, spinRpm } = ball
  return {
    endM: carryM,
    ...(sideM !== undefined && { sideM }),
    ...(clubSpeedMs !== undefined && { speedMs: clubSpeedMs }),
    ...(launchDeg !== undefined && { launchDeg }),
    ...(spinRpm !== undefined && { spinRpm }),
  }
}
