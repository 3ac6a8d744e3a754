import { z } from 'zod'
import { BagChange } from './bag'
import { CellRemarkRecord } from './cell-remark'
import { FlagAnswerRecord } from './flag-answer'
import { AcademyThresholds, NewPlayer, Thresholds } from './player'
import { GoRecord, HomeworkRecord, OwnDrill } from './practice'
import { PublishedChartRecord } from './published'
import { RangeRecord } from './range'
import { RECORD_SHOTS_MAX } from '../record-limits'
import { RoundRecord } from './rounds'
import { SessionRecord, ShotRecord } from './session'
import { NewWhatIf } from './what-if'

/** A player's whole record as one file, for another academy to take in. The words for people stand beside it. */

const RECORD_PARTS_MAX = 20_000

const list = <T extends z.ZodType>(what: string, part: T, most = RECORD_PARTS_MAX) =>
  z.array(part, { error: `${what} must be a list.` }).max(most, { error: `More than ${most} ${what.toLowerCase()}.` })

const format = (name: string) => z.literal(name, { error: `This is no file of ours: "${name}" is expected.` })
const version = z.literal(1, { error: 'A newer program wrote this file: version 1 can be read.' })

/** A player's record. There may be very many of its balls: those that read them take them lot by lot. */
export const PlayerFile = z.object({
  format: format('uzzet-record'),
  version,
  player: NewPlayer.extend({ thresholds: Thresholds }),
  bag: BagChange,
  sessions: list('Sessions', SessionRecord),
  remarks: list('Remarks', CellRemarkRecord),
  answers: list('Answers', FlagAnswerRecord),
  whatIfs: list('What-ifs', NewWhatIf),
  goes: list('Goes', GoRecord),
  homework: list('Homework', HomeworkRecord),
  rounds: list('Rounds', RoundRecord),
  published: list('Published charts', PublishedChartRecord),
  shots: list('Balls', ShotRecord, RECORD_SHOTS_MAX),
})
export type PlayerFile = z.infer<typeof PlayerFile>

/** What an academy has beside its players. */
export const AcademyFile = z.object({
  format: format('uzzet-academy'),
  version,
  name: z.string().max(200),
  thresholds: AcademyThresholds,
  ranges: list('Ranges', RangeRecord, 500),
  drills: list('Drills', OwnDrill, 500),
})
export type AcademyFile = z.infer<typeof AcademyFile>
