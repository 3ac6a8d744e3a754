import { clubsInUse, isStruckOut, rungsInUse, type Bag, type StockShot } from '../bag/bag'
import { rungCue, rungName } from '../swing/scale'
import { PLUS_WORTH_RANGE } from '../limits'
import { distanceText, doubtText, fromUnit, isWithin, yardsToMetres, type DistanceUnit } from '../units'
import { ownStrikes } from '../corrections/own-flight'
import type { OwnStrike } from '../flight/deliver'
import type { Level } from '../level'
import type { NeutralShot } from '../shot/shot'
import { Z_80 } from '../stats/normal'
import { practiceTimes, type PracticeLeave } from '../chart/practice-scatter'
import { servedBest, type ServedTarget } from '../chart/served-best'
import { asRead } from '../chart/as-read'
import type { CarryChart, ChartCell, SideTold } from '../chart/chart-cell'
import type { GridFit } from '../chart/grid-fit'
import { plusMinusM } from '../chart/chart-cell'
import { writtenNumbers, type Remarks } from './coach-remarks'
import { runsOf } from '../chart/as-total'
import { newMemo } from '../memo'
import type { Firmness } from '../flight/run-out'
import { cellKey } from '../bag/bag'

/** A figure as it is read, in both units: whole yards and whole metres. */
export type Figure = Record<DistanceUnit, number>

/** Metres that read as the figure in both units. @example metresOf({ yd: 74, m: 68 }) // => 67.81 */
export function metresOf({ yd, m }: Figure): number {
  const half = 0.5
  const [least, most] = [Math.max(fromUnit(yd - half, 'yd'), m - half), Math.min(fromUnit(yd + half, 'yd'), m + half)]
  return Math.round(50 * (least + most)) / 100
}

/** Rounded once, when it is published: the card, the phone and the next comparison all read the same figure. */
export function figureOf(metres: number): Figure {
  return { yd: Number(distanceText(metres, 'yd')), m: Number(distanceText(metres, 'm')) }
}

/** A doubt, rounded up as it is read on every screen. */
const doubtOf = (metres: number): Figure => ({ yd: Number(doubtText(metres, 'yd')), m: Number(doubtText(metres, 'm')) })

/**
 * What is handed out: numbers with a ball of their own and written ones alone; predicted ones too that are known well
 * enough to be played by; or all.
 */
export const PUBLISHED_WHICH = ['measured', 'well-predicted', 'all'] as const
export type PublishedWhich = (typeof PUBLISHED_WHICH)[number]
/** A predicted number is known well enough to within this, 8 times in 10: half of a wide step. Our choice. */
export const WELL_PREDICTED_M = yardsToMetres(6)

/** True for a number that the player gets. */
export const isHandedOut = (cell: Pick<ChartCell, 'kind' | 'certainty80M'>, which: PublishedWhich): boolean =>
  cell.kind !== 'predicted' ||
  which === 'all' ||
  (which === 'well-predicted' && isWithin(plusMinusM(cell) ?? Infinity, WELL_PREDICTED_M))

export type PublishedKind = 'measured' | 'predicted' | 'written' | 'struck-out' | 'unhit'

export interface PublishedCell extends StockShot {
  club: string
  swing: string
  kind: PublishedKind
  /** What the player reads; null where there is no number. */
  carry: Figure | null
  /** Carry and run on the ground of `totalOn`; missing where carry is what is read. */
  total?: Figure
  /** Either way, 8 times in 10; null for a written number, whose certainty is the coach's. */
  plusMinus: Figure | null
  /** Where 8 clean balls in 10 lie. */
  window: [Figure, Figure] | null
  balls: number
  /** What the balls said, metres, and the variance of its logarithm: what a later chart is held against. */
  modelM: number | null
  lnVariance: number | null
  /** How its balls lie, for choosing by it on the course; missing from charts that were published before it was. */
  pattern?: PublishedPattern
}

/** Spread of one clean ball on the range, and the player's own flight with it. Metres, to a hundredth. */
export interface PublishedPattern {
  longSdM: number
  /** Beside the line, right positive; missing where no side was measured. */
  sideBiasM?: number
  sideSdM?: number
  /** Whose balls tell that bias, and how many; missing from older charts, and while they are too few. */
  sideTold?: SideTold
  /** Missing where no launch was read: it flies as usual for its loft. */
  own?: OwnStrike
}

