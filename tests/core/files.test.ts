import { readFileSync } from 'node:fs'
import fc from 'fast-check'
import Papa from 'papaparse'
import { describe, expect, it } from 'vitest'
import { readBagFile, readBelieved, writeBagFile } from '../../core/files/bag-file'
import { USUAL_OPTIONS } from '../../core/calibration/calibration'
import { writeChartFile } from '../../core/files/chart-file'
import { readShotTable, writeShotTable, type ShotRowOut } from '../../core/files/shot-table'
import type { Readings } from '../../core/shot/readings'
import { METHODS, STRIKES } from '../../core/shot/shot'
import { yardsToMetres } from '../../core/units'
import { BagFile } from '../../shared/schemas/bag-file'
import { rowFaultText } from '../../words/row-faults'
import { bagOf, balls, calibrated } from './players'

/** All that a device can read of a ball. */
const READ: Readings = {
  ballSpeedMs: 38.02,
  clubSpeedMs: 35.1,
  launchDeg: 30.4,
  directionDeg: -1.25,
  spinRpm: 9871,
  spinAxisDeg: -3.5,
  descentDeg: 51.2,
  apexM: 24.1,
  totalM: 91.7,
  sideM: -2.31,
  carryBasis: 'computed',
}

describe('the shot table', () => {
  it("takes yards or metres by the column's name, and keeps quiet about columns it does not know", () => {
    const { rows, errors } = readShotTable(readFileSync('tests/fixtures/shots.csv', 'utf8'))
    expect(errors).toEqual([])
    expect(rows).toHaveLength(10)
    expect(rows[0]).toEqual({
      row: 2,
      player: null,
      club: '50°',
      swing: 'half',
      carryM: yardsToMetres(73),
      method: 'monitor',
      balls: 1,
      hitAtMs: null,
      day: null,
      session: null,
      leftOut: null,
      asked: null,
      strike: null,
      ball: 'own',
      readings: { totalM: yardsToMetres(77) },
    })
    expect(rows[9]).toMatchObject({ row: 11, leftOut: 'mishit' })
  })

  it('removes a byte-order mark and reads quoted cells (RFC 4180)', () => {
    expect(readShotTable('\uFEFFclub,swing,carry_m\r\n"gap ""A"", old","9:00",70\r\n').rows[0]).toMatchObject({
      club: 'gap "A", old',
      carryM: 70,
    })
  })

  const table = (line: string, header = 'club,swing,carry_yd,carry_m,method,balls,time,measured_at') =>
    readShotTable(`${header}\n56°,9:00,72,,,,,\n${line}`).errors
  it.each([
    ['abc', '56°,9:00,abc,,,,,', 'carry_yd', '"abc" is not a number from 1 to 400'],
    ['nought', '56°,9:00,0,,,,,', 'carry_yd', '"0" is not a number from 1 to 400'],
    ['a negative', '56°,9:00,,-5,,,,', 'carry_m', '"-5" is not a number from 0.9144 to 365.76'],
    ['beyond', '56°,9:00,401,,,,,', 'carry_yd', '"401" is not a number from 1 to 400'],
    ['hexadecimal', '56°,9:00,0x48,,,,,', 'carry_yd', '"0x48" is not a number from 1 to 400'],
    ['nothing', '56°,9:00,,,,,,', 'carry_yd', '"" is empty: a carry is required'],
    ['both units', '56°,9:00,72,66,,,,', 'carry_m', '"66" stands beside carry_yd: give one of the two'],
    ['a method', '56°,9:00,72,,radar,,,', 'method', '"radar" is not one of monitor, laser, paces, watch, guess'],
    ['half a ball', '56°,9:00,72,,,1.5,,', 'balls', '"1.5" is not a whole number from 1 to 1000'],
    [
      'a time without zone',
      '56°,9:00,72,,,,2026-05-04T17:30,',
      'time',
      '"2026-05-04T17:30" is not an ISO 8601 time with its zone, such as 2026-05-04T17:30:00Z',
    ],
    ['a place that is none', '56°,9:00,72,,,,,here', 'measured_at', '"here" is not one of pitch, rest'],
  ])('refuses %s with row, column, value and what is allowed', (_, line, column, words) => {
    expect(table(line).map(e => [e.row, e.column, `"${e.value}" ${rowFaultText(e.fault)}`])).toEqual([
      [3, column, words],
    ])
  })

  it('names the columns that are missing', () => {
    expect(readShotTable('name,yards\nA,70').errors.map(e => e.column)).toEqual(['club', 'swing', 'carry_yd'])
    expect(readShotTable('').errors.length).toBe(3)
  })

  it('says where a quotation mark was left open', () => {
    expect(readShotTable('club,swing,carry_m\n56°,9:00,70\n"56°,9:00,70').errors[0]).toMatchObject({
      row: 3,
      column: 'the row',
    })
  })

  it('takes the length of a pile from its front and its back, the side of the line, the strike and the ball', () => {
    const { rows, errors } = readShotTable(
      [
        'club,swing,carry_m,balls,pile_front_m,pile_back_m,side_yd,strike,ball',
        '56°,9:00,70,8,66,75,-3,Clean,range',
        '56°,9:00,70,,66,,,,',
        '',
      ].join('\n'),
    )
    expect(errors).toEqual([])
    expect(rows[0]).toMatchObject({
      frontM: 66,
      backM: 75,
      readings: { sideM: -3 * 0.9144 },
      strike: 'clean',
      ball: 'range',
      balls: 8,
    })
    expect(rows[1]).toMatchObject({ frontM: 66 })
    expect(rows[1]).not.toHaveProperty('backM')
    // Empty is where it lies for what is measured on the ground, and where it pitched for what saw it fly.
    const lies = readShotTable(
      [
        'club,swing,carry_m,method,measured_at,firmness',
        '56°,9:00,70,laser,,',
        '56°,9:00,70,paces,rest,firm',
        '56°,9:00,70,laser,pitch,',
        '56°,9:00,70,monitor,,',
        '',
      ].join('\n'),
    ).rows.map(row => row.lies)
    expect(lies).toEqual(['soft', 'firm', undefined, undefined])
    const bad = readShotTable('club,swing,carry_m,side_m,strike,ball\n56°,9:00,70,left,shank,found\n').errors
    expect(bad.map(e => [e.column, e.value])).toEqual([
      ['strike', 'shank'],
      ['ball', 'found'],
      ['side_m', 'left'],
    ])
  })

  it('comes back as it went out, formulas and all, and runs none in a spreadsheet', () => {
    const any = fc.stringMatching(/^[^\s](?:.{0,10}[^\s])?$/u)
    const text = fc.oneof(
      { weight: 3, arbitrary: any },
      any.map(rest => `'-${rest}`),
      any.map(rest => `''=${rest}`),
      any.map(rest => `＝${rest}`),
      any.map(rest => `a;=1+1${rest}`),
    )
    const row = fc.record<ShotRowOut>({
      player: text,
      session: fc.uuid(),
      hitAtMs: fc.integer({ min: 1e12, max: 2e12 }),
      club: text,
      swing: text,
      method: fc.constantFrom(...METHODS),
      carryM: fc.integer({ min: 10, max: 3650 }).map(n => n / 10),
      balls: fc.integer({ min: 1, max: 1000 }),
      leftOut: fc.option(text, { nil: null }),
      asked: fc.option(text, { nil: null }),
      strike: fc.option(fc.constantFrom(...STRIKES), { nil: null }),
      ball: fc.constantFrom('own', 'range'),
      readings: fc.constantFrom(null, { spinRpm: 8123 }, READ),
      taken: fc.constantFrom(null, { heightM: -2.5 }, { lies: 'firm' as const, frontM: 60.5, backM: 71, widthM: 4 }),
      air: fc.constant(null),
    })
    fc.assert(
      fc.property(fc.array(row, { minLength: 1, maxLength: 20 }), rows => {
        const csv = writeShotTable(rows)
        const { rows: read, errors } = readShotTable(csv)
        expect(errors).toEqual([])
        expect(read.map(({ row: _, ...rest }) => rest)).toEqual(
          rows.map(({ air, readings, taken, ...out }) => ({
            ...out,
            ...taken,
            ...(readings && { readings }),
            day: new Date(out.hitAtMs).toISOString().slice(0, 10),
          })),
        )
        for (const cell of Papa.parse<string[]>(csv).data.flat()) expect(cell).not.toMatch(/^[=+@]|^-(?![\d.]+$)/)
      }),
    )
    expect(
      writeShotTable([
        {
          player: '=1+1',
          session: 's',
          hitAtMs: 0,
          club: '-x',
          swing: '@y',
          carryM: 70,
          method: 'monitor',
          balls: 1,
          strike: null,
          ball: 'own',
          leftOut: null,
          asked: null,
          readings: null,
          taken: null,
          air: null,
        },
      ]),
    ).toContain("'=1+1,s,1970-01-01T00:00:00.000Z,'-x,'@y,70,monitor,1,")
  })

  it('gives yards back exactly as they were typed', () => {
    for (let tenths = 10; tenths <= 4000; tenths += 7) {
      const csv = writeShotTable([
        {
          player: 'p',
          session: 's',
          hitAtMs: 1e12,
          club: 'c',
          swing: 's',
          carryM: yardsToMetres(tenths / 10),
          method: 'laser',
          balls: 1,
          strike: null,
          ball: 'own',
          leftOut: null,
          asked: null,
          readings: null,
          taken: null,
          air: null,
        },
      ])
      expect(Math.round(readShotTable(csv).rows[0]!.carryM / 0.09144)).toBe(tenths)
    }
  })
})

