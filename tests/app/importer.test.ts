import fc from 'fast-check'
import { strToU8, unzipSync, zipSync } from 'fflate'
import { describe, expect, it } from 'vitest'
import { guessMapping, isUnitRow } from '../../core/files/column-guess'
import { readDate, tidyNumber, toCells, type Mapping } from '../../core/files/foreign-table'
import { straight } from '../../core/flight/deliver'
import { fly } from '../../core/flight/fly'
import { NEUTRAL } from '../../core/flight/air'
import { decode, FileFault, openFile, unpackedSize } from '../../app/calculation/workers/import-file'
import { planImport } from '../../app/calculation/workers/importer'
import { ballKey, guessChoice, SKIP, spreadOverDay, type ImportChoices } from '../../core/files/import-plan'
import { walkSheet, walkText } from '../../app/calculation/workers/table-bounds'

import { writeShotTable } from '../../core/files/shot-table'
import { rowFaultText } from '../../words/row-faults'
import { bagOf } from '../core/players'

const bytes = (text: string) => new TextEncoder().encode(text) as Uint8Array<ArrayBuffer>
const NOW_MS = Date.UTC(2026, 6, 1)
const PLAYER = '019e0000-0000-7000-8000-000000000001'
const BAG = bagOf({ '56°': 56, '50°': 50 }, ['9:00', 'full'])
const utc = (...[y, mo, d, h, mi, s]: [number, number, number, number, number, number]) =>
  Date.UTC(y, mo - 1, d, h, mi, s)
const choices = (mapping: Mapping, change: Partial<ImportChoices> = {}): ImportChoices => ({
  mapping,
  clubs: {},
  swings: {},
  swing: 'full',
  dateMs: Date.UTC(2026, 4, 4, 12),
  ball: 'own',
  surface: 'grass',
  indoors: false,
  ...change,
})

/** The least workbook that there is: one sheet, strings in their cells. (ECMA-376, Office Open XML.) */
function workbook(rows: (string | number)[][]): Uint8Array<ArrayBuffer> {
  const cell = (value: string | number, r: number, c: number) => {
    const at = `${String.fromCharCode(65 + c)}${r + 1}`
    return typeof value === 'number'
      ? `<c r="${at}"><v>${value}</v></c>`
      : `<c r="${at}" t="inlineStr"><is><t>${value}</t></is></c>`
  }
  const sheet = rows
    .map((row, r) => `<row r="${r + 1}">${row.map((value, c) => cell(value, r, c)).join('')}</row>`)
    .join('')
  const xml = (text: string) => strToU8(`<?xml version="1.0" encoding="UTF-8" standalone="yes"?>${text}`)
  const types = 'application/vnd.openxmlformats-officedocument.spreadsheetml'
  const rel = 'http://schemas.openxmlformats.org/officeDocument/2006/relationships'
  const main = 'http://schemas.openxmlformats.org/spreadsheetml/2006/main'
  return zipSync({
    '[Content_Types].xml': xml(
      `<Types xmlns="http://schemas.openxmlformats.org/package/2006/content-types"><Default Extension="rels" ` +
        `ContentType="application/vnd.openxmlformats-package.relationships+xml"/><Override PartName="/xl/workbook.xml" ContentType="${types}.sheet.main+xml"/><Override PartName="/xl/worksheets/sheet1.xml" ContentType="${types}.worksheet+xml"/></Types>`,
    ),
    '_rels/.rels': xml(
      `<Relationships xmlns="http://schemas.openxmlformats.org/package/2006/relationships"><Relationship ` +
        `Id="rId1" Type="${rel}/officeDocument" Target="xl/workbook.xml"/></Relationships>`,
    ),
    'xl/workbook.xml': xml(
      `<workbook xmlns="${main}" xmlns:r="${rel}"><sheets><sheet ` +
        `name="Shots" sheetId="1" r:id="rId1"/></sheets></workbook>`,
    ),
    'xl/_rels/workbook.xml.rels': xml(
      `<Relationships xmlns="http://schemas.openxmlformats.org/package/2006/relationships"><Relationship ` +
        `Id="rId1" Type="${rel}/worksheet" Target="worksheets/sheet1.xml"/></Relationships>`,
    ),
    'xl/worksheets/sheet1.xml': xml(`<worksheet xmlns="${main}"><sheetData>${sheet}</sheetData></worksheet>`),
  }) as Uint8Array<ArrayBuffer>
}

