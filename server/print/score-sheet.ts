import { MOST_AT_ONE, ballsOf } from '../../core/practice/next-task'
import type { DrillSpec } from '../../core/practice/drill-spec'
import { mixedPlaces } from '../../core/practice/draw'
import { drillTexts, namesOfGo, taskHead, taskMore, type PracticeNames } from '../../words/practice'
import { Pen, type Inks } from './pen'

/** A4, ISO 216. */
const SIZE_MM: [number, number] = [210, 297]
const MARGIN_MM = 15
const HEAD_MM = 42
const FOOT_MM = 14
const MOST_ROW_MM = 9
const COLUMNS = 2

/** Places of tasks in the order they are asked; where good ones decide it, each task has the rows it may need. */
export function sheetPlaces({ tasks, ballsEach, order, seed, ...spec }: DrillSpec): number[] {
  const all = ballsOf({ tasks, ballsEach, order, seed, ...spec })
  if (order === 'mixed') return mixedPlaces(seed, tasks.length, ballsEach).slice(0, all)
  const each = order === 'in turn' ? ballsEach : MOST_AT_ONE
  return tasks.flatMap((_, place) => Array.from({ length: each }, () => place)).slice(0, all)
}

/** A blank sheet for a go on paper: what is asked, ball by ball, and room for what came of it. One page. */
export async function scoreSheetPdf(
  player: string,
  title: string,
  spec: DrillSpec,
  names: PracticeNames,
  inks: Inks,
): Promise<Buffer> {
  const [width, height] = SIZE_MM
  const called = namesOfGo(spec, names)
  const pen = await Pen.open(`${title}, a score sheet`, SIZE_MM, inks)
  pen.page()
  const wide = { widthMm: width - 2 * MARGIN_MM }
  pen.text(title, MARGIN_MM, 20, { face: 'heavy', sizeMm: 7, ...wide })
  pen.text(`${player}        Date                         Wind`, MARGIN_MM, 27, { sizeMm: 3.6, ...wide })
  pen.text(drillTexts(spec.drill).how, MARGIN_MM, 33, { sizeMm: 3, colour: inks.soft, ...wide })
  const places = sheetPlaces(spec)
  const rows = Math.max(1, Math.ceil(places.length / COLUMNS))
  const row = Math.min(MOST_ROW_MM, (height - HEAD_MM - FOOT_MM) / rows)
  const size = Math.min(4.4, row * 0.55)
  const column = (width - 2 * MARGIN_MM) / COLUMNS
  places.forEach((place, i) => {
    const x = MARGIN_MM + Math.floor(i / rows) * column
    const y = HEAD_MM + ((i % rows) + 0.7) * row
    const task = spec.tasks[place]!
    pen.text(String(i + 1), x + 6, y, { sizeMm: size * 0.7, align: 'right', colour: inks.soft })
    pen.text(taskHead(task, called), x + 8, y, { face: 'heavy', sizeMm: size, widthMm: 20 })
    pen.text(taskMore(task, called), x + 29, y, { sizeMm: size * 0.7, colour: inks.soft, widthMm: column - 62 })
    pen.box(x + column - 31, y - row * 0.6, 14, row * 0.78)
    pen.box(x + column - 16, y - row * 0.6, 10, row * 0.78)
  })
  const unit = names.unit === 'yd' ? 'yards' : 'metres'
  pen.text(`First box: what came of it, ${unit}. Second: left or right, or a tick.`, MARGIN_MM, height - 7, {
    sizeMm: 2.8,
    colour: inks.soft,
    ...wide,
  })
  return pen.finish()
}
