import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { cellKey, type Bag } from '../../core/bag/bag'
import { labelsOf } from '../../core/bag/labels'
import { calibrate } from '../../core/calibration/calibrate'
import { readChart } from '../../core/calibration/calibration'
import { writeChartFile } from '../../core/files/chart-file'
import { withParts } from '../../core/gaps/one-fact'
import { remarksAt } from '../../core/history/coach-remarks'
import { publish } from '../../core/history/published'
import { DISTANCE_UNITS, distanceText } from '../../core/units'
import { calibrationOptions, newestMethod, playerShots } from '../../shared/calibration-input'
import { chartFileWords } from '../../words/chart-file'
import { flagText, stepBetween } from '../../words/flags'
import { stockShotName } from '../../words/stock-shot'
import { anyRecord, type AnyRecord } from '../any-record'

const NOW_MS = Date.UTC(2026, 5, 20)
const RUNS = Number(process.env.UZZET_RUNS ?? 60)

/** What a record says, as screens and files get it; written numbers hold from the moment they are looked at. */
function said({ level, bag, sessions, shots, thresholds, words }: AnyRecord) {
  const nowMs = Math.max(NOW_MS, ...words.map(word => word.saidAtMs))
  const player = playerShots({ level }, bag as Bag, sessions, shots, nowMs)
  const { asBalls: _, ...held } = thresholds
  const calibrated = calibrate(player, calibrationOptions(held, newestMethod(sessions), { words }))
  const byCarry = readChart(calibrated)
  const chart = held.totalOn ? calibrated.totals : byCarry
  return { calibrated, chart, byCarry, totalOn: held.totalOn, remarks: remarksAt(words, nowMs) }
}

describe('one figure has one home: whatever the record, as it is read in yards and in metres', () => {
  it('ladder, cover, published chart and file have the number of the chart', () => {
    fc.assert(
      fc.property(anyRecord, record => {
        const { calibrated, chart, byCarry, totalOn, remarks } = said(record)
        const numbersOf = (cells: typeof chart) => new Map(cells.map(cell => [cellKey(cell), cell.carryM]))
        const [numbers, carries] = [numbersOf(chart), numbersOf(byCarry)]
        const head = { number: 1, publishedAtMs: NOW_MS, unit: 'yd', note: '', changed: '', totalOn } as const
        const published = publish(calibrated, remarks, head)
        const names = labelsOf(record.bag as Bag)
        const file = writeChartFile(null, calibrated, names, chartFileWords(names, 'yd'))
        for (const unit of DISTANCE_UNITS) {
          const read = (metres: number | null | undefined) => (metres == null ? null : distanceText(metres, unit))
          const numberOf = (cell: { clubId: string; rungId: string }) => read(numbers.get(cellKey(cell)))
          for (const step of calibrated.ladder) expect(read(step.carryM)).toBe(numberOf(step))
          for (const shot of calibrated.cover.shots)
            if (!shot.grippedDown) expect(read(shot.carryM)).toBe(numberOf(shot))
          for (const cell of published.cells) {
            if (!cell.carry || cell.kind === 'struck-out') continue
            expect(String(cell.carry[unit])).toBe(read(carries.get(cellKey(cell))))
            if (cell.total) expect(String(cell.total[unit])).toBe(numberOf(cell))
          }
        }
        if (totalOn) return
        const inFile = new Map(file.cells.map(cell => [`${cell.club} ${cell.swing}`, cell.carryM]))
        for (const step of calibrated.ladder) {
          const { club, swing } = names(step)
          expect(inFile.get(`${club} ${swing}`)).toBeCloseTo(step.carryM, 1)
        }
      }),
      { numRuns: RUNS },
    )
  })

  it('a flag tells its stock shots, its step and its limit as they stand elsewhere, and adds up', () => {
    fc.assert(
      fc.property(anyRecord, record => {
        const { calibrated, chart } = said(record)
        const numbers = new Map(chart.map(cell => [cellKey(cell), cell.carryM]))
        const names = {
          cell: (cell: { clubId: string; rungId: string }) => stockShotName(cell.clubId, cell.rungId),
          club: (cell: { clubId: string }) => cell.clubId,
        }
        for (const finding of withParts(calibrated.findings)) {
          const { shorterM, longerM, stepM, apartM } = finding.data
          const own = finding.cells.map(cell => numbers.get(cellKey(cell)) ?? null)
          // A ball's figure that a flag tells of a stock shot is that stock shot's.
          for (const [told, cell] of [
            [shorterM, own[0]],
            [longerM, own.at(-1)],
          ] as const)
            if (told !== undefined && cell != null && finding.flag !== 'moved') expect(own).toContain(told)
          const difference = stepM ?? apartM
          if (difference === undefined || shorterM === undefined || longerM === undefined) continue
          for (const unit of DISTANCE_UNITS) {
            const { why } = flagText(finding, names, unit)
            const [whole, exact] = ([0, 1] as const).map(decimals => stepBetween(shorterM, longerM, unit, decimals))
            expect([`${whole} ${unit}`, `${exact} ${unit}`].some(text => why.includes(text))).toBe(true)
          }
        }
      }),
      { numRuns: RUNS },
    )
  })
})