describe('what the columns of a file are', () => {
  it('is told by names and units, in brackets, behind, or in a row of their own', () => {
    expect(
      guessMapping(
        ['Club', 'Carry Distance (yds)', 'Offline [m]', 'Ball Speed mph', 'Spin Rate', 'Launch Angle', 'Notes'],
        [],
      ).columns,
    ).toEqual(['club', 'carry_yd', 'side_m', 'ball_speed_mph', 'spin_rpm', 'launch_deg', ''])
    const units = ['', 'm', 'm/s', 'rpm']
    expect(isUnitRow(units)).toBe(true)
    expect(guessMapping(['club', 'carry', 'ball speed', 'spin'], [], units).columns).toEqual([
      'club',
      'carry_m',
      'ball_speed_mps',
      'spin_rpm',
    ])
    expect(isUnitRow(['56°', '72', '70', '8000'])).toBe(false)
    // Our own table reads as itself; feet are left alone; nothing is taken twice.
    expect(guessMapping(['club', 'swing', 'carry_yd', 'spin_rpm', 'left_out'], []).columns).toEqual([
      'club',
      'swing',
      'carry_yd',
      'spin_rpm',
      'left_out',
    ])
    expect(guessMapping(['club', 'carry yd', 'Apex ft', 'Carry m'], []).columns).toEqual(['club', 'carry_yd', '', ''])
  })

  it('is told by the figures where names are silent: thousands are spin, and the flight tells yards from metres', () => {
    const balls = [30, 33, 36, 39, 42].map(speedMs => {
      const launch = straight(50, speedMs)
      return { ...launch, carryM: (fly(launch, NEUTRAL) as { carryM: number }).carryM }
    })
    const rows = (toUnit: number, speedOf: number) =>
      balls.map(b => [
        '50',
        (b.carryM / toUnit).toFixed(1),
        (b.speedMs / speedOf).toFixed(1),
        b.launchDeg.toFixed(1),
        b.spinRpm.toFixed(0),
      ])
    const headers = ['club', 'carry', 'ball speed', 'launch', 'turns']
    expect(guessMapping(headers, rows(0.9144, 0.44704))).toMatchObject({
      columns: ['club', 'carry_yd', 'ball_speed_mph', 'launch_deg', 'spin_rpm'],
      unsure: [],
    })
    expect(guessMapping(headers, rows(1, 1))).toMatchObject({
      columns: ['club', 'carry_m', 'ball_speed_mps', 'launch_deg', 'spin_rpm'],
      unsure: [],
    })
    expect(guessMapping(headers, rows(1, 1 / 3.6)).columns[2]).toBe('ball_speed_kmh')
    // Without launches it is asked.
    expect(
      guessMapping(
        ['club', 'carry'],
        [
          ['56', '72'],
          ['56', '74'],
        ],
      ),
    ).toMatchObject({ columns: ['club', 'carry_yd'], unsure: [1] })
  })

  it.each([
    ['72,4', '72.4'],
    ['1,234', '1234'],
    ['8 150', '8150'],
    ['4.2 R', '4.2'],
    ['L3', '-3'],
    ['3 Left', '-3'],
    ['72.4 yds', '72.4'],
    ['−5', '-5'],
    ['31°', '31'],
    ['far', 'far'],
    ['6,000 rpm', '6000'],
    ['110 m', '110'],
  ])('"%s" is tidied to "%s"', (text, tidy) => {
    expect(tidyNumber(text)).toBe(tidy)
  })

  it('dates are read as they are written, the day first unless the figures say otherwise', () => {
    expect(readDate('2026-05-04T17:30:00+02:00', true, utc)).toBe('2026-05-04T15:30:00.000Z')
    expect([
      readDate('04/05/2026 17:30', true, utc),
      readDate('04/05/2026 5:30 pm', false, utc),
      readDate('2026-05-04', true, utc),
    ]).toEqual(['2026-05-04T17:30:00.000Z', '2026-04-05T17:30:00.000Z', '2026-05-04T12:00:00.000Z'])
    expect([
      readDate('32/13/2026', true, utc),
      readDate('yesterday', true, utc),
      readDate('4.5.26', true, utc),
    ]).toEqual([null, null, '2026-05-04T12:00:00.000Z'])
    expect(guessMapping(['date', 'carry yd'], [['05/25/2026', '70']]).dayFirst).toBe(false)
    expect(guessMapping(['date', 'carry yd'], [['25/05/2026', '70']]).dayFirst).toBe(true)
  })
})

