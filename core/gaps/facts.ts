import { flyerCounts, type FlyerCount } from './flyer-count'
import { cellKey, type Bag, type StockShot } from '../bag/bag'
import type { CarryChart, ChartCell } from '../chart/chart-cell'
import { remarksAt, type CellRemark, type Remarks } from '../history/coach-remarks'
import { compareCharts, type Before, type Compared } from '../history/compare'
import type { AsRead } from '../chart/as-read'
import type { GridFit } from '../chart/grid-fit'
import type { Level } from '../level'
import { newMemo, type Memo } from '../memo'
import type { NeutralPlayer } from '../shot/player-shots'
import type { PublishedNumbers } from '../history/published-numbers'
import { SIDE, SIDE_OF_LEVEL, SPREAD_OF_LEVEL } from '../model/constants'
import type { SidePattern } from '../model/side'
import { groupByCell } from '../shot/by-cell'
import { sidesOfGrid } from '../chart/sides'
import { aimed } from './aim'
import { chartCover, playerScatter, type CoverOptions, type PlayerScatter } from './cover'
import type { Cover } from './stretches'
import { descentDeg } from './descent'
import { buildLadder, withStepDoubt, type Ladder } from './ladder'
import { oddsOf, type Odds } from './odds'
import type { PracticeLeave } from '../chart/practice-scatter'
import { byCell, ownScatters, type OwnScatterOf } from './own-scatter'

/** Balls hit at a number that was trusted: how far each pitched beyond it, metres. */
export interface Trusted {
  offsM: number[]
}

/** Scatter of a longer club's own balls, in units of what is usual for the level, and the balls' worth behind it. */
export interface LongerScatter extends StockShot {
  along: { times: number; degrees: number }
  /** Null while too few sides are known. */
  across: { times: number; degrees: number } | null
}

/** What a rule looks at. */
export interface GapFacts {
  ladder: Ladder
  chart: CarryChart
  odds: Odds
  bag: Bag
  level: Level
  nowMs: number
  /** At every yard. */
  cover: Cover
  withinM: number
  /** Enough of the chart is known: before that, everything is thinly measured, and the chart says so. */
  goodEnough: boolean
  sides: SidePattern
  /** Counting balls whose side was measured, and how many of them lay right of the line. */
  sidesCounted: { balls: number; right: number }
  /** The player's scatter, aimed; and how each stock shot strays from it. */
  scatter: PlayerScatter
  ownScatter: OwnScatterOf
  /** Of each stock shot of a longer club that has enough balls. */
  longer: readonly LongerScatter[]
  /** Scatter of one ball where all cells are alike, φ, and the balls' worth of scatter behind it. */
  spread: { ln: number; degrees: number }
  /** The angle a usual strike of this stock shot comes down at, degrees; null where none is known. */
  descentDeg: (cell: ChartCell) => number | null
  moved: readonly Compared[]
  said: ReadonlyMap<string, Remarks>
  trusted: Trusted
  flyers: ReadonlyMap<string, FlyerCount>
}

export interface FactsInput {
  player: NeutralPlayer
  /** As they are read: with the coach's written numbers. */
  grid: GridFit
  chart: CarryChart
  /** As the balls have them, for what has moved; the same where nothing is written. */
  byBalls?: AsRead
  /** What was added to each carry, by `cellKey`, metres, where the chart is read by total. */
  runs?: ReadonlyMap<string, number>
  withinM: number
  goodEnough: boolean
  cover?: CoverOptions
  /** Worked out already, of the same cells. */
  sides?: SidePattern
  words?: readonly CellRemark[]
  published?: PublishedNumbers
  /** Balls hit in practice that do not count for the chart. */
  practice?: readonly PracticeLeave[]
  memo?: Memo
}

function trustedBalls(
  { shots }: NeutralPlayer,
  said: ReadonlyMap<string, Remarks>,
  published: PublishedNumbers | undefined,
): Trusted {
  if (!published) return { offsM: [] }
  const numbers = new Map(published.cells.map(cell => [cellKey(cell), cell.carryM]))
  return {
    offsM: shots
      .filter(shot => shot.leftOut === null && shot.balls === 1 && shot.hitAtMs > published.publishedAtMs)
      .flatMap(shot => {
        const numberM = said.get(cellKey(shot))?.written?.carryM ?? numbers.get(cellKey(shot))
        return numberM === undefined || numberM === null ? [] : [shot.carryM - numberM]
      }),
  }
}

function countSides({ shots }: NeutralPlayer): GapFacts['sidesCounted'] {
  const measured = shots.filter(shot => shot.leftOut === null && shot.sideM !== undefined)
  return { balls: measured.length, right: measured.filter(shot => shot.sideM! > 0).length }
}

