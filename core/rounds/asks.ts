import { groupBy } from '../group-by'
import type { Lie } from '../pick/lies'
import { Z_80 } from '../stats/quantiles'
import { distanceText, fromUnit, yardsToMetres, type DistanceUnit } from '../units'
import { chancesOf, type Played } from './approach'

/** A band of distances: how many chances came from it, and what share will, with 8-in-10 bounds. Metres. */
export interface AskedBand {
  fromM: number
  toM: number
  chances: number
  share: number
  least: number
  most: number
}

/** Before any round: as likely from anywhere in this stretch, as if so many chances had been seen. Our choice. */
const ANYWHERE_M = [yardsToMetres(20), yardsToMetres(200)] as const
const PRIOR_CHANCES = 8
/** A chance tells of its neighbours too: its weight falls to nothing so far away, metres. Our choice. */
const REACH_M = 6
/** Bands are so wide, in whole yards or metres. */
const BAND = 10

/** Share of a chance's weight (a triangle about it) that lies below a distance. */
function weightBelow(atM: number, belowM: number): number {
  const x = (belowM - atM) / REACH_M
  if (x <= -1) return 0
  if (x >= 1) return 1
  return x < 0 ? (1 + x) ** 2 / 2 : 1 - (1 - x) ** 2 / 2
}

const overlap = (a: number, b: number, [c, d]: readonly [number, number]) =>
  Math.max(0, Math.min(b, d) - Math.max(a, c))

/**
 * What the course asks for: the share of chances from each band of ten yards or metres. Chances are smoothed a little
 * and pooled with a wide prior (20 to 200 yd alike, worth eight chances); the bounds are those of a beta distribution
 * taken as normal. A chance is counted where the figure lies that it is read as: 129.6 yd, read 130, among those from
 * 130. Bands before the first and beyond the last chance are left out.
 * @returns nothing without a chance
 * @example askedBands([{ approaches: [{ chance: true, distanceM: 75 }] }], 'm').find(band => band.chances > 0)?.toM // => 80
 */
export function askedBands(rounds: readonly Played[], unit: DistanceUnit): AskedBand[] {
  const distances = chancesOf(rounds).map(({ distanceM }) => distanceM)
  if (distances.length === 0) return []
  const width = fromUnit(BAND, unit)
  const bandOf = (atM: number) => Math.floor(Number(distanceText(atM, unit)) / BAND)
  const first = bandOf(Math.min(...distances))
  const last = bandOf(Math.max(...distances))
  const all = distances.length + PRIOR_CHANCES
  const prior = PRIOR_CHANCES / (ANYWHERE_M[1] - ANYWHERE_M[0])
  return Array.from({ length: last - first + 1 }, (_, i) => {
    const [fromM, toM] = [(first + i) * width, (first + i + 1) * width]
    const smoothed = distances.reduce((sum, at) => sum + weightBelow(at, toM) - weightBelow(at, fromM), 0)
    const share = (smoothed + prior * overlap(fromM, toM, ANYWHERE_M)) / all
    const half = Z_80 * Math.sqrt((share * (1 - share)) / (all + 1))
    return {
      fromM,
      toM,
      chances: distances.filter(at => bandOf(at) === first + i).length,
      share,
      least: Math.max(0, share - half),
      most: Math.min(1, share + half),
    }
  })
}

/** Bands that a plan of practice goes by. Our choice. */
const NEEDED_BANDS = 3

/**
 * The bands that most chances come from, most first; those with fewer than two chances are a day's luck.
 * @example mostNeeded([]) // => []
 */
export const mostNeeded = (bands: readonly AskedBand[]): AskedBand[] =>
  bands
    .filter(({ chances }) => chances > 1)
    .sort((a, b) => b.share - a.share || a.fromM - b.fromM)
    .slice(0, NEEDED_BANDS)

/** So many chances before a stretch is named: fewer are a day's luck. Our choice. */
export const LEAST_TO_NAME = 15
/** The stretch that is named holds this share of all chances. */
const NAMED_SHARE = 0.4
/** Its ends are multiples of this, in yards or metres. */
const NAMED_STEP = 5

/**
 * The shortest stretch that four in ten chances come from, ends in fives of the unit; null from fewer than 15 chances.
 * @returns its ends in metres, and the share of chances in it
 */
export function mostAsked(
  rounds: readonly Played[],
  unit: DistanceUnit,
): { fromM: number; toM: number; share: number } | null {
  const distances = chancesOf(rounds)
    .map(({ distanceM }) => distanceM)
    .sort((a, b) => a - b)
  if (distances.length < LEAST_TO_NAME) return null
  const step = fromUnit(NAMED_STEP, unit)
  const wanted = Math.ceil(NAMED_SHARE * distances.length)
  let best: { fromM: number; toM: number; share: number } | null = null
  for (let i = 0; i + wanted <= distances.length; i++) {
    const fromM = Math.floor(distances[i]! / step + 1e-9) * step
    const toM = Math.ceil(distances[i + wanted - 1]! / step - 1e-9) * step
    const inside = distances.filter(at => at >= fromM - 1e-9 && at <= toM + 1e-9).length
    if (!best || toM - fromM < best.toM - best.fromM - 1e-9) best = { fromM, toM, share: inside / distances.length }
  }
  return best
}

/** Chances by where they were hit from. */
export interface AskedFrom {
  par3: number
  /** Par 4s that were driven at: no chances, counted apart. */
  par4: number
  lies: { lie: Lie; chances: number }[]
}

/**
 * How many chances came from the tee of a par 3 and from each lie that was told, most first; and par 4s apart.
 * @example askedFrom([{ approaches: [{ chance: true, distanceM: 80, lie: 'sand' }] }]).lies[0]?.lie // => 'sand'
 */
export function askedFrom(rounds: readonly Played[]): AskedFrom {
  const all = rounds.flatMap(({ approaches }) => approaches.filter(({ chance }) => chance))
  const chances = chancesOf(rounds)
  const lies = [...groupBy(chances, ({ lie }) => lie ?? '')].flatMap(([lie, own]) =>
    lie === '' ? [] : [{ lie, chances: own.length }],
  )
  return {
    par3: chances.filter(({ tee }) => tee === 3).length,
    par4: all.length - chances.length,
    lies: lies.sort((a, b) => b.chances - a.chances || (a.lie < b.lie ? -1 : 1)),
  }
}
