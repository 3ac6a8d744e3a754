import fc from 'fast-check'
import Papa from 'papaparse'
import { describe, expect, it } from 'vitest'
import { guessMapping, isUnitRow } from '../../core/files/column-guess'
import { readDrillTable, readGoBalls } from '../../core/files/drill-table'
import { toCells } from '../../core/files/foreign-table'
import { readGpx } from '../../core/files/gpx'
import type { RowError } from '../../core/files/row-fault'
import { readMetar } from '../../core/files/metar'
import { readRoundTable } from '../../core/files/round-table'
import { readShotTable } from '../../core/files/shot-table'
import { rowFaultText } from '../../words/row-faults'

/** A good file of each kind; what comes of it when it is damaged on its way is what people send. */
const GOOD = {
  shots:
    'club,swing,carry_yd,time,strike,spin_rpm,temp_c,wind_mph,wind_from_clock\n' +
    "58°,9:00,72.5,2026-05-01T10:00:00Z,thin,8200,12,8,11\n'=1+1,full,90,,,,,,\n",
  drill: 'club,swing,target_yd,carry_yd,side_yd,good\n58°,9:00,70,72,-2,yes\n52°,full,100,96,3,\n',
  rounds:
    'round,date,hole,chance,distance_m,club,swing,lie,finish_long_m,finish_right_m,penalty,tee\n' +
    'Home,2026-05-01,1,yes,80.00,58°,full,fairway,-4.00,2.00,,\n',
  foreign: 'Club;Carry Distance (yds);Ball Speed;Launch;Spin Rate;Date\nSW;82,5;79,1;31;8.900;01.05.2026 10:12\n',
  gpx:
    '<?xml version="1.0"?><gpx version="1.1" xmlns="http://www.topografix.com/GPX/1/1"><wpt lat="51.1" lon="0.2">' +
    '<name>flag 1</name></wpt><trk><trkseg><trkpt lat="51.2" lon="0.2"><time>2026-05-01T10:00:00Z</time></trkpt>' +
    '</trkseg></trk></gpx>',
  metar: 'YUDO 221630Z 24004MPS 0600 17/16 Q1018',
}

const PIECES = [
  '',
  '\0',
  '\uFEFF',
  '\r',
  '"',
  '\t',
  ';',
  ',,,,,,,,,,,,',
  '\n\n\n',
  '__proto__,constructor,toString',
  '1e400',
  '-0',
  'NaN',
  '٣٤',
  '\u202E\u200B',
  '\uD800',
  '=cmd|x',
  '<!DOCTYPE x [<!ENTITY a "b">]>',
  '&a;',
  ']]>',
  '999999999999999999999',
  'x'.repeat(5000),
]
/** Cut off, a piece put in, a stretch said again, or its characters turned round. */
const damaged = (text: string) =>
  fc
    .array(fc.tuple(fc.constantFrom('cut', 'put', 'again', 'turned'), fc.nat(), fc.nat(), fc.constantFrom(...PIECES)), {
      minLength: 1,
      maxLength: 4,
    })
    .map(steps =>
      steps.reduce((so, [how, a, b, piece]) => {
        const [from, to] = [a % (so.length + 1), b % (so.length + 1)].sort((x, y) => x - y) as [number, number]
        if (how === 'cut') return so.slice(0, to)
        if (how === 'put') return so.slice(0, from) + piece + so.slice(to)
        if (how === 'again') return so.slice(0, to) + so.slice(from, to).repeat(3) + so.slice(to)
        return so.slice(0, from) + Array.from(so.slice(from, to)).reverse().join('') + so.slice(to)
      }, text),
    )

/** Whatever was read is finite, and what was not is named by its row in a sentence. */
function sound(read: { errors: RowError[] }) {
  for (const { row, fault } of read.errors) {
    expect(row).toBeGreaterThanOrEqual(1)
    expect(rowFaultText(fault)).toMatch(/\S/)
  }
  JSON.stringify(read, (_, value: unknown) => {
    if (typeof value === 'number') expect(Number.isFinite(value)).toBe(true)
    return value
  })
}

describe('damaged files are read as far as they go, and no reader falls over one', () => {
  const runs = { numRuns: 170 }
  it.each([
    ['shots', readShotTable],
    ['drill', readDrillTable],
    ['drill', readGoBalls],
    ['rounds', readRoundTable],
    ['gpx', readGpx],
  ] as const)('%s', (kind, read) => {
    fc.assert(
      fc.property(damaged(GOOD[kind]), text => sound(read(text))),
      runs,
    )
  })

  it('a table of somebody else’s', () => {
    fc.assert(
      fc.property(damaged(GOOD.foreign), text => {
        const [headers = [], ...rows] = Papa.parse<string[]>(text).data
        isUnitRow(rows[0] ?? [])
        const mapping = guessMapping(headers, rows)
        expect(mapping.columns).toHaveLength(headers.length)
        for (const row of rows)
          for (const cell of Object.values(toCells(row, mapping, (...at) => Date.UTC(...at))))
            expect(cell).toBeTypeOf('string')
      }),
      runs,
    )
  })

  it('a line of a weather station is read, or refused in a sentence', () => {
    fc.assert(
      fc.property(damaged(GOOD.metar), line => {
        try {
          for (const value of Object.values(readMetar(line)))
            if (typeof value === 'number') expect(Number.isFinite(value)).toBe(true)
        } catch (error) {
          expect(error).toBeInstanceOf(RangeError)
          expect((error as Error).message).toMatch(/METAR/)
        }
      }),
      runs,
    )
  })
})