describe('the bag file', () => {
  const file = BagFile.parse(JSON.parse(readFileSync('tests/fixtures/bag.json', 'utf8')))

  it('becomes a bag whose ids are its labels, and the same file again', () => {
    const bag = readBagFile(file)
    expect(bag.clubs[0]).toEqual({ id: '50°', label: '50°', name: '', loftDeg: 50, retired: false })
    expect(bag.struckOut).toEqual([{ clubId: '58°', rungId: 'full' }])
    expect(writeBagFile(bag, 'A', 'unknown')).toEqual(file)
  })

  it('keeps flights, foreign schools, shares and retired clubs', () => {
    const rich = BagFile.parse({
      ...file,
      clubs: [...file.clubs, { label: 'old', loftDeg: 60, retired: true }],
      scale: {
        school: 'clock',
        rungs: [
          { label: '9:00' },
          { label: '9:00', flight: 'low' },
          { label: 'belt', school: 'body', fraction: 0.52 },
          { label: 'full' },
        ],
      },
      struckOut: [{ club: '50°', swing: '9:00 low' }],
    })
    expect(writeBagFile(readBagFile(rich), 'A', 'unknown')).toEqual(rich)
  })

  it('carries what the player believes, to the millimetre', () => {
    const believed = [{ club: '50°', swing: 'full', carryM: 109.728 }]
    const read = readBelieved({ ...file, believed })
    expect(read).toEqual([{ clubId: '50°', rungId: 'full', carryM: 109.728 }])
    expect(writeBagFile(readBagFile(file), 'A', 'unknown', read).believed).toEqual(believed)
    expect(() => readBelieved({ ...file, believed: [{ club: '57°', swing: 'full', carryM: 90 }] })).toThrow(
      'believed: club "57°" is not in the bag',
    )
    expect(() => readBelieved({ ...file, believed: [{ club: '50°', swing: '7:00', carryM: 90 }] })).toThrow(
      'believed: swing "7:00" is not on the scale',
    )
  })

  it.each([
    ['club', { club: '57°', swing: 'full' }, /club "57°" is not in the bag/],
    ['swing', { club: '58°', swing: '9:00' }, /swing "9:00" is not on the scale/],
  ])('refuses a struck-out cell of an unknown %s', (_, cell, message) => {
    expect(() => readBagFile({ ...file, struckOut: [cell] })).toThrow(message)
  })
})

