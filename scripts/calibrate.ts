/**
 * The headless door: a bag and shot tables in, a chart out. Uses core/ alone: no server, no database.
 * npm run --silent calibrate -- --bag bag.json --shots shots.csv [--shots more.csv] [--unit yd] [--as-of ISO]
 */
import { calibrate } from '../core/calibration/calibrate'
import { USUAL_OPTIONS } from '../core/calibration/calibration'
import type { CellRemark } from '../core/history/coach-remarks'
import { moment, writeChartFile, type CellNames } from '../core/files/chart-file'
import { chartFileWords } from '../words/chart-file'
import { Fault, open as openDoor, readArgs, readBag, readShots, sessionsOf, unitOf } from './door'

const USAGE =
  'usage: npm run --silent calibrate -- --bag bag.json --shots shots.csv ' +
  '[--shots more.csv] [--unit yd|m] [--as-of 2026-05-04T17:30:00Z]'

function readArguments(args: string[]) {
  const options = {
    'bag': { type: 'string' },
    'shots': { type: 'string', multiple: true },
    'unit': { type: 'string' },
    'as-of': { type: 'string' },
  } as const
  const { bag, shots, unit = 'yd', 'as-of': asOf } = readArgs(args, options, USAGE)
  if (!bag || !shots) throw new Fault(`--bag and --shots are needed; ${USAGE}`)
  if (
    asOf !== undefined &&
    (!/^\d{4}-\d\d-\d\d(T.+(Z|[+-]\d\d:\d\d))?$/.test(asOf) || Number.isNaN(Date.parse(asOf)))
  ) {
    throw new Fault(
      `--as-of: "${asOf}" is not an ISO 8601 day or a time with its zone, such as 2026-05-04 or 2026-05-04T17:30:00Z`,
    )
  }
  return { bag, shots, unit: unitOf(unit), asOf }
}

/** A day means until its end, UTC. */
function endOf(asOf: string): number {
  return Date.parse(asOf.length === 10 ? `${asOf}T23:59:59.999Z` : asOf)
}

function answer(args: string[]): string {
  const given = readArguments(args)
  const { bag, believed, player, level } = readBag(given.bag)
  const all = given.shots.flatMap(path => readShots(path, bag, player))
  const read = given.asOf === undefined ? all : all.filter(({ shot }) => shot.hitAtMs <= endOf(given.asOf!))
  const shots = read.map(({ shot }) => shot)
  const lastMs = shots.reduce((last, shot) => Math.max(last, shot.hitAtMs), 0)
  const nowMs = given.asOf === undefined ? lastMs : endOf(given.asOf)
  const calibration = calibrate(
    { bag, level, shots, sessions: sessionsOf(read), nowMs },
    {
      ...USUAL_OPTIONS,
      words: believed.map((one, i): CellRemark => ({
        ...one,
        id: String(i),
        kind: 'believed',
        why: '',
        saidAtMs: 0,
        holds: true,
      })),
    },
  )
  // In a bag file the labels are the ids.
  const names: CellNames = cell => ({ club: cell.clubId, swing: cell.rungId })
  const file = writeChartFile(given.asOf ?? moment(lastMs), calibration, names, chartFileWords(names, given.unit))
  return `${JSON.stringify(file, null, 2)}\n`
}

openDoor(answer)
