import type { PracticeLeave } from '../chart/practice-scatter'
import { cellKey, type StockShot } from '../bag/bag'
import type { Finding, FlagOptions } from '../gaps/flag'
import type { Cover } from '../gaps/stretches'
import type { StillOpen } from '../gaps/still-open'
import type { Unproven } from '../gaps/unproven'
import type { Ladder } from '../gaps/ladder'
import type { Firmness } from '../flight/run-out'
import type { Method } from '../shot/shot'
import type { DistanceUnit } from '../units'
import type { CarryChart } from '../chart/chart-cell'
import type { Instead } from '../questions/instead'
import type { OddBall } from '../questions/odd-balls'
import type { CellRemark } from '../history/coach-remarks'
import type { PublishedNumbers } from '../history/published-numbers'
import type { AirCorrection } from '../corrections/air-correction'
import type { OwnBallsHelp } from './own-balls-help'
import type { CarrySum } from './carry-sum'
import type { PlusWorth } from './called-plus'
import type { SpeedCall } from '../corrections/called-speed'
import type { RangeBalls } from '../corrections/range-ball'
import type { SetAside } from '../corrections/set-aside'
import type { ChangeKind } from '../model/constants'
import { WITHIN_M } from '../chart/within'

/** A ball that stands out, what it looks like, and what else it may have been. */
export type Question = OddBall & Instead

export { WITHIN_M }
/** Balls hit at one stock shot before the next is chosen: a coach's habit, and little is lost by it. */
export const BALLS_AT_ONCE = 3

export interface CalibrationOptions {
  flags: FlagOptions
  /** Cover counts only stock shots with a ball that counts. */
  measuredOnly?: boolean
  /** Leaves are those of a player who aims at the target, whatever the usual miss; else the aim is moved by it. */
  aimedStraight?: boolean
  /** Ladder, cover and flags go by the balls even where the coach has written a number. */
  asBalls?: boolean
  /** Ladder, cover and flags go by where the ball stops on such ground, not by where it pitches. */
  totalOn?: Firmness
  /** Cover is shown at every yard or every metre; the flags are told from every yard. */
  unit?: DistanceUnit
  /** What is said of stock shots, and the chart the player carries: rules hold the balls against both. */
  words?: readonly CellRemark[]
  published?: PublishedNumbers
  /** Balls hit in practice that do not count for the chart: they speak of scatter alone. */
  practice?: readonly PracticeLeave[]
  /** Distances that rounds asked for, metres: what is asked for often matters more. */
  asked?: readonly number[]
  /** What to hit next goes by all stock shots alike all the same. */
  alikeNeed?: boolean
  /** Wanted certainty either way, metres. */
  withinM: number
  /** How the next balls are measured. */
  method: Method
  /** Whether what was hit in known air is taken to neutral air. */
  neutralAir: boolean
}

export const USUAL_OPTIONS: CalibrationOptions = { flags: {}, withinM: WITHIN_M, method: 'monitor', neutralAir: true }

/** The stock shot to hit next, and why. */
export interface Next extends StockShot {
  balls: number
  /** Doubt it takes off the whole chart, metres, one standard deviation of each cell summed. */
  gainM: number
  /** Other stock shots that learn from it, those that learn most first. */
  others: StockShot[]
  /** Share of the chances of rounds that come from about there; missing while too few tell, or where all are alike. */
  asked?: number
}

export interface Ready {
  withinM: number
  /** Cells in use that are known to within it, and all in use. */
  cellsWithin: number
  cellsInUse: number
  goodEnough: boolean
  /** About how many more balls; null when it would take more than can be forecast. */
  ballsToGo: number | null
  /**
   * Where range balls never make it, because how much they lose is not known well enough: about how many of the ball
   * one plays do. Null when those would take more than can be forecast too; missing where it is not so.
   */
  ownBallsToGo?: number | null
}

/** A retest: because time has passed, or because of what was changed after the last session. */
export interface Retest {
  why: 'time' | ChangeKind
  /** The balls make the chart as sure as wanted. */
  enough: boolean
  /** Stock shots in the order to hit them. */
  balls: (StockShot & { balls: number; others: StockShot[] })[]
}

/** Everything that a player's shots say. Plain data: the same on the server, in a worker and in a file. */
export interface Calibration {
  /** `neutral` when any shot was taken out of its own air, from its height, or from a range ball. */
  air: 'neutral' | 'as measured'
  corrections: AirCorrection[]
  /** What range balls lose, when any were hit; null when not, or when the chart is kept as measured. */
  rangeBalls: RangeBalls | null
  /** What this player's plus and minus are worth; null while too few called balls tell. */
  plus: PlusWorth | null
  /** What was done to what was typed, of every stock shot with a ball that counts. */
  sums: CarrySum[]
  /** The few balls of one's own that tell what range balls lose; null where they are not asked for. */
  ownBallsHelp: OwnBallsHelp | null
  /** Stock shots that call a club speed and whose balls were taken to it. */
  speedCalls: SpeedCall[]
  /** As the balls have it. */
  chart: CarryChart
  /**
   * Those of its stock shots that have a written number, as they are read; ladder, cover and flags go by them, unless
   * the coach asks how the balls have it.
   */
  written: CarryChart
  /** The chart as ladder, cover and flags have it where they go by total: with each run. Empty where by carry. */
  totals: CarryChart
  ladder: Ladder
  findings: Finding[]
  /** Yard by yard, the shot that leaves least. */
  cover: Cover
  /** Stretches of it whose best number is thin or old, and the balls that would settle each. */
  unproven: Unproven[]
  /** What the numbers read like, with too few balls to say so, and how many would decide it. */
  stillOpen: StillOpen[]
  /** The next stock shots in order; none when no cell of the grid is in use. */
  next: Next[]
  ready: Ready
  /** Day the numbers should be tested again, milliseconds since 1970; null without a ball. */
  retestDueMs: number | null
  /** What a retest is due for, and the balls that make the chart sure again that day; null without a ball. */
  retest: Retest | null
  questions: (StockShot & Question)[]
  /** Balls that count, but that cannot be worked out: each with its reason. */
  setAside: SetAside[]
}

/** The chart as it is read: with the coach's written numbers. */
export function readChart({ chart, written }: Pick<Calibration, 'chart' | 'written'>): CarryChart {
  if (written.length === 0) return chart
  const read = new Map(written.map(cell => [cellKey(cell), cell]))
  return chart.map(cell => read.get(cellKey(cell)) ?? cell)
}
