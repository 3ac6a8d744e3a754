import { cellKey, isGridClub, isStruckOut, rungsInUse, type Bag, type Club, type StockShot } from '../bag/bag'
import type { CarryChart, ChartCell } from '../chart/chart-cell'
import { asRead } from '../chart/as-read'
import { fitByTotal, pileByTotal, runOf } from '../chart/as-total'
import { fitGrid, type GridFit } from '../chart/grid-fit'
import type { Firmness } from '../flight/run-out'
import type { NeutralPlayer } from '../shot/player-shots'
import { cellEstimate } from '../model/estimate'
import type { Fit } from '../model/fit'
import { pileOf } from '../chart/pile'
import { groupByCell } from '../shot/by-cell'
import { newMemo, type Memo } from '../memo'
import { exp, ln } from '../stats/exact'
import { sidesOfGrid } from '../chart/sides'
import type { SidePattern } from '../model/side'
import { rungFractions, type Rung } from '../swing/scale'
import { bends, MADE_LOFTS, type WhatIf } from './thought-of'

const unownedId = (loftDeg: number) => `loft ${loftDeg}`

/** One fit of the player's balls over all clubs and swing lengths that may come to be thought of. */
export interface Layout {
  player: NeutralPlayer
  grid: GridFit
  sides: SidePattern
  /** Swing lengths of `grid` that the player does not have. */
  newRungs: Rung[]
  /** The player aims at the target, whatever the usual miss to one side. */
  aimedStraight: boolean
  /** Written by the coach, by `cellKey`, metres. */
  numbers: ReadonlyMap<string, number>
  /** What each row of `grid` has of run, metres, where all is read by total. */
  runs: readonly number[] | null
  memo: Memo
}

/** A swing length between each two neighbours, and one below the shortest: what could be added. */
export function possibleRungs(bag: Bag): WhatIf['newRungs'] {
  const inUse = new Set(rungsInUse(bag).map(rung => rung.id))
  const all = rungFractions(bag.scale)
    .map(({ fraction }, i) => ({ rung: bag.scale.rungs[i]!, fraction }))
    .filter(({ rung }) => inUse.has(rung.id) && rung.flight === 'normal')
    .sort((a, b) => a.fraction - b.fraction)
  return all.map(({ rung, fraction }, i) => {
    const below = all[i - 1]
    const share = below ? (below.fraction + fraction) / 2 : fraction * SHORTER
    return {
      id: `new ${rung.id}`,
      label: below ? `between ${below.rung.label} and ${rung.label}` : `shorter than ${rung.label}`,
      fraction: share,
    }
  })
}
const SHORTER = 0.75

export interface LayoutOptions {
  aimedStraight?: boolean
  numbers?: ReadonlyMap<string, number>
  totalOn?: Firmness
}

/**
 * Fits a player's record together with every whole loft, every loft of the bag, and the swing lengths that could be
 * added.
 * Cells nobody has hit take nothing from those that were, so the player's own numbers stay what they are.
 * @param options how the numbers are read, as in `calibrate`; `numbers` are the coach's own, by `cellKey`, metres
 */
export function layOut(
  player: NeutralPlayer,
  memo: Memo = newMemo(),
  { aimedStraight = false, numbers = new Map(), totalOn }: LayoutOptions = {},
): Layout {
  const { bag } = player
  const own = bag.clubs.filter(isGridClub)
  const lofts = [...new Set([...MADE_LOFTS, ...own.flatMap(club => [club.loftDeg, ...bends(club.loftDeg)])])].sort(
    (a, b) => b - a,
  )
  const unowned = lofts.map((loftDeg): Club => ({
    id: unownedId(loftDeg),
    label: unownedId(loftDeg),
    name: '',
    loftDeg,
    retired: false,
  }))
  // Where a length's share of full is not known, the shares are spread evenly over all of them: one more would move
  // them.
  const areKnown = rungFractions(bag.scale).every(one => one.known)
  const newRungs = !areKnown
    ? []
    : possibleRungs(bag).map((rung): Rung => ({
        id: rung.id,
        label: rung.label,
        cue: '',
        flight: 'normal',
        fraction: rung.fraction,
        retired: false,
      }))
  const grid = fitGrid({
    ...player,
    bag: {
      ...bag,
      clubs: [...bag.clubs, ...unowned],
      scale: { ...bag.scale, rungs: [...bag.scale.rungs, ...newRungs] },
      struckOut: [],
    },
  })
  const { grid: read } = asRead([], grid, numbers)
  const loftOf = new Map([...own, ...unowned].map(club => [club.id, club.loftDeg]))
  const runs = totalOn
    ? read.cells.map((cell, row) => runOf(loftOf.get(cell.clubId)!, exp(read.fit.mean[row]!), totalOn, memo))
    : null
  return {
    player,
    grid: runs ? { ...read, fit: fitByTotal(read.fit, runs) } : read,
    sides: sidesOfGrid(player.shots, grid),
    newRungs,
    aimedStraight,
    numbers,
    runs,
    memo,
  }
}

/** Doubt of what bending does, as a share of it in ln carry. From memory: lie and bounce change too. */
const BEND_DOUBT = 0.25

/** One cell of a what-if: which row of the big fit it is read from, and by how much its ln carry is moved. */
export interface Placed extends StockShot {
  row: number
  shift: number
  extraVariance: number
  bent: boolean
  owned: boolean
}

