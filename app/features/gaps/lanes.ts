import { clubsInUse, type Bag, type Club } from '#core/bag/bag'
import type { CarryChart, ChartCell } from '#core/chart/chart-cell'

/** A phone's width has less room for all that stands at the left. */
const NARROW_PX = 500

/**
 * Room for the labels at the left of the lanes and of the cover below them, so that their yards stand above each
 * other.
 */
export const laneLabelPx = (widthPx: number): number => (widthPx < NARROW_PX ? 52 : 78)
/** What is left free between a lane's label and the lanes. */
export const LANE_LABEL_GAP_PX = 8

/**
 * A club's label in as many lines as its room asks for: between words, within a word only where it is too long.
 * @param widthOf pixels that a text takes
 * @example linesWithin('lob wedge', 5, text => text.length) // => ['lob', 'wedge']
 */
export function linesWithin(label: string, roomPx: number, widthOf: (text: string) => number): string[] {
  const lines: string[] = []
  for (const word of label.split(' ')) {
    const joined = lines.length > 0 ? `${lines.at(-1)} ${word}` : word
    if (lines.length > 0 && widthOf(joined) <= roomPx) lines[lines.length - 1] = joined
    else lines.push(...piecesWithin(word, roomPx, widthOf))
  }
  return lines
}

function piecesWithin(word: string, roomPx: number, widthOf: (text: string) => number): string[] {
  const pieces = ['']
  for (const letter of word) {
    const longer = pieces.at(-1)! + letter
    if (pieces.at(-1) !== '' && widthOf(longer) > roomPx) pieces.push(letter)
    else pieces[pieces.length - 1] = longer
  }
  return pieces
}

/** Lanes are as high as they may be for all of them to be seen at once, and no lower than two figures need. */
const LANES_PX = { desk: 330, phone: 285 }
const LANE_PX = { least: 54, most: 64 }
const AXIS_PX = 50
/** Height of so many lanes with their axis: known before they are drawn, so that nothing moves when they are. */
export function lanesHeightPx(lanes: number, isPhone: boolean): number {
  const room = isPhone ? LANES_PX.phone : LANES_PX.desk
  return AXIS_PX + lanes * Math.min(LANE_PX.most, Math.max(LANE_PX.least, room / Math.max(1, lanes)))
}

/** The clubs that have a lane: those in use with a stock shot that has a number, most loft first. */
export function laneClubs(bag: Bag, chart: CarryChart): Club[] {
  const shown = new Set(chart.filter(hasLane).map(cell => cell.clubId))
  return clubsInUse(bag).filter(club => shown.has(club.id))
}
export const hasLane = (cell: ChartCell): boolean =>
  cell.carryM !== null && (cell.kind !== 'unhit' || cell.written === true)

/** What is left free at the right, for half of the last figure. */
export const LANE_RIGHT_PX = 10

export type FlagMarkKind = 'hole' | 'overlap' | 'weak' | 'finding'

/** A flag's place in the picture, with the number that stands on its card. */
export interface FlagMark {
  number: number
  kind: FlagMarkKind
  title: string
  fromM: number
  toM: number
  /** `cellKey` of the stock shots it speaks of. */
  cells: readonly string[]
  sure: boolean
}

/** The yard that is pointed at, as a line through a chart. */
export function drawCursor(
  ctx: CanvasRenderingContext2D,
  x: number,
  { top, bottom }: { top: number; bottom: number },
  colour: string,
): void {
  ctx.setLineDash([])
  ctx.strokeStyle = colour
  ctx.lineWidth = 1
  ctx.beginPath()
  ctx.moveTo(x, top)
  ctx.lineTo(x, bottom)
  ctx.stroke()
}
