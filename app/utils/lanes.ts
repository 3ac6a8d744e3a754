/**
 * Room for the labels at the left of the lanes and of the cover below them, so that their yards stand above each
 * other.
 */
export const LANE_LABEL_PX = 78

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
