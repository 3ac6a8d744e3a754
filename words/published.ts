import { inOrder, readFigure } from '../core/history/hand-over'
import { WELL_PREDICTED_M } from '../core/history/published'
import type { PublishedCell, PublishedChart, PublishedWhich } from '../core/history/published'
import { limitWithUnit, type DistanceUnit } from '../core/units'
import { dayText } from './dates'
import { HELD_BACK, PUBLISHED, PUBLISHED_WHICH_WORDS } from './en/published'
import { write } from './message'
import { stockShotName } from './stock-shot'

/** What the figures are: "Carry in yards", "Total in yards, medium ground". */
export function figuresText({ totalOn }: PublishedChart, unit: DistanceUnit): string {
  const figures = write(PUBLISHED.figures, { total: totalOn ? 'yes' : 'no', unit })
  return totalOn ? write(PUBLISHED.onGround, { figures, ground: totalOn }) : figures
}

/** Which air the numbers are of. */
export function airOfChartText(chart: PublishedChart): string {
  return write(chart.air === 'neutral' ? PUBLISHED.neutral : PUBLISHED.asMeasured)
}

function lineText(cell: PublishedCell, unit: DistanceUnit): string {
  const line = write(PUBLISHED.line, {
    figure: `${readFigure(cell, unit)} ${unit}`,
    name: stockShotName(cell.club, cell.swing),
  })
  if (cell.kind === 'written') return write(PUBLISHED.written, { line })
  return cell.kind === 'predicted' ? write(PUBLISHED.predicted, { line }) : line
}

/** The chart as text to send: longest first, one line each. */
export function sentText(player: string, chart: PublishedChart, unit: DistanceUnit): string {
  const number = String(chart.number)
  const title = chart.totalOn
    ? write(PUBLISHED.totals, { ground: chart.totalOn, number })
    : write(PUBLISHED.chart, { number })
  const head = write(PUBLISHED.head, {
    player,
    chart: title,
    day: dayText(chart.publishedAtMs),
    air: airOfChartText(chart),
  })
  return [head, ...inOrder(chart, unit).map(cell => lineText(cell, unit)), ...(chart.note ? [chart.note] : [])].join(
    '\n',
  )
}

export const publishedWhichTexts: Record<PublishedWhich, string> = PUBLISHED_WHICH_WORDS

/** How many numbers stay empty, and why; '' where none does. */
export function heldBackText(n: number, which: PublishedWhich, unit: DistanceUnit): string {
  if (n === 0) return ''
  const limit = limitWithUnit(WELL_PREDICTED_M, unit)
  return write(which === 'measured' ? HELD_BACK.measured : HELD_BACK.wide, { n, limit })
}
