import type { StockShot } from '../core/bag/bag'
import type { OwnBallsHelp } from '../core/calibration/own-balls-help'
import type { CarryAir } from '../core/shot/carry-air'
import type { AirCorrection } from '../core/corrections/air-correction'
import type { WindThere } from '../core/flight/neutral'
import type { WindAlong } from '../core/flight/wind-from-pitch'
import type { RangeBalls } from '../core/corrections/range-ball'
import { Z_80 } from '../core/stats/normal'
import { distanceText, type DistanceUnit } from '../core/units'
import { AIR, CARRY_AIR, RANGE_BALLS, WIND_ALONG, WIND_THERE } from './en/air'
import { listed, write } from './message'
import { heightText } from './readings'

/** Under this a wind is not worth a word, m/s. */
const WORTH_MS = 0.5

function windWay(headMs: number, rightMs: number, windText: (ms: number) => string): string {
  const [along, across] = [Math.abs(headMs), Math.abs(rightMs)]
  if (along >= WORTH_MS && along >= across / 2)
    return write(headMs > 0 ? AIR.into : AIR.downwind, { wind: windText(along) })
  return across >= WORTH_MS ? write(AIR.across, { wind: windText(across) }) : write(AIR.noWind)
}

/**
 * What the air did to a stock shot's balls, as a coach says it.
 * @param windText a wind speed in the coach's unit
 * @example correctionText(…) // => 'into 3 m/s: 63 measured, 66 in neutral air, ± 1.5 for the air'
 */
export function correctionText(
  correction: AirCorrection,
  unit: DistanceUnit,
  windText: (ms: number) => string,
): string {
  const { measuredM, neutralM, sdM, headMs, rightMs, heightM = 0, still } = correction
  const wind = still ? [] : [windWay(headMs, rightMs, windText)]
  const flat = distanceText(Math.abs(heightM), unit) === '0'
  const slope = flat ? [] : [write(AIR.toPlace, { height: heightText(heightM, unit) })]
  const way = [...wind, ...slope].join(', ') || write(AIR.toLevel)
  const measured = distanceText(measuredM, unit)
  if (neutralM === null) return write(AIR.tooStrong, { way, measured })
  const figures = { way, measured, neutral: distanceText(neutralM, unit), plusMinus: distanceText(Z_80 * sdM, unit, 1) }
  return write(still ? AIR.levelled : AIR.corrected, figures)
}

/**
 * The wind along the line that one ball told, with its ± (8 in 10).
 * @example windAlongText({ headMs: 2.6, sdMs: 1.2 }, ms => `${ms.toFixed(1)} m/s`)
 * // => '2.6 m/s in the face, ± 1.5 m/s.'
 */
export function windAlongText({ headMs, sdMs }: WindAlong, windText: (ms: number) => string): string {
  const way = Math.abs(headMs) < WORTH_MS ? 'calm' : headMs > 0 ? 'into' : 'downwind'
  return write(WIND_ALONG[way], { wind: windText(Math.abs(headMs)), plusMinus: windText(Z_80 * sdMs) })
}

/** Where the ball flies: beyond, flights are computed, but were held against nothing. */
const ROUGH_MS = 10
/** From so many of the figures as they are shown on, two answers differ. */
const DIFFERS = 3

/**
 * The wind at the ball's height beside the one that was judged, and the rule of thumb beside our figure.
 * @param playsM what the wind alone makes of the target: the rule knows neither slope nor warmth
 * @param windText a wind speed in the coach's unit
 * @returns '' for a calm day
 */
export function windThereText(
  { ballMs, ruleM, into }: WindThere,
  judgedMs: number,
  playsM: number,
  unit: DistanceUnit,
  windText: (ms: number) => string,
): string {
  if (judgedMs < WORTH_MS) return ''
  const [judged, there] = [windText(judgedMs), windText(ballMs)]
  const rule = `${distanceText(ruleM, unit)} ${unit}`
  const more = into && Number(distanceText(playsM, unit)) - Number(distanceText(ruleM, unit)) >= DIFFERS
  return [
    judged === there ? write(WIND_THERE.same, { there }) : write(WIND_THERE.higher, { judged, there }),
    write(WIND_THERE.rule, { rule }),
    ...(more ? [write(WIND_THERE.more)] : []),
    ...(ballMs > ROUGH_MS ? [write(WIND_THERE.rough)] : []),
  ].join(' ')
}

/** What range balls lose, how surely, and where it is from. */
export function rangeBallText({ loss, sd, pairs }: RangeBalls): string {
  const percent = (share: number) => String(Math.round(share * 100))
  const values = { loss: percent(loss), plusMinus: percent(Z_80 * sd), pairs }
  return write(pairs === 0 ? RANGE_BALLS.usual : RANGE_BALLS.own, values)
}

/** That a chart is from range balls alone, and what that means for it; '' where it is not. */
export const rangeAloneText = ({ sd, pairs }: RangeBalls): string =>
  pairs > 0 ? '' : write(RANGE_BALLS.alone, { plusMinus: String(Math.round(Z_80 * sd * 100)) })

/** What would tell how much range balls lose. */
export const ownBallsHelpText = ({ shots, balls }: OwnBallsHelp, nameOf: (cell: StockShot) => string): string =>
  write(RANGE_BALLS.help, {
    n: balls,
    shots: listed(shots.map(nameOf)),
    count: shots.length,
    all: balls * shots.length,
  })

/** How sure the loss is then. */
export const ownBallsThenText = ({ sdThen }: OwnBallsHelp, { sd }: Pick<RangeBalls, 'sd'>): string => {
  const percent = (share: number) => String(Math.round(Z_80 * share * 100))
  return write(RANGE_BALLS.then, { now: percent(sd), then: percent(sdThen) })
}

/** What a session begins with that is to tell it. */
export const ownBallsFirstText = (balls: number): string => write(RANGE_BALLS.first, { balls })

/** What a monitor's carries are of. */
export const carryAirTexts: Record<CarryAir, string> = CARRY_AIR