/**
 * Where each cell of a what-if is read from.
 * @throws RangeError for a club or swing length that the layout does not have
 */
export function place({ grid, player }: Layout, whatIf: WhatIf): Placed[] {
  const row = (clubId: string, rungId: string) => {
    const found = grid.indexOf.get(cellKey({ clubId, rungId }))
    if (found === undefined) throw new RangeError(`"${clubId}" with "${rungId}" cannot be worked out`)
    return found
  }
  const owned = new Map(player.bag.clubs.map(club => [club.id, club]))
  return whatIf.clubs.flatMap(club =>
    whatIf.rungs.map((rungId): Placed => {
      const own = club.from === null ? undefined : owned.get(club.from)
      const at = { clubId: club.id, rungId, owned: own !== undefined }
      if (!own) return { ...at, row: row(unownedId(club.loftDeg), rungId), shift: 0, extraVariance: 0, bent: false }
      // What a degree does to this player: by the lofts beside it, the club's own ways kept.
      const shift =
        own.loftDeg === club.loftDeg
          ? 0
          : grid.fit.mean[row(unownedId(club.loftDeg), rungId)]! - grid.fit.mean[row(unownedId(own.loftDeg), rungId)]!
      return { ...at, row: row(own.id, rungId), shift, extraVariance: (BEND_DOUBT * shift) ** 2, bent: shift !== 0 }
    }),
  )
}

/** The rows of a fit that a what-if has, moved as it says. */
function picked(fit: Fit, placed: readonly Placed[], moved: ReadonlyMap<string, number>): Fit {
  const n = fit.mean.length
  const size = placed.length
  const covariance = new Float64Array(size * size)
  placed.forEach((a, i) =>
    placed.forEach((b, j) => {
      covariance[i * size + j] = fit.covariance[a.row * n + b.row]! + (i === j ? a.extraVariance : 0)
    }),
  )
  const of = (values: Float64Array) => Float64Array.from(placed, one => values[one.row]!)
  return {
    ...fit,
    covariance,
    looseness: of(fit.looseness),
    cellDegrees: of(fit.cellDegrees),
    information: new Float64Array(size * size),
    mean: Float64Array.from(placed, one =>
      moved.has(cellKey(one)) ? ln(moved.get(cellKey(one))!) : fit.mean[one.row]! + one.shift,
    ),
  }
}

/**
 * The grid and chart of a what-if: bent and unowned clubs are predicted, what is owned and as it was keeps its balls.
 */
export function chartOf(
  layout: Layout,
  whatIf: WhatIf,
): { bag: Bag; grid: GridFit; chart: CarryChart; sides: SidePattern; runs: ReadonlyMap<string, number> } {
  const { player, grid: whole } = layout
  const placed = place(layout, whatIf)
  const moved = new Map(whatIf.moved.map(one => [cellKey(one), one.carryM]))
  const cells = placed.map(({ clubId, rungId }) => ({ clubId, rungId }))
  const known = new Map([...player.bag.scale.rungs, ...layout.newRungs].map(rung => [rung.id, rung]))
  const bag: Bag = {
    clubs: [
      ...player.bag.clubs.filter(club => !isGridClub(club)),
      ...whatIf.clubs.map(({ id, label, loftDeg }) => ({ id, label, name: '', loftDeg, retired: false })),
    ],
    scale: { ...player.bag.scale, rungs: whatIf.rungs.map(id => ({ ...known.get(id)!, retired: false })) },
    struckOut: whatIf.struckOut,
  }
  const grid: GridFit = {
    ...whole,
    cells,
    indexOf: new Map(cells.map((cell, i) => [cellKey(cell), i])),
    fit: picked(whole.fit, placed, moved),
    apart: undefined,
    need: cells.map(cell => (isStruckOut(bag, cell) ? 0 : 1)),
  }
  const groups = groupByCell(player.shots)
  const fromOf = new Map(whatIf.clubs.map(club => [club.id, club.from]))
  const ownKey = ({ clubId, rungId }: StockShot) => cellKey({ clubId: fromOf.get(clubId)!, rungId })
  const chart = placed.map((one, i): ChartCell => {
    const own = one.owned && !one.bent ? (groups.get(ownKey(one)) ?? []) : []
    const pile = pileByTotal(pileOf(one, own), layout.runs?.[one.row] ?? 0)
    const { carryM, certainty80M, window80M } = cellEstimate(grid.fit, i)
    const kind = isStruckOut(bag, one) ? 'struck-out' : pile.balls > 0 ? 'measured' : 'predicted'
    const written = one.owned && !one.bent && layout.numbers.has(ownKey(one))
    return {
      ...pile,
      kind,
      plain: false,
      carryM,
      certainty80M: written && pile.balls === 0 ? null : certainty80M,
      window80M,
      leansOn: null,
      ...(written && { written: true as const, ballsM: null }),
    }
  })
  const of = (values: readonly number[]) => placed.map(one => values[one.row]!)
  return {
    bag,
    grid,
    chart,
    sides: { ...layout.sides, bias: of(layout.sides.bias), variance: of(layout.sides.variance) },
    runs: new Map(layout.runs ? placed.map(one => [cellKey(one), layout.runs![one.row]!]) : []),
  }
}
