import { cellKey, type StockShot } from '../core/bag/bag'
import { plusMinusM, type CarryChart, type ChartCell } from '../core/chart/chart-cell'
import type { ShotRecord } from './session'

/** What a session taught, stock shot by stock shot. */
export interface Learned {
  /** Measured for the first time. */
  fresh: ChartCell[]
  /** Lies outside what was believed 8 times in 10 before. */
  moved: { cell: ChartCell, wasM: number, wasHalfM: number }[]
  /** Hit, and still not known well enough. */
  loose: ChartCell[]
}

/** @param before the chart without this session's balls; @param after with them; @param hit stock shots hit in it */
export function whatWasLearned(before: CarryChart, after: CarryChart, hit: readonly StockShot[], withinM: number): Learned {
  const was = new Map(before.map(cell => [cellKey(cell), cell]))
  const keys = new Set(hit.map(cellKey))
  const own = after.filter(cell => keys.has(cellKey(cell)) && cell.carryM !== null && cell.kind === 'measured')
  const learned: Learned = { fresh: [], moved: [], loose: [] }
  for (const cell of own) {
    const old = was.get(cellKey(cell))
    if (old?.kind !== 'measured') learned.fresh.push(cell)
    else if (old.carryM !== null && old.certainty80M && (cell.carryM! < old.certainty80M[0] || cell.carryM! > old.certainty80M[1])) learned.moved.push({ cell, wasM: old.carryM, wasHalfM: plusMinusM(old)! })
    if (plusMinusM(cell)! > withinM) learned.loose.push(cell)
  }
  return learned
}

/** Left-out balls and called strikes, how many of each, most first. @example "3 heavy, 1 swung long" */
export function oddBallsWords(balls: readonly Pick<ShotRecord, 'leftOut' | 'strike' | 'balls' | 'taken'>[]): string {
  const counts = new Map<string, number>()
  const add = (why: string, n: number) => n > 0 && counts.set(why, (counts.get(why) ?? 0) + n)
  for (const { leftOut, strike, balls: n, taken } of balls) {
    const why = leftOut ?? (strike && strike !== 'clean' ? strike : null)
    if (why) add(why, n)
    add('not put into a pile', taken?.mishits ?? 0)
  }
  return [...counts].sort((a, b) => b[1] - a[1] || a[0].localeCompare(b[0])).map(([why, n]) => `${n} ${why}`).join(', ')
}

/** "1 h 20 min". */
export function lastedWords(fromMs: number, toMs: number): string {
  const minutes = Math.max(1, Math.round((toMs - fromMs) / 60_000))
  const hours = Math.floor(minutes / 60)
  return hours === 0 ? `${minutes} min` : minutes % 60 === 0 ? `${hours} h` : `${hours} h ${minutes % 60} min`
}
