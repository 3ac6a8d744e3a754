import { v5, validate } from 'uuid'
import { gridCells, type Bag, type StockShot } from '#core/bag/bag'
import { labelsOf } from '#core/bag/labels'
import { readGpx } from '#core/files/gpx'
import { readRoundTable } from '#core/files/round-table'
import type { RowError, RowFault } from '#core/files/row-fault'
import { markedShots } from '#core/rounds/marked-shots'
import { APPROACHES_MAX, ROUND_NAME_MAX } from '#shared/limits'
import type { RoundRecord } from '#shared/schemas/rounds'

/** Rounds of a file, ready to be kept. */
export interface RoundsRead {
  rounds: RoundRecord[]
  errors: RowError[]
  /** Stock shots of the file that the bag does not have: their approaches count without one. */
  strangers: string[]
  /** Left out: too long or too short for an approach. */
  left?: number
}

const DAY_ALONE = /^\d{4}-\d{2}-\d{2}$/
/** A day is told as its noon, so that it is the same day for whoever reads it. */
const momentOf = (date: string) => new Date(DAY_ALONE.test(date) ? `${date}T12:00` : date).getTime()

/**
 * Rounds from the open table. Ids are made of what stands there: the same file twice adds nothing, and takes back
 * nothing that was mended since.
 */
export function roundsFromTable(
  text: string,
  bag: Bag,
  playerId: string,
  nowMs: number,
  isKnown: (id: string) => boolean,
): RoundsRead {
  const { rounds, errors } = readRoundTable(text)
  const names = labelsOf(bag)
  const cells = new Map(gridCells(bag).map(cell => [`${names(cell).club}\n${names(cell).swing}`, cell]))
  const strangers = new Set<string>()
  const read = rounds.flatMap(({ round, date, rows }): RoundRecord[] => {
    const playedAtMs = momentOf(date)
    if (Number.isNaN(playedAtMs) || playedAtMs > nowMs || rows.length > APPROACHES_MAX) {
      const fault: RowFault =
        rows.length > APPROACHES_MAX
          ? { kind: 'many-approaches', approaches: rows.length, most: APPROACHES_MAX }
          : { kind: 'no-past-day' }
      errors.push({ row: 0, column: `round ${round}`, value: date, fault })
      return []
    }
    // A table of ours names rounds by their ids: those of this player are the same rounds.
    const id = validate(round) && isKnown(round) ? round : v5(`round ${round} ${date}`, playerId)
    return [
      {
        id,
        name: round === date || validate(round) || round.length > ROUND_NAME_MAX ? '' : round,
        kind: 'casual',
        playedAtMs,
        approaches: rows.map(({ approach, club, swing }, i) => {
          const cell = cells.get(`${club}\n${swing}`)
          if (!cell && club !== '') strangers.add(`${club} ${swing}`.trim())
          return { ...approach, ...cell, id: v5(`${i}`, id), version: 1 }
        }),
        gone: false,
        version: 1,
      },
    ]
  })
  return { rounds: read, errors, strangers: [...strangers] }
}

/** Why a GPX file without a fault gives no round. */
const NO_SHOTS = {
  'no times': 'no-stop-times',
  'no stops': 'few-places',
} as const

/**
 * A round of the places that were marked on the course: on its day, or today where the file has no times. The same file
 * twice is the same round.
 * @param nearest the stock shot with the number that is nearest to a distance
 */
export function roundFromGpx(
  text: string,
  playerId: string,
  nowMs: number,
  nearest: (distanceM: number) => StockShot | undefined,
): RoundsRead {
  const { file, errors } = readGpx(text)
  if (errors.length > 0) return { rounds: [], errors, strangers: [] }
  const { shots, left, fault: why } = markedShots(file)
  const refuse = (fault: RowFault) => ({
    rounds: [],
    errors: [{ row: 0, column: 'GPX', value: '', fault }],
    strangers: [],
  })
  if (why) return refuse({ kind: NO_SHOTS[why] })
  if (shots.length === 0) return refuse({ kind: 'no-shots' })
  if (shots.length > APPROACHES_MAX) return refuse({ kind: 'many-shots', shots: shots.length, most: APPROACHES_MAX })
  const places = [...file.waypoints, ...file.segments.flat()].map(({ lat, lon }) => `${lat} ${lon}`).join(' ')
  const id = v5(`gpx ${places}`, playerId)
  const atMs = shots[0]!.atMs
  return {
    rounds: [
      {
        id,
        name: '',
        kind: 'casual',
        playedAtMs: atMs !== null && atMs < nowMs ? atMs : nowMs,
        approaches: shots.map(({ approach }, i) => ({
          ...approach,
          ...nearest(approach.distanceM),
          id: v5(`${i}`, id),
          version: 1,
        })),
        gone: false,
        version: 1,
      },
    ],
    errors: [],
    strangers: [],
    left,
  }
}