describe('the chart file', () => {
  it('says nothing about times it was not given, and leaves out cells that nothing tells of', () => {
    const bag = bagOf({ '56°': 56, '5 iron': 27 }, ['9:00'])
    const calibration = calibrated(bag, balls('56°', '9:00', [72], { hitAtMs: 2 }), { nowMs: 2 })
    const out = writeChartFile(null, calibration, c => ({ club: c.clubId, swing: c.rungId }), {
      finding: () => ({ title: '', why: '', remedy: '' }),
      next: () => 'why',
    })
    expect(out).toMatchObject({
      format: 'uzzet-chart',
      version: 1,
      asOf: null,
      cells: [{ club: '56°', swing: '9:00', kind: 'measured', middleM: 65.84, balls: 1, leftOut: 0 }],
    })
    expect(out.cells).toHaveLength(1)
    expect(out.cells[0]).not.toHaveProperty('lastHit')
    expect(out).not.toHaveProperty('retestDue')
    // There is but one stock shot to hit, again and again.
    expect(out.next).toEqual(Array.from({ length: 3 }, () => ({ club: '56°', swing: '9:00', balls: 3, why: 'why' })))
  })

  it('holds a written number with what the balls say beside it', () => {
    const bag = bagOf({ '56°': 56, '5 iron': 27 }, ['9:00'])
    const written = (clubId: string) => ({
      id: clubId,
      clubId,
      rungId: '9:00',
      kind: 'written' as const,
      carryM: 100,
      why: '',
      saidAtMs: 1,
      holds: true,
    })
    const calibration = calibrated(
      bag,
      balls('56°', '9:00', [72]),
      {},
      { ...USUAL_OPTIONS, words: [written('56°'), written('5 iron')] },
    )
    const out = writeChartFile(null, calibration, c => ({ club: c.clubId, swing: c.rungId }), {
      finding: () => ({ title: '', why: '', remedy: '' }),
      next: () => 'why',
    })
    expect(out.cells).toMatchObject([
      {
        club: '56°',
        kind: 'written',
        carryM: 100,
        measuredCarryM: expect.closeTo(calibration.chart[0]!.carryM!, 1) as number,
      },
      { club: '5 iron', kind: 'written', carryM: 100, balls: 0 },
    ])
  })
})
