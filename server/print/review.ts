import { dayText } from '../../words/dates'
import type { Review } from '../../words/review'
import { Pen, type Inks } from './pen'

/** A4, ISO 216. */
const SIZE_MM: [number, number] = [210, 297]
const MARGIN_MM = 15
const WIDTH_MM = SIZE_MM[0] - 2 * MARGIN_MM
const FOOT_MM = 16
const BODY_MM = 3.1
const LINE_MM = 4.5
const COLUMNS = 2
const GUTTER_MM = 8

/** Writes from top to bottom, and goes on on another page where one is full. */
class Flow {
  y = 0
  constructor(private readonly pen: Pen) {
    this.page()
  }
  private page(): void {
    this.pen.page()
    this.y = MARGIN_MM + 4
  }
  room(mm: number): void {
    if (this.y + mm > SIZE_MM[1] - FOOT_MM) this.page()
  }
  heading(text: string): void {
    this.room(14)
    this.y += 4
    this.pen.text(text, MARGIN_MM, this.y, { face: 'bold', sizeMm: 4.2 })
    this.y += LINE_MM + 1.2
  }
  paragraph(text: string, { bold = false, indentMm = 0 } = {}): void {
    const face = bold ? 'bold' : 'normal'
    for (const line of this.pen.broken(text, face, BODY_MM, WIDTH_MM - indentMm)) {
      this.room(LINE_MM)
      this.pen.text(line, MARGIN_MM + indentMm, this.y, { face, sizeMm: BODY_MM })
      this.y += LINE_MM
    }
  }
}

function numbers(pen: Pen, flow: Flow, { numbers: { rows }, unit, fromMs, toMs }: Review): void {
  const each = Math.ceil(rows.length / COLUMNS)
  const wide = (WIDTH_MM - GUTTER_MM) / COLUMNS
  const row = 5
  flow.room((each + 1) * row)
  const top = flow.y
  Array.from({ length: COLUMNS }, (_, column) => {
    const own = rows.slice(column * each, (column + 1) * each)
    if (own.length === 0) return
    const x = MARGIN_MM + column * (wide + GUTTER_MM)
    const [then, now] = [x + wide * 0.5, x + wide * 0.64]
    const soft = { sizeMm: 2.5, colour: pen.inks.soft }
    pen.text(dayText(fromMs).replace(/ \d{4}$/, ''), then, top, { ...soft, align: 'right' })
    pen.text(`${dayText(toMs).replace(/ \d{4}$/, '')}, ${unit}`, now + 4, top, { ...soft, align: 'right' })
    own.forEach(({ name, then: was, now: is, said, moved }, i) => {
      const y = top + (i + 1) * row
      pen.text(name, x, y, { sizeMm: BODY_MM, widthMm: wide * 0.4, face: moved ? 'bold' : 'normal' })
      pen.text(was, then, y, { sizeMm: BODY_MM, align: 'right', colour: pen.inks.soft })
      pen.text(is, now, y, { sizeMm: 3.6, align: 'right', face: 'heavy' })
      pen.text(said, now + 4, y, { sizeMm: 2.5, widthMm: wide * 0.3, colour: moved ? pen.inks.accent : pen.inks.soft })
      pen.line(x, y + 1.5, x + wide, y + 1.5)
    })
  })
  flow.y = top + (each + 1) * row
}

/** The coach's review of a period on a page of A4, so that it can be handed to the player as it is. */
export async function reviewPdf(review: Review, inks: Inks): Promise<Buffer> {
  const { player, fromMs, toMs, flags, practice, rounds, next } = review
  const pen = await Pen.open(`${player}, ${dayText(fromMs)} to ${dayText(toMs)}`, SIZE_MM, inks)
  const flow = new Flow(pen)
  pen.text(player, MARGIN_MM, flow.y, { face: 'heavy', sizeMm: 7, widthMm: WIDTH_MM * 0.6 })
  pen.text(`${dayText(fromMs)} to ${dayText(toMs)}`, MARGIN_MM + WIDTH_MM, flow.y, { sizeMm: 3.4, align: 'right' })
  pen.line(MARGIN_MM, flow.y + 3, MARGIN_MM + WIDTH_MM, flow.y + 3, { colour: inks.accent, widthMm: 0.6 })
  flow.y += 7
  flow.heading('What to do next')
  next.forEach(({ title, why }, i) => {
    flow.paragraph(`${i + 1}. ${title}`, { bold: true })
    flow.paragraph(why, { indentMm: 5 })
  })
  flow.heading('The numbers')
  flow.paragraph(review.numbers.lead)
  if (review.numbers.rows.length > 0) numbers(pen, flow, review)
  flow.heading('Flags')
  for (const { title, lines } of flags) {
    if (title) flow.paragraph(title, { bold: true })
    for (const line of lines) flow.paragraph(line, { indentMm: title ? 5 : 0 })
  }
  flow.heading('Practice')
  for (const line of practice) flow.paragraph(line)
  flow.heading('Rounds')
  for (const line of rounds) flow.paragraph(line)
  return pen.finish()
}
