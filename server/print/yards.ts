import type { PublishedChart } from '../../core/history/published'
import type { YardPick } from '../../core/pick/sweep'
import type { DistanceUnit } from '../../core/units'
import { dayText } from '../../words/dates'
import { howText, pickName } from '../../words/pick'
import { Pen, type Inks } from './pen'

/** A5, ISO 216: it lies in the yardage book. */
const SIZE_MM: [number, number] = [148, 210]
const MARGIN_MM = 9
const HEAD_MM = 20
const FOOT_MM = 12
const COLUMNS = 3
/** Letters no smaller are read at arm's length. */
const MOST_ROW_MM = 5.2

/**
 * What to hit from where: one page, every yard or metre of a stretch, with the stock shot and how much more or less of
 * it. In neutral air, on medium ground, with nothing about the flag.
 */
export async function yardsPdf(
  player: string,
  chart: PublishedChart,
  yards: readonly YardPick[],
  { unit, inks }: { unit: DistanceUnit; inks: Inks },
): Promise<Buffer> {
  const [width, height] = SIZE_MM
  const pen = await Pen.open(`What to hit from where, chart ${chart.number}`, SIZE_MM, inks)
  pen.page()
  pen.text(player, MARGIN_MM, 12, { face: 'heavy', sizeMm: 5, widthMm: width - 2 * MARGIN_MM })
  pen.text(
    `What to hit from where, ${unit === 'yd' ? 'yards' : 'metres'}. Chart no. ${chart.number}, ` +
      `${dayText(chart.publishedAtMs)}.`,
    MARGIN_MM,
    17,
    { sizeMm: 2.8, colour: inks.soft, widthMm: width - 2 * MARGIN_MM },
  )
  const rows = Math.max(1, Math.ceil(yards.length / COLUMNS))
  const row = Math.min(MOST_ROW_MM, (height - HEAD_MM - FOOT_MM) / rows)
  const size = Math.min(3.2, row * 0.68)
  const column = (width - 2 * MARGIN_MM) / COLUMNS
  yards.forEach(({ at, first }, i) => {
    const x = MARGIN_MM + Math.floor(i / rows) * column
    const y = HEAD_MM + ((i % rows) + 0.8) * row
    pen.text(String(at), x + 7, y, { face: 'heavy', sizeMm: size, align: 'right' })
    if (first) {
      const name = pen.text(pickName(first), x + 9, y, { face: 'bold', sizeMm: size, widthMm: column * 0.46 })
      pen.text(howText(first, unit), name.xMm + name.widthMm + 1.5, y, {
        sizeMm: size * 0.9,
        colour: inks.soft,
        widthMm: Math.max(4, column - 12 - name.widthMm),
      })
    }
    pen.line(x, y + row * 0.22, x + column - 3, y + row * 0.22, { widthMm: 0.1 })
  })
  pen.text(
    'To the flag, in neutral air, on medium ground; nothing about the flag. Wind, slope and trouble change it.',
    MARGIN_MM,
    height - 6,
    { sizeMm: 2.3, colour: inks.soft, widthMm: width - 2 * MARGIN_MM },
  )
  return pen.finish()
}
