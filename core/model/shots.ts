import { ln } from '../stats/exact'
import { MODEL } from './constants'
import { ballShares, pileShares, SUSPECT_SHARES, USUAL_SHARES, type BadKind, type Shares } from './kinds'
import { pileExtent } from './pile-extent'

/** One ball, or the middle of a pile, in neutral air. */
export interface ModelShot {
  /** Index into the cells. */
  cell: number
  carryM: number
  /** Standard deviation of the way it was measured, metres. */
  measSdM: number
  balls: number
  /** The coach says that it counts: it is taken as clean. */
  counts?: boolean
  /** What its strike or its spin makes likelier than usual. */
  suspect?: BadKind
  /** Of a pile: its length along the line of flight, front to back, metres. */
  extentM?: number
}

export interface ModelSession {
  /** Whole days since any fixed day. */
  day: number
  /** What is common to this session's balls: form, mat, balls, way of measuring; sd of ln carry. Default 0.012. */
  daySd?: number
  shots: readonly ModelShot[]
}

/** True when a shot can be taken into the fit: its cell is there and its carry is possible. */
export function canBeFitted(shot: ModelShot, cells: number): boolean {
  return (
    Number.isFinite(shot.carryM) &&
    shot.carryM >= MODEL.leastCarryM &&
    shot.carryM <= MODEL.mostCarryM &&
    shot.cell >= 0 &&
    shot.cell < cells
  )
}

/** A session as the fit goes over it: its shots column by column, and what the last round made of them. */
export interface SessionColumns {
  day: number
  daySd: number
  /** Hit cells, ascending, and what the session says of each. */
  cells: Int32Array
  precision: Float64Array
  weighted: Float64Array
  /** Mean and variance of ln carry that day of each hit cell; noise of one ball of it, and its growth factor. */
  mean: Float64Array
  variance: Float64Array
  own: Float64Array
  growth: Float64Array
  inverseCarry2: Float64Array
  started: boolean
  /** Per shot: its place among the hit cells, ln carry, measuring variance in m², share of one ball's scatter. */
  at: Int32Array
  y: Float64Array
  measured2: Float64Array
  pileShare: Float64Array
  single: Uint8Array
  counts: Uint8Array
  marks: (BadKind | undefined)[]
  balls: Int32Array
  shares: Shares[]
  /** Probability that it is a mishit; 0 for one that counts by the coach's word. */
  mishit: Float64Array
  /** Per shot: probability that it is clean, its site (precision p and p·y), and its likeliest fault. */
  clean: Float64Array
  siteP: Float64Array
  siteQ: Float64Array
  fault: Uint8Array
  /** What its site was made from: mean and variance of its cell without it, and how likely it was by them. */
  without: Float64Array
  withoutV: Float64Array
  likely: Float64Array
  /** Spread read off piles, per shot that has an extent. */
  extents: { shot: number; sd: number; degrees: number; readSd: number }[]
  /** Where each shot stands in the session as it was handed in. */
  source: Int32Array
}

/** What each shot may be, before its carry is looked at, of a player who mishits so often. */
export function setShares({ marks, balls, shares }: SessionColumns, mishitShare: number): void {
  const single = ballShares(mishitShare)
  const piles = new Map<number, Shares>()
  for (let k = 0; k < shares.length; k++) {
    const mark = marks[k]
    const n = balls[k]!
    if (n > 1 && !piles.has(n)) piles.set(n, pileShares(n, mishitShare))
    // A mark on a pile is said of the pile.
    shares[k] = mark !== undefined ? SUSPECT_SHARES[mark] : n > 1 ? piles.get(n)! : single
  }
}

/** Columns of one session; null when no shot of it can be taken. */
export function workOf(session: ModelSession, cells: number): SessionColumns | null {
  const source: number[] = []
  session.shots.forEach((shot, i) => {
    if (canBeFitted(shot, cells)) source.push(i)
  })
  if (source.length === 0) return null
  const shots = source.map(i => session.shots[i]!)
  const hit = Int32Array.from(new Set(shots.map(shot => shot.cell))).sort()
  const place = new Map([...hit].map((cell, i) => [cell, i]))
  const perCell = () => new Float64Array(hit.length)
  const perShot = (value: (shot: ModelShot) => number) => {
    const column = new Float64Array(shots.length)
    for (let i = 0; i < column.length; i++) column[i] = value(shots[i]!)
    return column
  }
  return {
    day: session.day,
    daySd: session.daySd ?? MODEL.daySd,
    cells: hit,
    precision: perCell(),
    weighted: perCell(),
    mean: perCell(),
    variance: perCell(),
    own: perCell(),
    growth: perCell(),
    inverseCarry2: perCell(),
    started: false,
    at: Int32Array.from(shots.map(shot => place.get(shot.cell)!)),
    y: perShot(shot => ln(shot.carryM)),
    measured2: perShot(shot => shot.measSdM * shot.measSdM),
    pileShare: perShot(shot => (shot.balls > 1 ? MODEL.pileFactor / shot.balls : 1)),
    single: Uint8Array.from(shots.map(shot => (shot.balls > 1 ? 0 : 1))),
    counts: Uint8Array.from(shots.map(shot => (shot.counts ? 1 : 0))),
    marks: shots.map(shot => shot.suspect),
    balls: Int32Array.from(shots.map(shot => shot.balls)),
    shares: shots.map(() => USUAL_SHARES),
    mishit: new Float64Array(shots.length),
    clean: perShot(() => 1),
    siteP: new Float64Array(shots.length),
    siteQ: new Float64Array(shots.length),
    fault: new Uint8Array(shots.length),
    without: new Float64Array(shots.length),
    withoutV: new Float64Array(shots.length),
    likely: new Float64Array(shots.length),
    extents: shots.flatMap((shot, i) => {
      const extent = shot.extentM === undefined ? null : pileExtent(shot.extentM, shot.balls, shot.measSdM)
      return extent === null ? [] : [{ shot: i, ...extent }]
    }),
    source: Int32Array.from(source),
  }
}

/** All that the rounds change of a session's columns. */
const JUDGED = [
  ...(['siteP', 'siteQ', 'clean', 'mishit', 'fault', 'without', 'withoutV', 'likely'] as const),
  ...(['precision', 'weighted', 'mean', 'variance', 'own', 'growth', 'inverseCarry2'] as const),
]

/** What the rounds have made of a session's shots: kept, and put back, while other explanations are tried. */
export type Judged = Pick<SessionColumns, (typeof JUDGED)[number]>

export const judgedOf = (work: SessionColumns): Judged => {
  const judged = { ...work }
  for (const column of JUDGED) judged[column] = work[column].slice() as Float64Array & Uint8Array
  return judged
}

export function putBack(work: SessionColumns, judged: Judged): void {
  for (const column of JUDGED) work[column].set(judged[column])
}

/** The shots of these cells as before the first round, as if they were clean; the others stay as they are. */
export function beginAnew(work: SessionColumns, cells: ReadonlySet<number>): void {
  work.started = false
  for (let k = 0; k < work.at.length; k++) {
    if (!cells.has(work.cells[work.at[k]!]!)) continue
    work.siteP[k] = 0
    work.siteQ[k] = 0
    work.clean[k] = 1
  }
}
