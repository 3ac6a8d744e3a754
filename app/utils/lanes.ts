/** A phone's width has less room for all that stands at the left. */
const NARROW_PX = 500

/**
 * Room for the labels at the left of the lanes and of the cover below them, so that their yards stand above each
 * other.
 */
export const laneLabelPx = (widthPx: number): number => (widthPx < NARROW_PX ? 52 : 78)
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