describe('a file', () => {
  it('is read past a preamble and a row of units, whatever its marks and line ends', async () => {
    const { table, mapping } = await openFile(
      'range.csv',
      bytes('Range report;;\r\nMade by hand;;\r\nClub;Carry;Spin\r;yd;rpm\n56;72,5;8150\r\n\r\n56;71;8000\n;;\n'),
    )
    expect(table).toMatchObject({ headers: ['Club', 'Carry', 'Spin'], lines: [5, 6, 7] })
    expect(mapping.columns).toEqual(['club', 'carry_yd', 'spin_rpm'])
    expect(table.rows.filter(row => row[0] !== '').map(row => toCells(row, mapping, utc).carry_yd)).toEqual([
      '72.5',
      '71',
    ])
    expect(decode(new Uint8Array([0xff, 0xfe, 0x35, 0, 0xb0, 0]))).toBe('5°')
    expect(decode(new Uint8Array([0x35, 0x36, 0xb0]))).toBe('56°')
  })

  it.each([
    ['nothing', new Uint8Array(0), /is empty/],
    ['one quotation mark too few', bytes('club,carry yd\n"56,70\n56,71\n'), /a quotation mark is left open/],
    ['names and no rows', bytes('club,carry yd\n'), /no row below them/],
    ['noise', new Uint8Array([1, 0, 2, 0, 3, 0, 0, 7]), /no table of text|no row with names/],
    ['a zip that is no spreadsheet', bytes('PK\x03\x04 and nothing more'), /damaged, or another kind of zip/],
    ['26 MB', new Uint8Array(26e6), /has 26 MB: at most 25 MB/],
    ['100,001 rows', bytes(`club,carry yd\n${'56,70\n'.repeat(100_001)}`), /100,001 rows: at most 100,000/],
  ])('of %s is refused with a sentence', async (_, content, words) => {
    await expect(openFile('x.csv', content as Uint8Array<ArrayBuffer>)).rejects.toThrow(words)
    await expect(openFile('x.csv', content as Uint8Array<ArrayBuffer>)).rejects.toBeInstanceOf(FileFault)
  })

  it('is taken apart where its names of columns say, whatever its clubs are called', async () => {
    const clubs = (csv: string) =>
      openFile('a.csv', bytes(csv)).then(({ table, mapping }) =>
        table.rows.map(row => row[mapping.columns.indexOf('club')]),
      )
    for (const [delimiter, other] of [
      [',', ';'],
      [';', ','],
      ['\t', ';'],
      ['|', ','],
    ] as const) {
      const line = (...cells: string[]) => cells.join(delimiter)
      const ball = line('', other, `${other} low`, '20', ...Array<string>(30).fill(''))
      const csv = [line('player', 'club', 'swing', 'carry_m', 'strike'), ball, line('', other, `${other} low`, '9')]
      expect(await clubs(csv.join('\n')), delimiter).toEqual([other, other])
    }
  })

  it('that would grow beyond measure is seen by its directory before it is unpacked', () => {
    // One entry that claims 4 GB: central directory (PKWARE APPNOTE 4.3.12) and its end (4.3.16).
    const zip = new DataView(new ArrayBuffer(68))
    zip.setUint32(0, 0x02014b50, true)
    zip.setUint32(24, 0xffffffff, true)
    zip.setUint32(46, 0x06054b50, true)
    zip.setUint16(56, 1, true)
    expect(unpackedSize(new Uint8Array(zip.buffer))).toBe(0xffffffff)
    expect(unpackedSize(bytes('no zip at all, and longer than its end could be'))).toBeNull()
  })

  it('that is a workbook reads like a table of text', async () => {
    const { table, mapping } = await openFile(
      'range.xlsx',
      workbook([
        ['Club', 'Carry (m)', 'Spin'],
        ['56°', 66.2, 8150],
        ['50°', 88, 7400],
      ]),
    )
    expect(mapping.columns).toEqual(['club', 'carry_m', 'spin_rpm'])
    expect(table.rows).toEqual([
      ['56°', '66.2', '8150'],
      ['50°', '88', '7400'],
    ])
    await expect(
      openFile('x.xlsx', zipSync({ 'readme.txt': strToU8('no workbook') }) as Uint8Array<ArrayBuffer>),
    ).rejects.toThrow(/This spreadsheet cannot be read/)
  })

  it('of any bytes gives a table or a sentence, never a crash', async () => {
    const line = fc
      .array(
        fc.oneof(
          fc.string(),
          fc.constantFrom('56°', '72', '=1+1', '"', '""', '\u0000', 'carry', 'club', '1e400', 'NaN'),
        ),
        { maxLength: 5 },
      )
      .map(cells => cells.join(','))
    const file = fc
      .array(line, { maxLength: 12 })
      .chain(lines => fc.constantFrom('\n', '\r\n', '\r').map(end => lines.join(end)))
    await fc.assert(
      fc.asyncProperty(
        fc.oneof(
          file.map(bytes),
          fc.uint8Array({ maxLength: 400 }).map(a => a as Uint8Array<ArrayBuffer>),
          file.map(text => bytes(`club,carry yd\n${text}`)),
        ),
        async content => {
          try {
            const { table, mapping } = await openFile('fuzz.csv', content)
            const { planned, shots } = planImport(table, choices(mapping), BAG, PLAYER, new Set(), NOW_MS)
            expect(planned.fresh).toBe(shots.length)
            for (const shot of shots) expect(shot.carryM > 0 && shot.carryM < 400 && shot.deleted).toBe(true)
          } catch (error) {
            expect(error).toBeInstanceOf(FileFault)
          }
        },
      ),
      { numRuns: 300 },
    )
    const { table } = await openFile('wide.csv', bytes(`club,carry yd\n56,70\n${'x'.repeat(1990)},71\n`))
    expect(table.rows[1]![0]!.length).toBeLessThanOrEqual(300)
  })
})

