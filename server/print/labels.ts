import type { PublishedChart } from '../../core/history/published'
import type { DistanceUnit } from '../../core/units'
import { cellOf, readFigure } from '../../core/history/hand-over'
import { LABEL_SHEETS, type LabelSheetId } from '../../shared/label-sheets'
import { Pen, type Inks } from './pen'

export interface LabelOptions {
  sheet: LabelSheetId
  unit: DistanceUnit
  inks: Inks
  skip: number
}

/**
 * One label for the shaft of each club that has a number: the club, then its swing lengths with their carries, longest
 * first. On strips, cut lines stand round each.
 * @param skip labels already used up on the first sheet
 */
export async function labelsPdf(chart: PublishedChart, { sheet, unit, inks, skip }: LabelOptions): Promise<Buffer> {
  const {
    pageMm: [pageWidth, pageHeight],
    columns,
    rows,
    labelMm: [width, height],
    leftMm,
    topMm,
    pitchMm: [across, down],
    cut,
  } = LABEL_SHEETS[sheet]
  const pen = await Pen.open(`Shaft labels, chart ${chart.number}`, [pageWidth, pageHeight], inks)
  const at = cellOf(chart)
  const clubs = chart.clubs.flatMap(club => {
    const numbers = chart.swings.flatMap(swing =>
      at(club.id, swing.id)?.carry ? [{ swing: swing.label, cell: at(club.id, swing.id)! }] : [],
    )
    return numbers.length > 0 ? [{ club, numbers }] : []
  })
  const perPage = columns * rows
  let page = -1
  clubs.forEach(({ club, numbers }, i) => {
    const place = i + skip
    if (Math.floor(place / perPage) !== page) {
      page = Math.floor(place / perPage)
      pen.page()
    }
    const x = leftMm + (place % columns) * across
    const y = topMm + Math.floor((place % perPage) / columns) * down
    const inset = 2
    if (cut) pen.box(x, y, width, height, { widthMm: 0.1 })
    const one = numbers.length
    const tall = height >= 18
    // Tall labels stack the swings under the club; strips set them in a row beside it.
    const clubWidth = tall ? width - 2 * inset : Math.min(20, width * 0.2)
    pen.text(club.label, x + inset, y + (tall ? 4.6 : height / 2 + 1.4), {
      face: 'heavy',
      sizeMm: tall ? 3.8 : 4.2,
      widthMm: clubWidth - 8,
    })
    pen.text(
      chart.totalOn ? `${unit} total` : unit,
      tall ? x + width - inset : x + inset + clubWidth - 7,
      y + (tall ? 4.6 : height / 2 + 1.4),
      { sizeMm: 2.2, align: tall ? 'right' : 'left', colour: inks.soft },
    )
    const left = tall ? x + inset : x + inset + clubWidth
    const perRow = tall ? Math.min(one, Math.max(1, Math.floor((width - 2 * inset) / 15))) : one
    const wide = (tall ? width - 2 * inset : width - 2 * inset - clubWidth) / perRow
    const lines = Math.ceil(one / perRow)
    const line = tall ? (height - 7) / lines : height
    numbers.forEach(({ swing, cell }, n) => {
      const cx = left + ((n % perRow) + 0.5) * wide
      const base = tall ? y + 6 + (Math.floor(n / perRow) + 0.5) * line : y + height / 2
      const size = Math.min(tall ? 8 : 6.2, line * 0.5)
      pen.text(swing, cx, base - size * 0.18, {
        sizeMm: Math.min(2.3, line * 0.3),
        align: 'centre',
        widthMm: wide - 1,
        colour: inks.soft,
      })
      const drawn = pen.text(String(readFigure(cell, unit)), cx, base + size * 0.72, {
        face: cell.kind === 'predicted' ? 'slanted' : 'heavy',
        sizeMm: size,
        align: 'centre',
        widthMm: wide - 1,
      })
      if (cell.kind === 'written')
        pen.line(drawn.xMm, base + size * 0.72 + 0.5, drawn.xMm + drawn.widthMm, base + size * 0.72 + 0.5, {
          colour: inks.ink,
          widthMm: 0.3,
        })
    })
  })
  if (clubs.length === 0) pen.page()
  return pen.finish()
}
