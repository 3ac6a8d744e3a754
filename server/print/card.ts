import type { PublishedCell, PublishedChart } from '../../core/history/published'
import type { DistanceUnit } from '../../core/units'
import { airOfChartText, figuresText } from '../../words/published'
import { cellOf, inAir, inOrder, readFigure, type HomeAir } from '../../core/history/hand-over'
import { dayText } from '../../words/dates'
import { stockShotName } from '../../words/stock-shot'
import { Pen, type Inks } from './pen'

export const CARD_SIZES = { card: [85.6, 53.98], a6: [105, 148] } as const satisfies Record<
  string,
  readonly [number, number]
>
export type CardSize = keyof typeof CARD_SIZES

export interface CardOptions {
  size: CardSize
  unit: DistanceUnit
  inks: Inks
  home: HomeAir | null
}

interface Area {
  x: number
  y: number
  width: number
  height: number
}

/** Letters no smaller than this are read at arm's length; our choice, about 5.5 points. */
const LEAST_MM = 1.9

function number(
  pen: Pen,
  cell: PublishedCell,
  unit: DistanceUnit,
  x: number,
  y: number,
  width: number,
  size: number,
): void {
  const written = pen.text(String(readFigure(cell, unit)), x, y, {
    face: cell.kind === 'predicted' ? 'slanted' : 'heavy',
    sizeMm: size,
    align: 'centre',
    widthMm: width,
    colour: cell.kind === 'predicted' ? pen.inks.soft : pen.inks.ink,
  })
  if (cell.kind === 'written')
    pen.line(written.xMm, y + 0.7, written.xMm + written.widthMm, y + 0.7, { colour: pen.inks.ink, widthMm: 0.35 })
}

/** The grid, as on the screen: clubs across, the longest swing on top. */
function grid(pen: Pen, chart: PublishedChart, unit: DistanceUnit, { x, y, width, height }: Area): void {
  const sideWidth = Math.min(17, width * 0.2)
  const head = 4.6
  const column = (width - sideWidth) / Math.max(1, chart.clubs.length)
  const row = Math.min(12, (height - head) / Math.max(1, chart.swings.length))
  const size = Math.min(5.6, row * 0.62)
  const at = cellOf(chart)
  chart.clubs.forEach((club, i) =>
    pen.text(club.label, x + sideWidth + (i + 0.5) * column, y + head - 1.4, {
      face: 'bold',
      sizeMm: 3,
      align: 'centre',
      widthMm: column - 1,
    }),
  )
  chart.swings.forEach((swing, r) => {
    const top = y + head + r * row
    pen.text(swing.label, x, top + row / 2 + 1, {
      face: 'bold',
      sizeMm: Math.min(3, row * 0.5),
      widthMm: sideWidth - 1,
    })
    chart.clubs.forEach((club, i) => {
      const left = x + sideWidth + i * column
      const cell = at(club.id, swing.id)
      pen.box(left, top, column, row)
      if (cell?.carry) number(pen, cell, unit, left + column / 2, top + row / 2 + size * 0.35, column - 1.2, size)
      else if (cell?.kind === 'struck-out')
        pen.line(left + 1, top + row - 1, left + column - 1, top + 1, { colour: pen.inks.soft, widthMm: 0.3 })
      else
        pen.text('–', left + column / 2, top + row / 2 + 0.8, { sizeMm: 2.4, align: 'centre', colour: pen.inks.soft })
    })
  })
}

/** Stock shots by their carry, longest first, in as many columns as they need. */
function ladder(pen: Pen, chart: PublishedChart, unit: DistanceUnit, { x, y, width, height }: Area): void {
  const cells = inOrder(chart, unit)
  const columns = [1, 2, 3].find(n => height / Math.ceil(cells.length / n) >= 4.4) ?? 3
  const rows = Math.max(1, Math.ceil(cells.length / columns))
  const row = Math.min(6.5, height / rows)
  const wide = width / columns
  const size = Math.min(4.2, row * 0.8)
  cells.forEach((cell, i) => {
    const left = x + Math.floor(i / rows) * wide
    const line = y + ((i % rows) + 0.75) * row
    number(pen, cell, unit, left + 5, line, 9, size)
    pen.text(stockShotName(cell.club, cell.swing), left + 11, line, {
      sizeMm: Math.min(2.9, row * 0.62),
      widthMm: wide - 12,
      colour: cell.kind === 'predicted' ? pen.inks.soft : pen.inks.ink,
    })
  })
}

