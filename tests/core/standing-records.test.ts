import { createHash } from 'node:crypto'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { cellKey, type Bag, type StockShot } from '../../core/bag/bag'
import { labelsOf } from '../../core/bag/labels'
import { calibrate, type Calibrated } from '../../core/calibration/calibrate'
import { foldEarlier } from '../../core/chart/grid-fit'
import { predictClub } from '../../core/chart/other-club'
import { clubsBySpeed } from '../../core/chart/speed-lines'
import { compareCharts } from '../../core/history/compare'
import { lnVariances, publish } from '../../core/history/published'
import { layOut } from '../../core/what-if/layout'
import { remediesFor } from '../../core/what-if/remedies'
import { ownTargets, sceneOf, type Judging } from '../../core/what-if/scene'
import { asItIs } from '../../core/what-if/thought-of'
import { PLAYERS } from '../../demo/scenario'
import { demoRecord } from '../../demo/record'
import { makeDice } from '../../devices/dice'
import { calibrationOptions, newestMethod, playerShots } from '../../shared/calibration-input'
import type { Thresholds } from '../../shared/schemas/player'
import type { SessionRecord, ShotRecord } from '../../shared/schemas/session'
import type { CellRemark } from '../../core/history/coach-remarks'
import type { Level } from '../../core/level'
import { anyRecord } from '../any-record'

/**
 * Whole records whose every figure stands in a file: the demo's players, and some that no person would enter. They say
 * nothing of what is right; that is for the other tests. They say when a figure moved, so that nothing moves unseen:
 * a change that is meant writes them anew (`npx vitest run --project=core standing -u`), and the difference is read.
 */

const NOW_MS = Date.UTC(2026, 5, 20, 12)
const DAY_MS = 86_400_000
/** Figures beyond are the engine's business; those here are ours. */
const DIGITS = 9

interface Standing {
  level: Level
  bag: Bag
  sessions: SessionRecord[]
  shots: ShotRecord[]
  thresholds: Thresholds
  words: CellRemark[]
}

const rounded = (value: unknown): unknown =>
  JSON.parse(
    JSON.stringify(value, (_, inner: unknown) =>
      typeof inner === 'number' ? Number(inner.toPrecision(DIGITS)) : inner instanceof Map ? [...inner] : inner,
    ) ?? 'null',
  )
const sumOf = (value: unknown) =>
  createHash('sha256')
    .update(JSON.stringify(rounded(value)))
    .digest('hex')
    .slice(0, 16)
const short = (metres: number | null) => (metres === null ? '–' : metres.toFixed(3))

function calibrateStanding({ level, bag, sessions, shots, thresholds, words }: Standing): Calibrated {
  const player = playerShots({ level }, bag, sessions, shots, NOW_MS)
  return calibrate(player, calibrationOptions(thresholds, newestMethod(sessions), { words }))
}

/** Remedies of the first flags, as a page asks for them. */
function remedies({ player, chart, findings }: Calibrated): unknown {
  const layout = layOut(player)
  const judging: Judging = {
    flags: {},
    withinM: 2.7432,
    lineM: 6.4008,
    unit: 'yd',
    answers: [],
    plain: [],
    targetsM: ownTargets(chart, 'yd'),
  }
  const today = sceneOf(layout, asItIs(player.bag), judging)
  return findings.slice(0, 2).map(finding => remediesFor(layout, today, finding, judging))
}

/** What a reader can hold against another version, and below it sums of all the rest. */
function story(record: Standing): string {
  const calibrated = calibrateStanding(record)
  const { grid, player, chart, ladder, findings, cover, next, ready, questions, corrections, ...rest } = calibrated
  const names = labelsOf(record.bag)
  const nameOf = (cell: StockShot) => `${names(cell).club} ${names(cell).swing}`
  const kept = foldEarlier(player, grid)
  const live =
    kept && calibrate(playerShots(record, record.bag, record.sessions, record.shots, NOW_MS), undefined, kept)
  const published = publish(calibrated, new Map(), {
    number: 1,
    publishedAtMs: NOW_MS,
    unit: 'yd',
    note: '',
    changed: '',
  })
  const variances = lnVariances(grid)
  const before = chart.map(({ clubId, rungId, carryM }) => ({
    clubId,
    rungId,
    carryM: carryM === null ? null : carryM * 1.05,
    lnVariance: variances.get(cellKey({ clubId, rungId })) ?? null,
  }))
  const sums = {
    grid: { ...grid, fit: { ...grid.fit, folded: null } },
    player,
    chart,
    ladder,
    findings,
    cover,
    ready,
    questions,
    corrections,
    rest,
    live: live && { chart: live.chart, findings: live.findings, cover: live.cover },
    published,
    compared: compareCharts(calibrated, before, NOW_MS - 20 * DAY_MS),
    remedies: chart.length > 40 ? null : remedies(calibrated),
    speed: clubsBySpeed(record.bag, player.shots),
    otherClub: [44, 47.5, 54, 61].map(loft => predictClub(player, loft)),
  }
  return [
    ...chart.map(
      cell =>
        `${nameOf(cell)}: ${cell.kind}, ${cell.balls} balls, ${short(cell.carryM)} m, ` +
        `${cell.certainty80M ? cell.certainty80M.map(short).join(' to ') : '–'}`,
    ),
    ...findings.map(
      one =>
        `${one.flag} ${one.variant ?? ''} ${one.sureness}: ${one.cells.map(nameOf).join(', ')} ` +
        `${short(one.fromM ?? null)} to ${short(one.toM ?? null)}`,
    ),
    ...next.map(one => `next: ${nameOf(one)}, ${short(one.gainM)} m`),
    ...Object.entries(sums).map(([name, value]) => `${name}: ${sumOf(value)}`),
    '',
  ].join('\n')
}

describe('standing records', () => {
  it.each(PLAYERS.map((player, i) => [player.name, player, i] as const))('of the demo: %s', async (name, player, i) => {
    const file = `../fixtures/standing/demo-${i + 1}.txt`
    await expect(story(demoRecord(player, NOW_MS, makeDice(20_261 + i)))).toMatchFileSnapshot(file, name)
  })

  const odd = fc.sample(anyRecord, { seed: 20_261_129, numRuns: 14 })
  it.each(odd.map((record, i) => [i, record] as const))('that nobody would enter: %i', async (i, record) => {
    await expect(story({ ...record, bag: record.bag as Bag })).toMatchFileSnapshot(`../fixtures/standing/odd-${i}.txt`)
  })
})
