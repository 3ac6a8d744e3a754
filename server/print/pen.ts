import PDFDocument from 'pdfkit'

const POINTS_PER_MM = 72 / 25.4

/** Weights that are printed; `slanted` is for what is only predicted, as on the screen. */
const FACES = { normal: '400-normal', bold: '700-normal', heavy: '800-normal', slanted: '400-italic' } as const
export type Face = keyof typeof FACES

/** Letters beyond western Europe have a file of their own. */
const SETS = ['latin', 'latin-ext'] as const

export interface Inks {
  ink: string
  soft: string
  line: string
  accent: string
}
export const COLOUR: Inks = { ink: '#1e2a3a', soft: '#5b6675', line: '#c4bcac', accent: '#c8401a' }
export const BLACK: Inks = { ink: '#000000', soft: '#000000', line: '#777777', accent: '#000000' }

let files: Promise<Map<string, Buffer>> | undefined

async function readFaces(): Promise<Map<string, Buffer>> {
  const names = Object.values(FACES).flatMap(face => SETS.map(set => `${set}-${face}`))
  return new Map(
    await Promise.all(
      names.map(async (name): Promise<[string, Buffer]> => {
        const file = await useStorage('assets:fonts').getItemRaw<Uint8Array>(`overpass-${name}.woff`)
        if (!file) throw new Error(`The face ${name} is not in the build.`)
        return [name, Buffer.from(file)]
      }),
    ),
  )
}

interface TextOptions {
  face?: Face
  sizeMm: number
  colour?: string
  align?: 'left' | 'centre' | 'right'
  widthMm?: number
}

/** A document drawn in millimetres, with the application's own letters embedded. */
export class Pen {
  private constructor(
    private readonly doc: PDFKit.PDFDocument,
    private readonly sizeMm: [number, number],
    readonly inks: Inks,
  ) {}

  static async open(title: string, sizeMm: [number, number], inks: Inks): Promise<Pen> {
    const faces = await (files ??= readFaces())
    const doc = new PDFDocument({
      font: '',
      margin: 0,
      autoFirstPage: false,
      info: { Title: title, Creator: 'Uzzet', Producer: 'Uzzet' },
    })
    for (const [name, data] of faces) doc.registerFont(name, data)
    return new Pen(doc, sizeMm, inks)
  }

  page(): void {
    this.doc.addPage({ size: [this.sizeMm[0] * POINTS_PER_MM, this.sizeMm[1] * POINTS_PER_MM], margin: 0 })
  }

  /** The text in stretches that one file of the face can write; what none can is a question mark. */
  private stretches(text: string, face: Face): { font: string; text: string }[] {
    const out: { font: string; text: string }[] = []
    for (const letter of text.normalize('NFC')) {
      const set = SETS.find(name =>
        (
          this.doc.font(`${name}-${FACES[face]}`) as unknown as {
            _font: { font: { hasGlyphForCodePoint: (point: number) => boolean } }
          }
        )._font.font.hasGlyphForCodePoint(letter.codePointAt(0)!),
      )
      const font = `${set ?? 'latin'}-${FACES[face]}`
      const last = out.at(-1)
      if (last?.font === font) last.text += set ? letter : '?'
      else out.push({ font, text: set ? letter : '?' })
    }
    return out
  }

  private widthOf(stretches: readonly { font: string; text: string }[], sizeMm: number): number {
    return stretches.reduce(
      (sum, part) =>
        sum +
        this.doc
          .font(part.font)
          .fontSize(sizeMm * POINTS_PER_MM)
          .widthOfString(part.text) /
          POINTS_PER_MM,
      0,
    )
  }

  /** A text in lines that are no wider than this; a word that is wider stands alone. */
  broken(text: string, face: Face, sizeMm: number, widthMm: number): string[] {
    const lines: string[] = []
    for (const word of text.split(/\s+/).filter(Boolean)) {
      const longer = lines.length === 0 ? word : `${lines.at(-1)} ${word}`
      const fits = lines.length > 0 && this.widthOf(this.stretches(longer, face), sizeMm) <= widthMm
      if (fits) lines[lines.length - 1] = longer
      else lines.push(word)
    }
    return lines
  }

  /**
   * Writes one line; too long for its width, it is written smaller.
   * @param yMm the line that the letters stand on
   * @returns where it begins and how wide it is
   */
  text(
    text: string,
    xMm: number,
    yMm: number,
    { face = 'normal', sizeMm, colour = this.inks.ink, align = 'left', widthMm }: TextOptions,
  ): { xMm: number; widthMm: number; sizeMm: number } {
    const stretches = this.stretches(text, face)
    const wide = this.widthOf(stretches, sizeMm)
    const size = widthMm !== undefined && wide > widthMm ? (sizeMm * widthMm) / wide : sizeMm
    const width = (wide * size) / sizeMm
    const from = xMm + (align === 'left' ? 0 : align === 'right' ? -width : -width / 2)
    let at = from
    for (const part of stretches) {
      const long = this.widthOf([part], size)
      this.doc
        .font(part.font)
        .fontSize(size * POINTS_PER_MM)
        .fillColor(colour)
        .text(part.text, at * POINTS_PER_MM, yMm * POINTS_PER_MM, { lineBreak: false, baseline: 'alphabetic' })
      at += long
    }
    return { xMm: from, widthMm: width, sizeMm: size }
  }

  line(
    x1: number,
    y1: number,
    x2: number,
    y2: number,
    { colour = this.inks.line, widthMm = 0.2, dashMm }: { colour?: string; widthMm?: number; dashMm?: number } = {},
  ): void {
    this.doc
      .save()
      .lineWidth(widthMm * POINTS_PER_MM)
      .strokeColor(colour)
    if (dashMm) this.doc.dash(dashMm * POINTS_PER_MM, { space: dashMm * POINTS_PER_MM })
    this.doc
      .moveTo(x1 * POINTS_PER_MM, y1 * POINTS_PER_MM)
      .lineTo(x2 * POINTS_PER_MM, y2 * POINTS_PER_MM)
      .stroke()
      .restore()
  }

  box(x: number, y: number, width: number, height: number, { colour = this.inks.line, widthMm = 0.2 } = {}): void {
    this.doc
      .save()
      .lineWidth(widthMm * POINTS_PER_MM)
      .strokeColor(colour)
      .rect(x * POINTS_PER_MM, y * POINTS_PER_MM, width * POINTS_PER_MM, height * POINTS_PER_MM)
      .stroke()
      .restore()
  }

  /** The whole document as bytes. */
  finish(): Promise<Buffer> {
    return new Promise((done, fail) => {
      const parts: Buffer[] = []
      this.doc.on('data', (part: Buffer) => parts.push(part))
      this.doc.on('end', () => done(Buffer.concat(parts)))
      this.doc.on('error', fail)
      this.doc.end()
    })
  }
}
