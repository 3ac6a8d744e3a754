import type { PublishedChart } from '#core/history/published'
import type { DistanceUnit } from '#core/units'
import { airOfChartText, figuresText } from '#words/published'
import { cellOf, readFigure } from '#core/history/hand-over'
import { dayText } from '#words/dates'

const SCALE = 2
const INK = '#1e2a3a'
const SOFT = '#5b6675'
const LINE = '#ddd6c8'
const PAPER = '#faf8f3'
const ACCENT = '#c8401a'
const [COLUMN, ROW, SIDE, HEAD, MARGIN] = [96, 74, 120, 112, 28]

/** The published chart as a picture to send, in the application's own letters. */
export async function chartPicture(player: string, chart: PublishedChart, unit: DistanceUnit): Promise<Blob> {
  const width = 2 * MARGIN + SIDE + Math.max(4, chart.clubs.length) * COLUMN
  const height = 2 * MARGIN + HEAD + chart.swings.length * ROW + 30
  const canvas = document.createElement('canvas')
  Object.assign(canvas, { width: width * SCALE, height: height * SCALE })
  const pen = canvas.getContext('2d')!
  const family = getComputedStyle(document.body).fontFamily
  const text = (
    words: string,
    x: number,
    y: number,
    {
      size,
      weight = 400,
      slant = '',
      colour = INK,
      align = 'left',
      most,
    }: { size: number; weight?: number; slant?: string; colour?: string; align?: CanvasTextAlign; most?: number },
  ) => {
    pen.font = `${slant} ${weight} ${size}px ${family}`
    pen.fillStyle = colour
    pen.textAlign = align
    pen.fillText(words, x, y, most)
    return pen.measureText(words).width
  }
  await document.fonts.ready
  pen.scale(SCALE, SCALE)
  pen.fillStyle = PAPER
  pen.fillRect(0, 0, width, height)
  text(player, MARGIN, MARGIN + 24, { size: 28, weight: 700, most: width - 2 * MARGIN })
  text(`${figuresText(chart, unit)}, ${airOfChartText(chart)}`, MARGIN, MARGIN + 50, {
    size: 17,
    colour: SOFT,
    most: width - 2 * MARGIN - 200,
  })
  text(`No. ${chart.number}, ${dayText(chart.publishedAtMs)}`, width - MARGIN, MARGIN + 50, {
    size: 17,
    colour: SOFT,
    align: 'right',
  })
  pen.fillStyle = ACCENT
  pen.fillRect(MARGIN, MARGIN + 62, width - 2 * MARGIN, 3)
  const top = MARGIN + HEAD
  chart.clubs.forEach((club, i) =>
    text(club.label, MARGIN + SIDE + i * COLUMN + 10, top - 10, { size: 20, weight: 700, most: COLUMN - 14 }),
  )
  const at = cellOf(chart)
  chart.swings.forEach((swing, r) => {
    const y = top + r * ROW
    text(swing.label, MARGIN, y + ROW / 2 + 7, { size: 20, weight: 700, most: SIDE - 10 })
    chart.clubs.forEach((club, i) => {
      const x = MARGIN + SIDE + i * COLUMN
      const cell = at(club.id, swing.id)
      pen.strokeStyle = LINE
      pen.lineWidth = 1.5
      pen.fillStyle = cell?.carry ? '#ffffff' : PAPER
      pen.fillRect(x, y, COLUMN, ROW)
      pen.strokeRect(x, y, COLUMN, ROW)
      if (!cell?.carry)
        return void text(cell?.kind === 'struck-out' ? 'not used' : '–', x + 10, y + ROW / 2 + 5, {
          size: 15,
          colour: SOFT,
        })
      const wide = text(String(readFigure(cell, unit)), x + 10, y + 40, {
        size: 34,
        weight: cell.kind === 'predicted' ? 400 : 800,
        slant: cell.kind === 'predicted' ? 'italic' : '',
        colour: cell.kind === 'predicted' ? SOFT : INK,
      })
      if (cell.kind === 'written') {
        pen.fillStyle = INK
        pen.fillRect(x + 10, y + 45, wide, 2.5)
      }
      text(cell.plusMinus ? `± ${cell.plusMinus[unit]}` : cell.kind, x + 10, y + 63, { size: 15, colour: SOFT })
    })
  })
  text(
    'Slanted: predicted. Underlined: written by the coach. ±: 8 times in 10 the number is off by no more.',
    MARGIN,
    height - MARGIN + 6,
    { size: 15, colour: SOFT, most: width - 2 * MARGIN },
  )
  return new Promise((done, fail) =>
    canvas.toBlob(blob => (blob ? done(blob) : fail(new Error('This browser could not make a picture.'))), 'image/png'),
  )
}
