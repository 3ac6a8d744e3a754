import type { Bag } from '../core/bag/bag'
import type { PublishedNumbers } from '../core/history/published-numbers'
import type { CellRemarkRecord } from './schemas/cell-remark'
import type { FlagAnswerRecord } from './schemas/flag-answer'
import type { AcademyThresholds } from './schemas/player'
import type { Player } from './player'
import type { SessionRecord } from './schemas/session'
import type { ShotColumns } from './shot-columns'

/** Everything a stage needs of one player. */
export interface PlayerRecord {
  player: Player
  bag: Bag
  bagVersion: number
  sessions: SessionRecord[]
  shots: ShotColumns
  /** Oldest first. */
  words: CellRemarkRecord[]
  /** What flags are judged by where the player has no figures of their own. */
  academyThresholds: AcademyThresholds
  /** The chart the player carries: the newest that was published. */
  published: PublishedNumbers | null
  /** What coaches said to flags, oldest first. */
  answers: FlagAnswerRecord[]
}