/** Fewer balls, or sides, tell nothing of a scatter. */
const LEAST_BALLS = 8

function acrossOf(sides: readonly number[], usual: number): LongerScatter['across'] {
  if (sides.length < LEAST_BALLS) return null
  const middle = sides.reduce((sum, side) => sum + side, 0) / sides.length
  const squares = sides.reduce((sum, side) => sum + (side - middle) ** 2, 0)
  const degrees = SIDE.priorBalls + sides.length - 1
  return { times: Math.sqrt((SIDE.priorBalls * usual ** 2 + squares) / degrees) / usual, degrees }
}

function longerScatters({ shots, level }: NeutralPlayer, grid: GridFit, chart: CarryChart): LongerScatter[] {
  const piles = groupByCell(shots.filter(shot => shot.leftOut === null && shot.balls === 1))
  return chart.flatMap((cell): LongerScatter[] => {
    const fit = grid.plain.get(cellKey(cell))
    if (!fit || !cell.plain || cell.kind !== 'measured' || cell.balls < LEAST_BALLS) return []
    const sides = (piles.get(cellKey(cell)) ?? []).flatMap(({ sideM, carryM }) =>
      sideM === undefined ? [] : [sideM / carryM],
    )
    const times = (fit.spread * Math.sqrt(fit.looseness[0]!)) / SPREAD_OF_LEVEL[level]
    const across = acrossOf(sides, SIDE_OF_LEVEL[level])
    return [{ clubId: cell.clubId, rungId: cell.rungId, along: { times, degrees: fit.degrees }, across }]
  })
}

const plus = (carryM: number | null, runM: number) => (carryM === null ? null : carryM + runM)

/** What is believed of a carry, as a total: the same run goes with it. */
function saidByTotal(said: ReadonlyMap<string, Remarks>, runs: ReadonlyMap<string, number>): Map<string, Remarks> {
  return new Map(
    [...said].map(([key, remarks]) => {
      const { believed } = remarks
      const runM = runs.get(key) ?? 0
      if (!believed) return [key, remarks]
      const { carryM, carryToM = null } = believed
      return [
        key,
        { ...remarks, believed: { ...believed, carryM: plus(carryM, runM), carryToM: plus(carryToM, runM) } },
      ]
    }),
  )
}

/** All that the rules look at, worked out once. */
export function gapFacts({
  player,
  grid,
  chart,
  byBalls = { grid, chart },
  runs = new Map(),
  withinM,
  goodEnough,
  cover,
  words = [],
  published,
  practice = [],
  sides: known,
  memo = newMemo(),
}: FactsInput): GapFacts {
  const { bag, level, nowMs } = player
  const sides = known ?? sidesOfGrid(player.shots, grid)
  const said = remarksAt(words, nowMs)
  const lofts = new Map(bag.clubs.map(club => [club.id, club.loftDeg]))
  const before = published?.cells.map((cell): Before => ({
    clubId: cell.clubId,
    rungId: cell.rungId,
    carryM: cell.modelM,
    lnVariance: cell.lnVariance,
  }))
  const runOf = (cell: StockShot) => runs.get(cellKey(cell)) ?? 0
  const odds = oddsOf(grid)
  const aim = aimed(sides, cover?.aimedStraight ?? false)
  return {
    ladder: withStepDoubt(buildLadder(chart), odds.stepPlusMinusM),
    chart,
    odds,
    bag,
    level,
    nowMs,
    withinM,
    goodEnough,
    sides,
    sidesCounted: countSides(player),
    scatter: playerScatter(grid, aim),
    ownScatter: byCell(() => ownScatters(player.shots, grid, aim, sides, practice)),
    said: runs.size === 0 ? said : saidByTotal(said, runs),
    cover: chartCover(chart, grid, sides, { ...cover, unit: 'yd' }),
    longer: longerScatters(player, grid, chart),
    spread: { ln: grid.fit.spread, degrees: grid.fit.degrees },
    descentDeg: cell =>
      cell.carryM === null ? null : descentDeg(lofts.get(cell.clubId) ?? 0, cell.carryM - runOf(cell), memo),
    moved: before
      ? compareCharts({ ...byBalls, player }, before, published!.publishedAtMs).map(one => ({
          ...one,
          fromM: plus(one.fromM, runOf(one)),
          toM: plus(one.toM, runOf(one)),
        }))
      : [],
    trusted: trustedBalls(player, said, published),
    flyers: flyerCounts(player, grid),
  }
}