/** Which change a player makes first between two numbers: the club, the swing, or the grip. */
export const HABITS = ['club', 'swing', 'grip'] as const
export type Habit = (typeof HABITS)[number]

/** A rule the coach keeps: around this distance, this stock shot. */
export interface PickRule extends StockShot {
  fromM: number
  toM: number
}

/** How a player picks on the course. */
export interface PickSettings {
  habit: Habit
  /** Course scatter over range scatter; missing takes the usual. */
  courseScatter?: number
  rules: PickRule[]
  /** The usual air of the course that is played most; missing starts from neutral air. */
  home?: HomeAir
}

/** The usual air of a course: what its height and its weather make of it, calm. */
export interface HomeAir {
  tempC: number
  altitudeM: number
}

/** A dated copy of a carry chart. Nothing in it ever changes. */
export interface PublishedChart {
  format: 'uzzet-published'
  version: 1
  number: number
  publishedAtMs: number
  /** The unit that the coach read when it was published. */
  unit: DistanceUnit
  air: 'neutral' | 'as measured'
  /** The player reads totals, on ground like this; missing for carries. */
  totalOn?: Firmness
  /** Clubs across, most loft first, and swing lengths down, longest on top. */
  clubs: { id: string; label: string; name: string; loftDeg: number }[]
  swings: { id: string; label: string; cue: string }[]
  cells: PublishedCell[]
  note: string
  /** What changed since the one before, in words of that day. */
  changed: string
  /** The player's level, how often a ball is mishit, and how the player picks; missing from old charts. */
  level?: Level
  mishitShare?: number
  /** How often a ball was a flyer, by odds and by the coach's word. */
  flyerShare?: number
  /** What a plus that is called comes to; missing while it is not known. */
  plusWorth?: number
  pick?: PickSettings
  /** Targets that several stock shots were hit to in practice; missing where there are none. */
  served?: ServedTarget[]
  /** When the numbers should be tested again, milliseconds since 1970. */
  retestDueMs?: number
}

function publishedCell(
  bag: Bag,
  cell: ChartCell,
  said: Remarks | undefined,
  lnVariance: number | null,
  names: { club: string; swing: string },
  window80M: ChartCell['window80M'],
  which: PublishedWhich,
): PublishedCell {
  const at = { clubId: cell.clubId, rungId: cell.rungId, ...names, balls: cell.balls, modelM: cell.carryM, lnVariance }
  if (isStruckOut(bag, cell)) return { ...at, kind: 'struck-out', carry: null, plusMinus: null, window: null }
  if (said?.written)
    return {
      ...at,
      kind: 'written',
      carry: figureOf(said.written.carryM!),
      plusMinus: null,
      window: window80M && [figureOf(window80M[0]), figureOf(window80M[1])],
    }
  if (cell.carryM === null || cell.kind === 'unhit' || !isHandedOut(cell, which))
    return { ...at, kind: 'unhit', carry: null, plusMinus: null, window: null }
  return {
    ...at,
    kind: cell.kind === 'measured' ? 'measured' : 'predicted',
    carry: figureOf(cell.carryM),
    plusMinus: cell.certainty80M && doubtOf(plusMinusM(cell)!),
    window: cell.window80M && [figureOf(cell.window80M[0]), figureOf(cell.window80M[1])],
  }
}

/** What a chart is published from: a calibration has it. */
interface ToPublish {
  chart: CarryChart
  grid: GridFit
  air: PublishedChart['air']
  player: { bag: Bag; shots: readonly NeutralShot[]; level: Level }
  retestDueMs: number | null
  /** What this player's plus is worth; null while too few called balls tell. */
  plus: { worth: number } | null
}

const hundredth = (metres: number) => Math.round(metres * 100) / 100
const boundedPlus = (worth: number) => hundredth(Math.min(PLUS_WORTH_RANGE[1], Math.max(PLUS_WORTH_RANGE[0], worth)))

