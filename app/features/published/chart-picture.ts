import type { PublishedCell, PublishedChart } from '#core/history/published'
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

interface TextStyle {
  size: number
  weight?: number
  slant?: string
  colour?: string
  align?: CanvasTextAlign
  most?: number
}

/** Writes in the application's own letters. @returns how wide it came out */
function writer(pen: CanvasRenderingContext2D) {
  const family = getComputedStyle(document.body).fontFamily
  return (words: string, x: number, y: number, style: TextStyle): number => {
    const { size, weight = 400, slant = '', colour = INK, align = 'left', most } = style
    pen.font = `${slant} ${weight} ${size}px ${family}`
    pen.fillStyle = colour
    pen.textAlign = align
    pen.fillText(words, x, y, most)
    return pen.measureText(words).width
  }
}

/** One number with its ±; slanted where it is predicted, underlined where the coach wrote it. */
function drawCell(
  pen: CanvasRenderingContext2D,
  cell: PublishedCell | undefined,
  x: number,
  y: number,
  unit: DistanceUnit,
): void {
  const text = writer(pen)
  pen.strokeStyle = LINE
  pen.lineWidth = 1.5
  pen.fillStyle = cell?.carry ? '#ffffff' : PAPER
  pen.fillRect(x, y, COLUMN, ROW)
  pen.strokeRect(x, y, COLUMN, ROW)
  if (!cell?.carry) {
    text(cell?.kind === 'struck-out' ? 'not used' : '–', x + 10, y + ROW / 2 + 5, { size: 15, colour: SOFT })
    return
  }
  const predicted = cell.kind === 'predicted'
  const wide = text(String(readFigure(cell, unit)), x + 10, y + 40, {
    size: 34,
    weight: predicted ? 400 : 800,
    slant: predicted ? 'italic' : '',
    colour: predicted ? SOFT : INK,
  })
  if (cell.kind === 'written') {
    pen.fillStyle = INK
    pen.fillRect(x + 10, y + 45, wide, 2.5)
  }
  text(cell.plusMinus ? `± ${cell.plusMinus[unit]}` : cell.kind, x + 10, y + 63, { size: 15, colour: SOFT })
}

/** The published chart as a picture to send, in the application's own letters. */
export async function chartPicture(player: string, chart: PublishedChart, unit: DistanceUnit): Promise<Blob> {
  const width = 2 * MARGIN + SIDE + Math.max(4, chart.clubs.length) * COLUMN
  const height = 2 * MARGIN + HEAD + chart.swings.length * ROW + 30
  const canvas = document.createElement('canvas')
  Object.assign(canvas, { width: width * SCALE, height: height * SCALE })
  const pen = canvas.getContext('2d')!
  const text = writer(pen)
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
      drawCell(pen, at(club.id, swing.id), MARGIN + SIDE + i * COLUMN, y, unit)
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
