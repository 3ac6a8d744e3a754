import { color } from 'chart.js/helpers'
import type { ChartCell } from '#core/chart/chart-cell'

/** Inks of the page, for a canvas. */
export interface LaneInk {
  ink: string
  soft: string
  hairline: string
  raised: string
}

/** One stock shot in its lane, in pixels. */
export interface Patch {
  cell: ChartCell
  /** Where 8 clean balls in 10 land, and the number; null where nobody knows how it scatters. */
  left: number
  right: number
  at: number
  /** How well the number is known; null for the coach's word. */
  known: [number, number] | null
  middle: number
  number: string
  written: boolean
  /** From 0 for the shortest swing to 1 for the longest. */
  solidity: number
}

const PATCH_HALF_PX = 11
const RING_PX = 8
const CROSS_PX = 7
const KNOWN_BELOW_PX = 15
const NUMBER_BELOW_PX = 18
const NUMBER_ABOVE_PX = -26
const DISC_PX = 9
/** The wider of the two that a number is drawn in. */
const FIGURE_FONT = '700 15px "Overpass Variable", sans-serif'

/** From the paper to the ink: how solid a mark is. */
const shade = (ink: LaneInk, solidity: number) =>
  color(ink.ink)
    .mix(color(ink.raised), solidity * 0.88)
    .rgbString()

/** Where the balls pitch, as they lie: a patch. Predicted: no ball has been hit, so a ring. Struck out: crossed. */
export function drawPatch(ctx: CanvasRenderingContext2D, ink: LaneInk, patch: Patch, picked: boolean): void {
  const { cell, left, right, at, middle, solidity } = patch
  ctx.lineWidth = 1.5
  ctx.strokeStyle = cell.kind === 'struck-out' ? ink.hairline : ink.ink
  if (cell.kind === 'measured' || cell.kind === 'struck-out') {
    ctx.beginPath()
    ctx.ellipse((left + right) / 2, middle, Math.max(4, (right - left) / 2), PATCH_HALF_PX, 0, 0, 2 * Math.PI)
    ctx.fillStyle = shade(ink, solidity)
    if (cell.kind === 'measured') ctx.fill()
    ctx.stroke()
  } else {
    ctx.beginPath()
    ctx.arc(at, middle, RING_PX, 0, 2 * Math.PI)
    ctx.setLineDash(patch.written ? [] : [3, 3])
    ctx.stroke()
    ctx.setLineDash([])
  }
  if (cell.kind === 'struck-out') {
    ctx.strokeStyle = ink.ink
    ctx.beginPath()
    for (const way of [-1, 1]) {
      ctx.moveTo(at - CROSS_PX, middle - way * CROSS_PX)
      ctx.lineTo(at + CROSS_PX, middle + way * CROSS_PX)
    }
    ctx.stroke()
  } else if (patch.known) {
    ctx.lineWidth = 2.5
    ctx.beginPath()
    ctx.moveTo(patch.known[0], middle + KNOWN_BELOW_PX)
    ctx.lineTo(patch.known[1], middle + KNOWN_BELOW_PX)
    ctx.stroke()
  }
  if (!picked) return
  ctx.lineWidth = 2.5
  ctx.strokeStyle = ink.ink
  ctx.strokeRect(Math.min(left, at - RING_PX) - 4, middle - 16, Math.max(right - left, 2 * RING_PX) + 8, 32)
}

/** The number below its patch, or above where another stands; a written one is underlined, a predicted one slants. */
export function drawNumber(ctx: CanvasRenderingContext2D, ink: LaneInk, patch: Patch, above: boolean): void {
  const { cell, at, middle, number, written } = patch
  const known = cell.kind === 'measured' || written
  const y = middle + (above ? NUMBER_ABOVE_PX : NUMBER_BELOW_PX)
  ctx.font = `${known ? '700' : 'italic 500'} 15px "Overpass Variable", sans-serif`
  ctx.fillStyle = known ? ink.ink : ink.soft
  ctx.fillText(number, at, y)
  if (!written) return
  const { width } = ctx.measureText(number)
  ctx.fillRect(at - width / 2, y + 15, width, 2)
}

/** Room that a figure needs of its own, beside half of itself. */
const FIGURE_ROOM_PX = 3

type Row = [left: number, right: number][]

/** One lane's figures: below the patches, else above them, else none: what has no room is told by the readout. */
export interface LaneRows {
  below: Row
  above: Row
  discs: Row
}

/** Lower than this a lane's figures below stand where those above the next one would. */
const APART_PX = 60

/** Rows of so many lanes, from the top. */
export function rowsOfLanes(lanes: number, laneHeightPx: number): LaneRows[] {
  const below: Row[] = Array.from({ length: lanes }, () => [])
  const above = (i: number): Row => (i > 0 && laneHeightPx < APART_PX ? below[i - 1]! : [])
  return below.map((row, i) => ({ below: row, above: above(i), discs: [] }))
}

const meets = (row: Row, [left, right]: [number, number]) => row.some(([a, b]) => left < b && right > a)

/** Where a patch's number has room; takes it. @returns null where it has none */
export function takeRoom(ctx: CanvasRenderingContext2D, rows: LaneRows, patch: Patch): 'below' | 'above' | null {
  ctx.font = FIGURE_FONT
  const half = ctx.measureText(patch.number).width / 2 + FIGURE_ROOM_PX
  const span: [number, number] = [patch.at - half, patch.at + half]
  const free = { below: !meets(rows.below, span), above: !meets(rows.above, span) && !meets(rows.discs, span) }
  const row = (['below', 'above'] as const).find(one => free[one]) ?? null
  if (row) rows[row].push(span)
  return row
}

/** Takes the room of a flag's disc in the row above the patches. */
export function takeDiscRoom(rows: LaneRows, patch: Patch): void {
  const { x } = discAt(patch)
  rows.discs.push([x - DISC_PX, x + DISC_PX])
}

const discAt = ({ right, at, middle }: Patch) => ({
  x: Math.max(right, at + RING_PX) - 2,
  y: middle - PATCH_HALF_PX,
})

/** The number of a flag that speaks of this stock shot, at the upper right of its patch. */
export function drawFlagNumber(
  ctx: CanvasRenderingContext2D,
  patch: Patch,
  number: number,
  colours: { fill: string; text: string },
): void {
  const { x, y } = discAt(patch)
  ctx.beginPath()
  ctx.arc(x, y, DISC_PX, 0, 2 * Math.PI)
  ctx.fillStyle = colours.fill
  ctx.fill()
  ctx.font = '800 12px "Overpass Variable", sans-serif'
  ctx.fillStyle = colours.text
  ctx.textBaseline = 'middle'
  ctx.fillText(String(number), x, y + 1)
  ctx.textBaseline = 'top'
}
