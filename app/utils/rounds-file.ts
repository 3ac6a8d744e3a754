import { v5, validate } from 'uuid'
import { gridCells, type Bag } from '#core/bag/bag'
import { labelsOf } from '#core/bag/labels'
import { readRoundTable } from '#core/files/round-table'
import type { RowError } from '#core/files/shot-table'
import { APPROACHES_MAX, ROUND_NAME_MAX, type RoundRecord } from '#shared/rounds'

/** Rounds of a file, ready to be kept. */
export interface RoundsRead {
  rounds: RoundRecord[]
  errors: RowError[]
  /** Stock shots of the file that the bag does not have: their approaches count without one. */
  strangers: string[]
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
      const allowed =
        rows.length > APPROACHES_MAX
          ? `has ${rows.length} approaches: at most ${APPROACHES_MAX} in a round`
          : 'is no day of the past'
      errors.push({ row: 0, column: `round ${round}`, value: date, allowed })
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
