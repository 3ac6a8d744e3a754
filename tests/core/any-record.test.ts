import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { planImport } from '../../app/calculation/workers/importer'
import { openFile } from '../../app/calculation/workers/import-file'
import type { Bag } from '../../core/bag/bag'
import { cellKey } from '../../core/bag/bag'
import { labelsOf } from '../../core/bag/labels'
import { calibrate, type Calibrated } from '../../core/calibration/calibrate'
import { remarksAt } from '../../core/history/coach-remarks'
import { compareCharts } from '../../core/history/compare'
import { lnVariances, publish } from '../../core/history/published'
import { readBagFile, writeBagFile } from '../../core/files/bag-file'
import { moment, writeChartFile } from '../../core/files/chart-file'
import { writeShotTable } from '../../core/files/shot-table'
import { BagFile } from '../../shared/schemas/bag-file'
import { calibrationOptions, newestMethod, playerShots } from '../../shared/calibration-input'
import { chartFileWords } from '../../words/chart-file'
import { anyRecord, type AnyRecord } from '../any-record'

const NOW_MS = Date.UTC(2026, 5, 20)
const RUNS = Number(process.env.UZZET_RUNS ?? 150)
const PLAYER_ID = '01890000-0000-7000-8000-000000000001'

function calibrateAny({ level, bag, sessions, shots, thresholds, words }: AnyRecord): Calibrated {
  const player = playerShots({ level }, bag as Bag, sessions, shots, NOW_MS)
  return calibrate(player, calibrationOptions(thresholds, newestMethod(sessions), { words }))
}

/** Every number that is somewhere in a result, with the way to it. */
function* numbersIn(value: unknown, path = ''): Generator<[path: string, value: number]> {
  if (typeof value === 'number') yield [path, value]
  else if (value && typeof value === 'object' && !ArrayBuffer.isView(value))
    for (const [key, inner] of Object.entries(value)) yield* numbersIn(inner, `${path}.${key}`)
}

describe('any record that the schemas take', () => {
  it('can be calibrated, and nothing in the answer is endless or no number', () => {
    fc.assert(
      fc.property(anyRecord, record => {
        const { grid: _, player: __, ...calibration } = calibrateAny(record)
        expect([...numbersIn(calibration)].filter(([, value]) => !Number.isFinite(value))).toEqual([])
        for (const cell of calibration.chart) if (cell.carryM !== null) expect(cell.carryM).toBeGreaterThan(0)
      }),
      { numRuns: RUNS },
    )
  })

  it('can be published, compared and written as files', () => {
    fc.assert(
      fc.property(anyRecord, record => {
        const calibrated = calibrateAny(record)
        const bag = record.bag as Bag
        const names = labelsOf(bag)
        const said = remarksAt(record.words, Infinity)
        const published = publish(calibrated, said, {
          number: 1,
          publishedAtMs: NOW_MS,
          unit: 'yd',
          note: '',
          changed: '',
          ...(record.thresholds.totalOn && { totalOn: record.thresholds.totalOn }),
        })
        expect([...numbersIn(published)].filter(([, value]) => !Number.isFinite(value))).toEqual([])
        const variances = lnVariances(calibrated.grid)
        compareCharts(
          calibrated,
          calibrated.chart.map(({ clubId, rungId, carryM }) => ({
            clubId,
            rungId,
            carryM,
            lnVariance: variances.get(cellKey({ clubId, rungId })) ?? null,
          })),
          NOW_MS - 20 * 86_400_000,
        )
        expect(() =>
          JSON.parse(JSON.stringify(writeChartFile(moment(NOW_MS), calibrated, names, chartFileWords(names, 'yd')))),
        ).not.toThrow()
        const file = BagFile.parse(JSON.parse(JSON.stringify(writeBagFile(bag, record.name, record.level))))
        expect(
          readBagFile(file)
            .clubs.map(club => club.label)
            .sort(),
        ).toEqual(bag.clubs.map(club => club.label).sort())
      }),
      { numRuns: RUNS },
    )
  })

  it('comes back through the importer ball by ball, from its own table', async () => {
    await fc.assert(
      fc.asyncProperty(anyRecord, async record => {
        const bag = {
          ...record.bag,
          clubs: record.bag.clubs.map(club => ({ ...club, retired: false })),
          scale: { ...record.bag.scale, rungs: record.bag.scale.rungs.map(rung => ({ ...rung, retired: false })) },
        } as Bag
        const names = labelsOf(bag)
        const shots = record.shots.filter(shot => !shot.deleted)
        if (shots.length === 0) return
        const csv = writeShotTable(
          shots.map(shot => ({
            player: record.name,
            session: shot.sessionId,
            hitAtMs: shot.hitAtMs,
            ...names(shot),
            carryM: shot.carryM,
            method: shot.method,
            balls: shot.balls,
            strike: shot.strike,
            ball: 'own',
            leftOut: shot.leftOut,
            asked: null,
            readings: shot.readings,
            taken: shot.taken,
            air: null,
          })),
        )
        const { table, mapping } = await openFile('own.csv', new TextEncoder().encode(csv))
        const { planned, shots: back } = planImport(
          table,
          {
            mapping,
            clubs: {},
            swings: {},
            swing: null,
            dateMs: NOW_MS,
            ball: 'own',
            surface: 'grass',
            indoors: false,
          },
          bag,
          PLAYER_ID,
          new Set(),
          NOW_MS,
        )
        expect(planned.refused).toEqual([])
        expect([...planned.clubs, ...planned.swings].filter(label => label.choice === null)).toEqual([])
        expect(back.map(shot => [names(shot), shot.balls, shot.strike, shot.leftOut])).toEqual(
          shots.map(shot => [names(shot), shot.balls, shot.strike, shot.leftOut]),
        )
        for (const [i, shot] of back.entries()) expect(Math.abs(shot.carryM - shots[i]!.carryM)).toBeLessThan(1e-4)
      }),
      { numRuns: RUNS },
    )
  })
})