describe('a file that could hang the page', () => {
  const bounds = { rows: 1000, columns: 256, cells: 100_000, cellCharacters: 2000 }

  it.each([
    ['24 MB of quotation marks', '"'.repeat(24e6), 'quote', 4100],
    ['5 million semicolons', ';'.repeat(5e6), 'columns', 300],
    ['100,000 columns', Array.from({ length: 1e5 }, (_, i) => `c${i}`).join(','), 'columns', 2000],
    ['a cell of a million characters', `club\n${'x'.repeat(1e6)}`, 'cell', 2100],
    ['a million lines', '\n'.repeat(1e6), 'rows', 1100],
    ['a quotation mark that is never closed', `club,carry yd\n"56,70\n${'56,70\n'.repeat(50_000)}`, 'quote', 2100],
    ['many cells', `${'1,'.repeat(200)}\n`.repeat(600), 'cells', 250_000],
  ])('is refused after few steps: %s', (_, text, bound, most) => {
    const { beyond, steps } = walkText(text, bounds)
    expect(beyond?.bound).toBe(bound)
    expect(steps).toBeLessThan(most)
  })

  it.each([
    ['24 MB of quotation marks', '"'.repeat(24e6), /Line 1: a quotation mark is left open/],
    ['5 million semicolons', ';'.repeat(5e6), /more than 256 columns/],
    ['100,000 columns', ','.repeat(1e5), /more than 256 columns/],
    ['a million lines', 'a,b\n'.repeat(1e6), /more than 100,000 rows/],
    ['a long cell', `club,carry yd\n${'x'.repeat(1e5)},70`, /Line 2 has a cell of more than 2,000 characters/],
  ])('is refused in words: %s', async (_, text, words) => {
    await expect(openFile('x.csv', bytes(text))).rejects.toThrow(words)
  })

  it('is refused when one cell of a workbook lies far out, before its rows are built', async () => {
    const parts = (sheet: string) => strToU8(`<worksheet><sheetData>${sheet}</sheetData></worksheet>`)
    expect(
      walkSheet(
        parts('<row r="1"><c r="A1"><v>1</v></c></row><row r="1048576"><c r="XFD1048576"><v>1</v></c></row>'),
        bounds,
      ),
    ).toMatchObject({ beyond: { bound: 'rows', line: 1048576 } })
    expect(walkSheet(parts('<c r="A1"/><c r="ZZ1"/>'), bounds)).toMatchObject({
      beyond: { bound: 'columns' },
      steps: 2,
    })
    // A reference that lies across two slices is seen once.
    const padded = `${' '.repeat((1 << 20) - 30)}<c r="B1"/>`
    expect(walkSheet(strToU8(padded), bounds)).toEqual({ beyond: null, steps: 1 })
    const far = zipSync({
      ...unzipSync(
        workbook([
          ['club', 'carry yd'],
          ['56', 70],
        ]),
      ),
      'xl/worksheets/sheet1.xml': parts(
        '<row r="1"><c r="A1"><v>1</v></c></row><row r="1048576"><c r="XFD1048576"><v>1</v></c></row>',
      ),
    })
    await expect(openFile('far.xlsx', far as Uint8Array<ArrayBuffer>)).rejects.toThrow(/more than 100,000 rows/)
  })

  it('is walked over just once when all is within bounds', () => {
    const text = 'club;carry yd\n"5""6";72,5\n'.repeat(100)
    expect(walkText(text, bounds)).toEqual({ beyond: null, steps: text.length })
  })
})

