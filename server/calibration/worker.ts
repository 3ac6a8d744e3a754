import { setPriority } from 'node:os'
import { move } from 'piscina'
import { isDatabaseAway } from '../db/database-errors'
import type { Coach } from '../data/coaches'
import { playerRecord } from '../data/records'
import type { PlayerRecord } from '../../shared/record'
import { goesOf } from '../data/practice'
import { roundsOfPlayer } from '../data/rounds'
import { readAcademy, readRecord, type ReadWithin } from '../ingest/player-file'
import { jobs, type JobName } from './jobs'
import type { PractisedRecord } from './practised-record'

/** One piece of work for a thread: whose record, and what is to be made of it. */
export interface WorkOrder {
  coach: Coach
  playerId: string
  job: JobName
  rest: unknown[]
}

/** A file to be read in a thread, its bytes moved there. */
export type ReadOrder =
  | { read: 'record'; bytes: Uint8Array; within: ReadWithin }
  | { read: 'academy'; bytes: Uint8Array; academyId: string }

/** A failure keeps its kind on the way out of the thread. Bytes come by themselves, so that they can be moved. */
export type Worked = { answer: unknown } | Uint8Array | { away: boolean; failure: string }

// Of this thread alone, on Linux: balls and pages come first where cores are few.
setPriority(0, 10)

/**
 * Runs in a thread of the pool. The record is read here too: twenty thousand rows are as much work as the model, and
 * the server's own thread is for balls.
 */
export default async function work(order: WorkOrder | ReadOrder): Promise<Worked> {
  if ('read' in order)
    return {
      answer:
        order.read === 'record' ? readRecord(order.bytes, order.within) : readAcademy(order.bytes, order.academyId),
    }
  const { coach, playerId, job, rest } = order
  let record: PlayerRecord | PractisedRecord
  try {
    record = await playerRecord(coach, playerId)
    // What goes over the wire has no use for it.
    if (job !== 'record') record = { ...record, goes: await goesOf(playerId), rounds: await roundsOfPlayer(playerId) }
  } catch (error) {
    const away = isDatabaseAway(error)
    return { away, failure: away ? 'The database is away.' : (error as Error).message }
  }
  const answer = (jobs[job] as (record: PlayerRecord | PractisedRecord, ...rest: unknown[]) => unknown)(record, ...rest)
  return answer instanceof Uint8Array ? (move(answer) as unknown as Uint8Array) : { answer }
}
