import { cellKey, type StockShot } from '../bag/bag'
import { joined } from '../chart/joined'
import type { GridFit } from '../chart/grid-fit'
import { NEXT } from '../model/constants'
import { ballSd } from '../model/estimate'
import type { Fit } from '../model/fit'
import { exp } from '../stats/exact'
import { sameFlag, weightOf } from './answers'
import { coverOf } from './cover'
import type { Finding, FlagOptions, GapFacts } from './flag'
import { flagRule } from './flags'
import { oddsOf } from './odds'
import { isSureHole } from './stretches'

/** What the numbers read like, with too few balls to say so: named, with the balls that would decide it. */
export interface StillOpen {
  finding: Finding
  /** About so many more balls with each of its stock shots; null where no number of balls decides: at the limit. */
  balls: number | null
}

/** So many more with each are tried; more than the last of them is no session. Our choice. */
const LOTS = [3, 6, 10, 15, 20, 30, 40]
/** The rest are the same few clubs again. */
const MOST_NAMED = 5

/** The least of the lots after which it is said, null where it is not after the last: more balls never tell less. */
function leastLot(saidAfter: (balls: number) => boolean): number | null {
  if (!saidAfter(LOTS.at(-1)!)) return null
  let [low, high] = [0, LOTS.length - 1]
  while (low < high) {
    const middle = (low + high) >> 1
    if (saidAfter(LOTS[middle]!)) high = middle
    else low = middle + 1
  }
  return LOTS[low]!
}

/** The fit after so many more clean balls of some stock shots that lie where their numbers are. */
function afterBalls(fit: Fit, rows: readonly number[], balls: number, measSdM: number): Fit {
  const n = fit.mean.length
  const covariance = fit.covariance.slice()
  for (const row of rows) {
    const noise = (ballSd(fit, row) ** 2 + (measSdM / exp(fit.mean[row]!)) ** 2) / (NEXT.cleanOfAll * balls)
    const column = Float64Array.from({ length: n }, (_, i) => covariance[i * n + row]!)
    const whole = column[row]! + noise
    for (let i = 0; i < n; i++) for (let j = 0; j < n; j++) covariance[i * n + j]! -= (column[i]! * column[j]!) / whole
  }
  return { ...fit, covariance }
}

/** Whether a hole would be said, were the numbers beside it known from so many more balls. */
function holeSaid({ fromM, toM, cells }: Finding, { cover, scatter }: GapFacts, balls: number): boolean {
  const keys = new Set(cells.map(cellKey))
  const shots = cover.shots.map(shot => {
    if (!keys.has(cellKey(shot))) return shot
    const precision = 1 / shot.certaintySdM ** 2 + (NEXT.cleanOfAll * balls) / shot.scatterSdM ** 2
    return { ...shot, certaintySdM: Math.sqrt(1 / precision) }
  })
  const targets = cover.at.filter(({ atM }) => atM >= fromM && atM <= toM).map(({ atM }) => atM)
  return isSureHole(coverOf(shots, scatter, targets))
}

/**
 * What is open, those that matter most first, each with the balls that would decide it if the numbers stay as they
 * read.
 * @param findings with or without the open ones among them
 * @param measSdM error of the way the next balls are measured
 */
export function stillOpen(
  findings: readonly Finding[],
  facts: GapFacts,
  grid: GridFit,
  options: FlagOptions,
  measSdM: number,
): StillOpen[] {
  const { fit, indexOf } = joined(grid)
  const saidAfter = (finding: Finding, balls: number): boolean => {
    const rule = flagRule(finding.flag)
    if (rule.meta.speaksOf === 'stretch') return holeSaid(finding, facts, balls)
    const rows = finding.cells.map((cell: StockShot) => indexOf.get(cellKey(cell))!)
    const odds = oddsOf({ fit: afterBalls(fit, rows, balls, measSdM), indexOf, plain: new Map() })
    return rule.find({ ...facts, odds }, options).some(other => other.sureness !== 'open' && sameFlag(other, finding))
  }
  return findings
    .filter(({ sureness, flag }) => sureness === 'open' && flagRule(flag).meta.weight > 0)
    .sort((a, b) => weightOf({ ...b, sureness: 'sure' }) - weightOf({ ...a, sureness: 'sure' }))
    .slice(0, MOST_NAMED)
    .map(finding => ({ finding, balls: leastLot(balls => saidAfter(finding, balls)) }))
}