function head(
  pen: Pen,
  player: string,
  chart: PublishedChart,
  unit: DistanceUnit,
  air: string,
  width: number,
  margin: number,
): void {
  pen.text(player, margin, margin + 2.6, { face: 'bold', sizeMm: 3, widthMm: width * 0.5 - margin })
  pen.text(figuresText(chart, unit), width - margin, margin + 2.6, {
    face: 'bold',
    sizeMm: 2.6,
    align: 'right',
    colour: pen.inks.accent,
    widthMm: width * 0.5 - margin,
  })
  pen.text(air, margin, margin + 5.8, { sizeMm: LEAST_MM, colour: pen.inks.soft, widthMm: width * 0.62 })
  pen.text(`No. ${chart.number}, ${dayText(chart.publishedAtMs)}`, width - margin, margin + 5.8, {
    sizeMm: LEAST_MM,
    align: 'right',
    colour: pen.inks.soft,
  })
  pen.line(margin, margin + 7, width - margin, margin + 7, { colour: pen.inks.accent, widthMm: 0.5 })
}

const LEGEND = 'slanted: predicted   underlined: written by the coach   crossed: not used'

/**
 * A card for the pocket: the grid on one side, the shots by their carry on the other; with a home air the first side is
 * in that air, and says so. An A6 sheet for the yardage book has both on one side, and the coach's note.
 */
export async function cardPdf(
  player: string,
  chart: PublishedChart,
  { size, unit, inks, home }: CardOptions,
): Promise<Buffer> {
  const [width, height] = CARD_SIZES[size]
  const margin = size === 'card' ? 3.2 : 7
  const pen = await Pen.open(`Carry chart ${chart.number}`, [width, height], inks)
  const top = margin + 8.6
  const area: Area = { x: margin, y: top, width: width - 2 * margin, height: height - top - margin - 2.4 }
  const foot = (text: string) =>
    pen.text(text, margin, height - margin + 0.6, { sizeMm: LEAST_MM, colour: inks.soft, widthMm: width - 2 * margin })
  const homeWords = home && `home air: ${home.tempC} °C, calm, ${home.altitudeM} m up`
  const local = home && inAir(chart, home)
  if (size === 'card') {
    pen.page()
    head(pen, player, chart, unit, homeWords ?? airOfChartText(chart), width, margin)
    grid(pen, local ?? chart, unit, area)
    foot(LEGEND)
    pen.page()
    head(pen, player, chart, unit, airOfChartText(chart), width, margin)
    if (home) grid(pen, chart, unit, area)
    else ladder(pen, chart, unit, area)
    foot(chart.note || `Where the ball ${chart.totalOn ? 'stops' : 'pitches'}. The next retest makes a new card.`)
    return pen.finish()
  }
  pen.page()
  head(pen, player, chart, unit, homeWords ?? airOfChartText(chart), width, margin)
  const gridHeight = Math.min(area.height * 0.5, 5 + chart.swings.length * 11)
  grid(pen, local ?? chart, unit, { ...area, height: gridHeight })
  const below: Area = { ...area, y: top + gridHeight + 5, height: area.height - gridHeight - 9 }
  pen.text(home ? airOfChartText(chart) : chart.totalOn ? 'By total' : 'By carry', margin, top + gridHeight + 3.4, {
    face: 'bold',
    sizeMm: 2.6,
    widthMm: area.width,
  })
  if (home) grid(pen, chart, unit, below)
  else ladder(pen, chart, unit, below)
  if (chart.note) pen.text(chart.note, margin, height - margin - 2.4, { sizeMm: 2.4, widthMm: area.width })
  foot(LEGEND)
  return pen.finish()
}
