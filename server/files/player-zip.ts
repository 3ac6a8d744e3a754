import { strToU8, zip } from 'fflate'
import type { z } from 'zod'
import { tableMetadata } from '../../core/files/table-metadata'
import type { PublishedChart } from '../../core/history/published'
import type { PracticeRecord } from '../../shared/practice'
import { RECORD_NAME } from '../../shared/archive-names'
import type { PlayerFile } from '../../shared/schemas/player-file'
import type { PlayerRecord } from '../../shared/record'
import { fromColumns } from '../../shared/shot-columns'
import type { RoundRecord } from '../../shared/schemas/rounds'
import type { NewWhatIf } from '../../shared/schemas/what-if'
import { bagFileText, roundTableText, scoreTableText, shotTableText } from './player-files'

/** What the files are, for whoever opens the archive years later. */
const ABOUT = `Everything that is kept of one player.

record.json     all of it in one, for another academy that takes the player in
player.json     name, level, hand, note, and what the numbers are judged by
bag.json        clubs, lofts and swing lengths, with what was believed
shots.csv       every ball, as read; shots.csv-metadata.json tells columns and units
sessions.json   when, where and how balls were hit, and in what air
remarks.json    believed, written and struck-out numbers, notes, and answers to flags
scores.csv      every ball of practice with its score; its metadata beside it
rounds.csv      every approach of every round; its metadata beside it
rounds.json     rounds as they were kept
practice.json   goes at drills and homework, as they were kept
published.json  every published chart, as it was handed over

Lengths in JSON are metres, times milliseconds since 1970 (UTC).
`

const json = (value: unknown) => strToU8(`${JSON.stringify(value, null, 2)}\n`)

/** A player's record with all that stands beside it. */
export interface WholeRecord {
  record: PlayerRecord
  practice: Pick<PracticeRecord, 'goes' | 'homework'>
  rounds: readonly RoundRecord[]
  published: readonly PublishedChart[]
  whatIfs: readonly NewWhatIf[]
}

/** What `PlayerFile` reads. */
function recordFile({ record, practice, rounds, published, whatIfs }: WholeRecord): z.input<typeof PlayerFile> {
  const { player, bag, sessions, words, answers, shots } = record
  return {
    format: 'uzzet-record',
    version: 1,
    player,
    bag: { ...bag, version: 1 },
    sessions,
    remarks: words,
    answers,
    whatIfs: whatIfs.map(({ id, name, body }) => ({ id, name, body })),
    goes: practice.goes,
    homework: practice.homework,
    rounds: [...rounds],
    published: [...published],
    shots: fromColumns(shots),
  }
}

/** A player's whole record as a zip archive (ISO/IEC 21320-1: deflate, UTF-8 names). */
export function playerZip(whole: WholeRecord): Promise<Uint8Array> {
  const { record, rounds, published } = whole
  const { goes, homework } = whole.practice
  const { player, bag, sessions, words, answers } = record
  const shots = shotTableText(record)
  const scores = scoreTableText(bag, goes)
  const roundRows = roundTableText(bag, rounds)
  const files = {
    'about.txt': strToU8(ABOUT),
    [RECORD_NAME]: strToU8(JSON.stringify(recordFile(whole))),
    'player.json': json({ format: 'uzzet-player', version: 1, player }),
    'bag.json': strToU8(bagFileText(player, bag, words)),
    'shots.csv': strToU8(shots),
    'shots.csv-metadata.json': json(tableMetadata('shots.csv', `Shots of ${player.name}`, shots)),
    'sessions.json': json(sessions),
    'remarks.json': json({ remarks: words, answers }),
    'scores.csv': strToU8(scores),
    'scores.csv-metadata.json': json(tableMetadata('scores.csv', `Practice of ${player.name}`, scores)),
    'rounds.csv': strToU8(roundRows),
    'rounds.csv-metadata.json': json(tableMetadata('rounds.csv', `Rounds of ${player.name}`, roundRows)),
    'practice.json': json({ goes, homework }),
    'rounds.json': json(rounds),
    'published.json': json(published),
  }
  return new Promise((done, fail) => {
    zip(files, (error, data) => (error ? fail(error) : done(data)))
  })
}
