import { strToU8, zipSync } from 'fflate'
import { FileFault, openFile } from '../../app/calculation/workers/import-file'
import { planImport } from '../../app/calculation/workers/importer'
import { writeShotTable } from '../../core/files/shot-table'
import { makeDice } from '../../devices/dice'
import { ImportLot } from '../../shared/schemas/session'
import { mutatedText } from './mutate'

const ID = '00000000-0000-7000-8000-000000000001'
const NOW_MS = Date.UTC(2026, 5, 20)
const bag = {
  clubs: [56, 50].map((loftDeg, i) => ({
    id: `00000000-0000-7000-8001-00000000000${i}`,
    label: `${loftDeg}°`,
    name: '',
    loftDeg,
    retired: false,
  })),
  scale: {
    school: 'clock' as const,
    rungs: ['9:00', 'full'].map((label, i) => ({
      id: `00000000-0000-7000-8002-00000000000${i}`,
      label,
      cue: '',
      flight: 'normal' as const,
      retired: false,
    })),
  },
  struckOut: [],
}

/** Tables as they come: our own, and those of devices. */
function tables(): string[] {
  const own = writeShotTable(
    Array.from({ length: 8 }, (_, i) => ({
      player: 'Pip',
      session: 's',
      hitAtMs: NOW_MS - 1e9 + i * 1e5,
      club: i % 2 ? '56°' : '50°',
      swing: i % 3 ? 'full' : '9:00',
      carryM: 60 + i,
      method: 'monitor' as const,
      balls: 1,
      strike: null,
      ball: 'own' as const,
      leftOut: null,
      asked: null,
      readings: { ballSpeedMs: 36, launchDeg: 30, spinRpm: 8000 },
      taken: i % 2 ? { lies: 'soft' as const, heightM: 1 } : null,
      air: null,
    })),
  )
  return [
    own,
    'Range report;;\r\nClub;Carry;Spin;Ball Speed\r\n;yd;rpm;mph\n56;72,5;8150;85\n50;90;7900;95\n',
    'club,swing,carry yd,date\n56,full,72,04/05/2026 10:00\n50,9:00,70,05/05/2026 11:00\n',
    'club\tcarry (m)\toffline [m]\n"56"\t66.2\t3 R\n50\t80\tL2\n',
    'club,swing,carry_m,pile_front_m,pile_back_m,height_m,left_out\n56,full,70,65,75,2,"duff, fat"\n50,full,85,,,-3,\n',
  ]
}

/** The least workbook: see the importer's tests. */
function workbook(dice: ReturnType<typeof makeDice>, xml: string): Uint8Array<ArrayBuffer> {
  const head = '<?xml version="1.0" encoding="UTF-8"?>'
  const types = 'application/vnd.openxmlformats-officedocument.spreadsheetml'
  const relations = 'http://schemas.openxmlformats.org/officeDocument/2006/relationships'
  const main = 'http://schemas.openxmlformats.org/spreadsheetml/2006/main'
  const zip = zipSync({
    '[Content_Types].xml': strToU8(
      `${head}<Types xmlns="http://schemas.openxmlformats.org/package/2006/content-types"><Default ` +
        `Extension="rels" ContentType="application/vnd.openxmlformats-package.relationships+xml"/><Override PartName="/xl/workbook.xml" ContentType="${types}.sheet.main+xml"/></Types>`,
    ),
    '_rels/.rels': strToU8(
      `${head}<Relationships xmlns="http://schemas.openxmlformats.org/package/2006/relationships"><Relationship ` +
        `Id="rId1" Type="${relations}/officeDocument" Target="xl/workbook.xml"/></Relationships>`,
    ),
    'xl/workbook.xml': strToU8(
      `${head}<workbook xmlns="${main}" xmlns:r="${relations}"><sheets><sheet ` +
        `name="Shots" sheetId="1" r:id="rId1"/></sheets></workbook>`,
    ),
    'xl/_rels/workbook.xml.rels': strToU8(
      `${head}<Relationships xmlns="http://schemas.openxmlformats.org/package/2006/relationships"><Relationship ` +
        `Id="rId1" Type="${relations}/worksheet" Target="worksheets/sheet1.xml"/></Relationships>`,
    ),
    'xl/worksheets/sheet1.xml': strToU8(`${head}<worksheet xmlns="${main}"><sheetData>${xml}</sheetData></worksheet>`),
  })
  const bytes = new Uint8Array(zip) as Uint8Array<ArrayBuffer>
  // Now and then a byte of the zip itself.
  if (dice.uniform() < 0.3) bytes[Math.floor(dice.uniform() * bytes.length)]! ^= 1 << Math.floor(dice.uniform() * 8)
  return bytes
}

const SHEET =
  '<row r="1"><c r="A1" t="inlineStr"><is><t>Club</t></is></c><c r="B1" t="inlineStr"><is><t>Carry ' +
  '(m)</t></is></c></row><row r="2"><c r="A2" t="inlineStr"><is><t>56°</t></is></c><c r="B2"><v>66.2</v></c></row>'

export interface FileReport {
  files: number
  read: number
  refused: number
  crashed: string[]
  notTaken: string[]
  slowestMs: number
  slowest: string
}

/**
 * Opens and plans files that are changed at random, seeded. A file is read or refused in words; what is planned is
 * what the door takes.
 */
export async function fuzzFiles(count: number, seed: number): Promise<FileReport> {
  const dice = makeDice(seed)
  const report: FileReport = { files: 0, read: 0, refused: 0, crashed: [], notTaken: [], slowestMs: 0, slowest: '' }
  for (; report.files < count; report.files++) {
    const text = mutatedText(dice.pick(tables()), dice)
    const bytes =
      dice.uniform() < 0.12
        ? workbook(dice, mutatedText(SHEET, dice))
        : (new TextEncoder().encode(text) as Uint8Array<ArrayBuffer>)
    const from = performance.now()
    try {
      const { table, mapping } = await openFile('fuzz.csv', bytes)
      const { sessions, shots } = planImport(
        table,
        {
          mapping,
          clubs: {},
          swings: {},
          swing: bag.scale.rungs[0]!.id,
          dateMs: NOW_MS - 43_200_000,
          ball: 'own',
          surface: 'grass',
          indoors: false,
        },
        bag,
        ID,
        new Set(),
        NOW_MS,
      )
      report.read += 1
      const taken = ImportLot.safeParse({ sessions: sessions.slice(0, 500), shots: shots.slice(0, 500) })
      if (!taken.success)
        report.notTaken.push(
          `${taken.error.issues[0]!.path.join('.')}: ` +
            `${taken.error.issues[0]!.message} in ${JSON.stringify(text.slice(0, 300))}`,
        )
    } catch (error) {
      if (error instanceof FileFault) report.refused += 1
      else report.crashed.push(`${(error as Error).stack?.slice(0, 300)} in ${JSON.stringify(text.slice(0, 300))}`)
    }
    const ms = performance.now() - from
    if (ms > report.slowestMs) [report.slowestMs, report.slowest] = [ms, JSON.stringify(text.slice(0, 120))]
  }
  return report
}