describe('what an import would do', () => {
  const csv =
    'club,swing,carry ' +
    'yd,spin\n56,9:00,72,8000\n56,9:00,72,8000\nSW,full,100,9800\n50,9:00,far,7000\n,9:00,70,8000\n56,half,60,7000\n'
  const open = async (text = csv) => openFile('a.csv', bytes(text))

  it('is told before it is done: rows to add, labels to choose, rows refused with line, column, value and reason', async () => {
    const { table, mapping } = await open()
    const { planned, shots, sessions } = planImport(table, choices(mapping), BAG, PLAYER, new Set(), NOW_MS)
    expect(planned).toMatchObject({ fresh: 2, present: 0, skipped: 0, refusedRows: 2 })
    expect(planned.refused).toEqual([
      { row: 5, column: 'carry_yd', value: 'far', fault: { kind: 'number', least: 1, most: 400 } },
      { row: 6, column: 'club', value: '', fault: { kind: 'no-club' } },
    ])
    expect(planned.clubs).toEqual([
      { label: '56', rows: 3, choice: '56°' },
      { label: 'SW', rows: 1, choice: null },
    ])
    expect(planned.swings.find(swing => swing.label === 'half')).toEqual({ label: 'half', rows: 1, choice: null })
    expect(sessions).toHaveLength(1)
    // Two equal rows are two balls.
    expect(new Set(shots.map(shot => shot.id)).size).toBe(2)
    const chosen = planImport(
      table,
      choices(mapping, { clubs: { SW: '56°' }, swings: { half: SKIP } }),
      BAG,
      PLAYER,
      new Set(),
      NOW_MS,
    ).planned
    expect(chosen).toMatchObject({ fresh: 3, skipped: 1 })
    expect(chosen.sample[2]).toMatchObject({ line: 4, club: '56°', swing: 'full' })
  })

  it('twice adds nothing, also when it was mapped otherwise, and each player has balls of their own', async () => {
    const { table, mapping } = await open()
    const first = planImport(table, choices(mapping), BAG, PLAYER, new Set(), NOW_MS)
    expect(
      planImport(table, choices(mapping), BAG, PLAYER, new Set(first.shots.map(shot => shot.id)), NOW_MS).planned,
    ).toMatchObject({ fresh: 0, present: 2 })
    expect(
      planImport(
        table,
        choices(mapping),
        BAG,
        PLAYER.replace('1', '2'),
        new Set(first.shots.map(shot => shot.id)),
        NOW_MS,
      ).planned.present,
    ).toBe(0)
    expect(planImport(table, choices(mapping), BAG, PLAYER, new Set(), NOW_MS).shots).toEqual(first.shots)
  })

  it('of our own table comes back whole, with its air, its ground and what was asked; a ball that is on record is known again', async () => {
    const air = {
      tempC: 12,
      humidity: 0.6,
      altitudeM: 100,
      qnhPa: null,
      wind: { speedMs: 3, clock: 12, judged: 'felt' as const },
      ground: 'open' as const,
    }
    const row = {
      player: 'p',
      session: 's',
      hitAtMs: Date.UTC(2026, 4, 4, 10),
      club: '56°',
      swing: 'full',
      carryM: 80.4672,
      method: 'laser' as const,
      balls: 6,
      strike: null,
      ball: 'own' as const,
      leftOut: null,
      asked: '9:00',
      readings: null,
      taken: { lies: 'firm' as const, heightM: -2, frontM: 78, backM: 84, widthM: 5 },
      air,
    }
    const { table, mapping } = await open(
      writeShotTable([
        row,
        { ...row, hitAtMs: row.hitAtMs + 60_000, air: { ...air, tempC: 14 } },
        { ...row, hitAtMs: row.hitAtMs + 120_000, air: { ...air, tempC: 14 }, taken: null, asked: null },
      ]),
    )
    const { shots, sessions } = planImport(table, choices(mapping), BAG, PLAYER, new Set(), NOW_MS)
    expect(shots[0]).toMatchObject({
      method: 'laser',
      balls: 6,
      taken: { lies: 'firm', heightM: -2, askedRungId: '9:00', frontM: 78, backM: 84, widthM: 5 },
    })
    expect(shots[2]!.taken).toBeNull()
    expect(sessions[0]!.air).toMatchObject([
      { ...air, fromMs: row.hitAtMs },
      { tempC: 14, fromMs: row.hitAtMs + 60_000 },
    ])
    const onRecord = new Set([ballKey({ hitAtMs: row.hitAtMs, clubId: '56°', rungId: 'full', carryM: 80.46720000001 })])
    expect(planImport(table, choices(mapping), BAG, PLAYER, onRecord, NOW_MS).planned).toMatchObject({
      fresh: 2,
      present: 1,
    })
  })

  it('says the line of the file, also past blank lines and line breaks in a cell, and what is wrong there', async () => {
    const { table, mapping } = await open(
      'club,swing,carry_m,time,session,left_out\n\n"56",full,80,1999-05-04T10:00:00Z,,\n56,full,81,2031-05-04T10:00:00Z,,\n\n"two\nlines",full,82,,,\n56,full,366,,,\n56,full,83,,"a\nb",\n56,full,84,2026-05-04T10:00:00Z,,fine\n',
    )
    const { planned } = planImport(table, choices(mapping), BAG, PLAYER, new Set(), NOW_MS)
    expect(planned.refused.map(({ row, column, fault }) => [row, column, rowFaultText(fault)])).toEqual([
      [3, 'time', 'lies before the year 2000'],
      [4, 'time', 'lies in the future: up to now is allowed'],
      [6, 'club', 'holds a line break or control character: one line of plain text is allowed'],
      [8, 'carry_m', 'is not a number from 0.9144 to 365.76'],
      [9, 'session', 'holds a line break or control character: one line of plain text is allowed'],
    ])
    expect(planned.sample).toMatchObject([{ line: 11 }])
    const piles = await open(
      'club,swing,carry_m,pile_front_m,pile_back_m,height_m\n56,full,80,79,366,\n56,full,12,,,10\n',
    )
    expect(
      planImport(piles.table, choices(piles.mapping), BAG, PLAYER, new Set(), NOW_MS).planned.refused.map(
        ({ row, column, value }) => [row, column, value],
      ),
    ).toEqual([
      [2, 'pile_back_m', '366'],
      [3, 'height_m', '10'],
    ])
  })

  it('takes clubs that are called like parts of the language, and leaves no half character', async () => {
    const odd = bagOf({ constructor: 56, __proto__x: 50 }, ['toString', 'full'])
    const { table, mapping } = await open(
      `club,swing,carry_m,session\nconstructor,toString,80,${'x'.repeat(39)}👩 and more\n__proto__,full,70,s\n`,
    )
    const plan = planImport(table, choices(mapping), odd, PLAYER, new Set(), NOW_MS)
    expect(plan.planned.clubs).toEqual([
      { label: 'constructor', rows: 1, choice: 'constructor' },
      { label: '__proto__', rows: 1, choice: null },
    ])
    expect(plan.sessions[0]!.plan.name).toBe('x'.repeat(39))
    const chosen = Object.create(null) as Record<string, string>
    chosen['__proto__'] = '__proto__x'
    expect(
      planImport(
        table,
        choices(mapping, { clubs: JSON.parse(JSON.stringify(chosen)) as Record<string, string> }),
        odd,
        PLAYER,
        new Set(),
        NOW_MS,
      ).planned.fresh,
    ).toBe(2)
  })

  it('gives 5,000 rows without a time moments of their day, in order and never later than now', async () => {
    const { table, mapping } = await open(`club,swing,carry_m\n${'56,full,80\n'.repeat(5000)}`)
    const noon = Date.UTC(2026, 4, 4, 12)
    for (const nowMs of [noon - 11 * 3_600_000, noon, noon + 3_600_000, noon + 90 * 86_400_000]) {
      const { shots, planned } = planImport(table, choices(mapping, { dateMs: noon }), BAG, PLAYER, new Set(), nowMs)
      expect(planned.fresh).toBe(5000)
      const times = shots.map(shot => shot.hitAtMs)
      expect(times.every((ms, i) => i === 0 || ms > times[i - 1]!)).toBe(true)
      expect(times[0]).toBeGreaterThanOrEqual(noon - 43_200_000)
      expect(times.at(-1)).toBeLessThanOrEqual(Math.min(nowMs, noon + 43_200_000))
    }
    const of = spreadOverDay(noon, 3, noon + 3_600_000)
    expect([of(0), of(2)]).toEqual([noon, noon + 60_000])
  })

  it('asks once what no column says: ball, surface, indoors', async () => {
    const { table, mapping } = await open('club,swing,carry_m,ball_speed_mps\n56,full,80,36\n')
    const { sessions, shots } = planImport(
      table,
      choices(mapping, { ball: 'range', surface: 'mat', indoors: true }),
      BAG,
      PLAYER,
      new Set(),
      NOW_MS,
    )
    expect(sessions).toMatchObject([{ ball: 'range', surface: 'mat', plan: { indoors: true } }])
    expect(shots[0]!.readings).toEqual({ ballSpeedMs: 36, carryBasis: 'computed' })
    const said = await open('club,swing,carry_m,ball,surface,indoors\n56,full,80,own,grass,no\n')
    expect(
      planImport(
        said.table,
        choices(said.mapping, { ball: 'range', surface: 'mat', indoors: true }),
        BAG,
        PLAYER,
        new Set(),
        NOW_MS,
      ).sessions,
    ).toMatchObject([{ ball: 'own', surface: 'grass', plan: { indoors: false } }])
  })

  it('makes a session of each day', async () => {
    const { table, mapping } = await open(
      'club,swing,carry_m,date\n56,full,80,2026-05-04 ' +
        '10:00\n56,full,81,2026-05-04 11:00\n56,full,82,2026-05-09 11:00\n',
    )
    const { planned } = planImport(table, choices(mapping), BAG, PLAYER, new Set(), NOW_MS)
    expect(planned.sessions.map(session => session.balls)).toEqual([2, 1])
    const clubs = [
      { id: 'x', labels: ['56°', 'Sand Wedge'] },
      { id: 'y', labels: ['9 iron', 'nine iron'] },
    ]
    expect(['sand wedge', 'SW', '56', '9i', 'PW', ''].map(label => guessChoice(label, clubs))).toEqual([
      'x',
      'x',
      'x',
      'y',
      null,
      null,
    ])
    expect(
      guessChoice('gw', [
        { id: 'a', labels: ['52°', 'gap wedge'] },
        { id: 'b', labels: ['50°', 'gap wedge'] },
      ]),
    ).toBeNull()
  })
})
