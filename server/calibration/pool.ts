import { availableParallelism } from 'node:os'
import { dirname, join } from 'node:path'
import type { H3Event } from 'h3'
import { LRUCache } from 'lru-cache'
import { Piscina } from 'piscina'
import type { Coach } from '../data/coaches'
import type { JobArguments, JobName, Jobs } from './jobs'
import { TooBusy, Turns } from './turns'
import type { WorkOrder } from './worker'
import { stampOfPlayer } from '../data/player-stamp'
import { playerRecord } from '../data/records'

/** One core stays free for requests. */
const THREADS = Math.max(1, availableParallelism() - 1)
/** The largest records take a few seconds on a slow machine; what takes longer is broken. */
const LONGEST_MS = 30_000
const IDLE_MS = 60_000
const THREAD_MB = 768
const KEPT_BYTES = 48e6
/** Nobody opens so many charts at once; a script does. */
const MOST_OF_ONE_COACH = 30
const MOST_OF_ALL = 300

const turns = new Turns(THREADS, MOST_OF_ONE_COACH, MOST_OF_ALL)
/** Answers about records that have not changed since, never in the database: they can be made again. */
const kept = new LRUCache<string, { answer: unknown }>({ maxSize: KEPT_BYTES })
let pool: Piscina<WorkOrder, { answer: unknown, bytes: number }> | undefined

/** Beside the built server; while developing, the source through tsx. */
function workerFile(): string {
  return setting('UZZET_CALIBRATION_WORKER') ?? join(dirname(process.argv[1]!), 'workers', 'calibration.mjs')
}

function threads() {
  const filename = workerFile()
  return pool ??= new Piscina({
    filename, minThreads: 0, maxThreads: THREADS, idleTimeout: IDLE_MS, resourceLimits: { maxOldGenerationSizeMb: THREAD_MB },
    execArgv: filename.endsWith('.ts') ? ['--import', 'tsx'] : [], env: {},
  })
}

export async function closeThreads(): Promise<void> {
  await pool?.destroy()
  pool = undefined
}

/** Who asks, and until when: a browser that went away waits for nothing. */
export interface Asker { coach: Coach, signal?: AbortSignal }

export function askerOf(event: H3Event, coach: Coach): Asker {
  const gone = new AbortController()
  event.node.res.once('close', () => {
    if (!event.node.res.writableEnded) gone.abort(new Error('The browser went away.'))
  })
  return { coach, signal: gone.signal }
}

/**
 * Works something out from a player's record in a thread of the pool, or finds it among what is kept.
 * @param keep what the answer depends on beside the record; null keeps nothing
 * @throws 404 for another academy's player; 503 with Retry-After when too much waits, or when it took too long
 */
export async function workOut<J extends JobName>({ coach, signal }: Asker, playerId: string, job: J, keep: string | null, ...rest: JobArguments<J>): Promise<ReturnType<Jobs[J]>> {
  const key = keep === null ? null : `${job} ${playerId} ${await stampOfPlayer(coach, playerId)} ${keep}`
  const known = key === null ? undefined : kept.get(key)
  if (known) return known.answer as ReturnType<Jobs[J]>
  const late = AbortSignal.timeout(LONGEST_MS)
  const until = signal ? AbortSignal.any([signal, late]) : late
  try {
    const { answer, bytes } = await turns.take(coach.id, async () => {
      const record = await playerRecord(coach, playerId)
      return threads().run({ job, record, rest }, { signal: until })
    }, until)
    if (key !== null) kept.set(key, { answer }, { size: bytes + key.length })
    return answer as ReturnType<Jobs[J]>
  } catch (error) {
    if (!(error instanceof TooBusy) && !late.aborted) throw error
    throw refuse(503, 'Many charts are being worked out just now: try again in a moment.')
  }
}
