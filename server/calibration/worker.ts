import { jobs, type JobName } from './jobs'
import type { PlayerRecord } from '../../shared/record'

/** One piece of work for a thread: a job of `jobs`, the record, and what is asked beside it. */
export interface WorkOrder { job: JobName, record: PlayerRecord, rest: unknown[] }

/** Runs in a thread of the pool. The size goes along, so that the server need not measure what it keeps. */
export default function work({ job, record, rest }: WorkOrder): { answer: unknown, bytes: number } {
  const answer = (jobs[job] as (record: PlayerRecord, ...rest: unknown[]) => unknown)(record, ...rest)
  return { answer, bytes: JSON.stringify(answer)?.length ?? 1 }
}