function patternOf(
  { window80M, sideM, sideWindow80M, sideTold }: Pick<ChartCell, 'window80M' | 'sideM' | 'sideWindow80M' | 'sideTold'>,
  own: OwnStrike | null,
  times = 1,
): PublishedPattern | undefined {
  if (!window80M) return undefined
  const sdOf = ([least, most]: [number, number]) => hundredth((most - least) / 2 / Z_80)
  return {
    longSdM: hundredth(times * sdOf(window80M)),
    ...(sideWindow80M && { sideBiasM: hundredth(sideM ?? 0), sideSdM: sdOf(sideWindow80M) }),
    ...(sideTold && { sideTold }),
    ...(own && { own: { launchOffDeg: hundredth(own.launchOffDeg), spinShare: hundredth(own.spinShare) } }),
  }
}

/**
 * The carry chart of this moment as it is published: written numbers in place of measured ones, rounded as the player
 * reads them.
 * @param which predicted numbers are on it; the others stay empty
 * @param practice balls that speak of scatter alone
 * @param head number, time, unit, note, what changed, and the ground of totals where the player reads those
 */
export function publish(
  calibrated: ToPublish,
  said: ReadonlyMap<string, Remarks>,
  head: Pick<
    PublishedChart,
    'number' | 'publishedAtMs' | 'unit' | 'note' | 'changed' | 'totalOn' | 'mishitShare' | 'flyerShare' | 'pick'
  >,
  which: PublishedWhich = 'all',
  practice: readonly PracticeLeave[] = [],
): PublishedChart {
  const { bag } = calibrated.player
  const clubs = clubsInUse(bag)
  const rungs = rungsInUse(bag)
  const variances = lnVariances(calibrated.grid)
  const clubOf = new Map(clubs.map(club => [club.id, club.label]))
  const swingOf = new Map(rungs.map(rung => [rung.id, rungName(rung)]))
  const read = asRead(calibrated.chart, calibrated.grid, writtenNumbers(said)).chart
  const memo = newMemo()
  const ownOf = ownStrikes(new Map(clubs.map(club => [club.id, club.loftDeg])), calibrated.player.shots, memo)
  const looser = practiceTimes(calibrated.grid, practice)
  const withPattern = (cell: PublishedCell, i: number): PublishedCell => {
    const pattern = cell.carry ? patternOf(read[i]!, ownOf(cell), looser.get(cellKey(cell))) : undefined
    return pattern ? { ...cell, pattern } : cell
  }
  // A longer club's run is not known: it is read by carry.
  const runs = head.totalOn ? runsOf(read, bag, head.totalOn, memo) : new Map<string, number>()
  const withTotal = (cell: PublishedCell): PublishedCell => {
    const carryM = said.get(cellKey(cell))?.written?.carryM ?? cell.modelM
    const runM = runs.get(cellKey(cell))
    return cell.carry && carryM !== null && runM !== undefined ? { ...cell, total: figureOf(carryM + runM) } : cell
  }
  const served = servedBest(practice).map(({ atM, shots }) => ({
    atM: hundredth(atM),
    shots: shots.map(shot => ({ ...shot, leaveM: hundredth(shot.leaveM) })),
  }))
  return {
    format: 'uzzet-published',
    version: 1,
    mishitShare: hundredth(calibrated.grid.fit.mishitShare),
    level: calibrated.player.level,
    ...(calibrated.plus && { plusWorth: boundedPlus(calibrated.plus.worth) }),
    ...(calibrated.retestDueMs !== null && { retestDueMs: calibrated.retestDueMs }),
    ...(served.length > 0 && { served }),
    ...head,
    air: calibrated.air,
    clubs: clubs.map(({ id, label, name, loftDeg }) => ({ id, label, name, loftDeg })),
    swings: [...rungs].reverse().map(rung => ({ id: rung.id, label: rungName(rung), cue: rungCue(rung) })),
    cells: calibrated.chart.map((cell, i) => {
      const names = { club: clubOf.get(cell.clubId)!, swing: swingOf.get(cell.rungId)! }
      const lnVariance = variances.get(cellKey(cell)) ?? null
      const published = publishedCell(bag, cell, said.get(cellKey(cell)), lnVariance, names, read[i]!.window80M, which)
      return withPattern(withTotal(published), i)
    }),
  }
}

/** Variance of the logarithm of each stock carry of the grid, by `cellKey`. */
export function lnVariances({ fit, cells }: GridFit): Map<string, number> {
  const n = cells.length
  return new Map(cells.map((cell, i) => [cellKey(cell), fit.covariance[i * n + i]!]))
}
