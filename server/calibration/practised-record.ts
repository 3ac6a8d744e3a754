import type { GoRecord } from '../../shared/schemas/practice'
import type { PlayerRecord } from '../../shared/record'
import type { RoundRecord } from '../../shared/schemas/rounds'

/** A record with what was practised and played, newest first; the page fetches that apart. */
export interface PractisedRecord extends PlayerRecord {
  goes: readonly GoRecord[]
  rounds: readonly RoundRecord[]
}
