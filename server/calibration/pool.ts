import { availableParallelism } from 'node:os'
import { dirname, join } from 'node:path'
import type { H3Event } from 'h3'
import { LRUCache } from 'lru-cache'
import { Piscina } from 'piscina'
import { workSeconds } from '../counters'
import type { Coach } from '../data/coaches'
import type { JobArguments, JobName, Jobs } from './jobs'
import { TooBusy, Turns } from './turns'
import type { readAcademy, readRecord } from '../ingest/player-file'
import type { ReadOrder, WorkOrder, Worked } from './worker'
import { stampOfPlayer } from '../data/player-stamp'
import { refuse } from '../ingest/refuse'
import { setting } from '../settings'

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
/** Files that are read may be forty megabytes each: one at a time, and few wait. */
const reads = new Turns(1, 2, 8)
/** Answers about records that have not changed since, never in the database: they can be made again. */
const kept = new LRUCache<string, { answer: unknown }>({ maxSize: KEPT_BYTES })
let pool: Piscina<WorkOrder | ReadOrder, Worked> | undefined

/** Beside the built server; while developing, the source through tsx. */
function workerFile(): string {
  return setting('UZZET_CALIBRATION_WORKER') ?? join(dirname(process.argv[1]!), 'workers', 'calibration.mjs')
}

function threads() {
  const filename = workerFile()
  return (pool ??= new Piscina({
    filename,
    minThreads: 0,
    maxThreads: THREADS,
    idleTimeout: IDLE_MS,
    resourceLimits: { maxOldGenerationSizeMb: THREAD_MB },
    execArgv: filename.endsWith('.ts') ? ['--import', 'tsx'] : [],
    env: { DATABASE_URL: setting('DATABASE_URL')!, UZZET_CONNECTIONS: '2' },
  }))
}

export const waitingWork = () => turns.waiting

let closing = false
/** True once the server ends: what is cut off then is no failure. */
export const isClosing = () => closing

export async function closeThreads(): Promise<void> {
  closing = true
  await pool?.destroy()
  pool = undefined
}

/** Who asks, and until when: a browser that went away waits for nothing. */
export interface Asker {
  coach: Coach
  signal?: AbortSignal
}

export function askerOf(event: H3Event, coach: Coach): Asker {
  const gone = new AbortController()
  event.node.res.once('close', () => {
    if (!event.node.res.writableEnded) gone.abort(new Error('The browser went away.'))
  })
  return { coach, signal: gone.signal }
}

/** A guess at the room that an answer takes: those that are not bytes are short lists. */
const USUAL_BYTES = 40_000

/**
 * Works something out from a player's record in a thread of the pool, or finds it among what is kept.
 * @param keep what the answer depends on beside the record; null keeps nothing
 * @throws 404 for another academy's player; 503 with Retry-After when too much waits, or when it took too long
 */
export async function workOut<J extends JobName>(
  asker: Asker,
  playerId: string,
  job: J,
  keep: string | null,
  ...rest: JobArguments<J>
): Promise<ReturnType<Jobs[J]>> {
  const { coach } = asker
  const key = keep === null ? null : `${job} ${playerId} ${await stampOfPlayer(coach, playerId)} ${keep}`
  const known = key === null ? undefined : kept.get(key)
  if (known) return known.answer as ReturnType<Jobs[J]>
  const done = workSeconds.startTimer({ job })
  const answer = await inThread(asker, { coach, playerId, job, rest }).catch((error: unknown) => {
    done({ ended: 'badly' })
    throw error
  })
  done({ ended: 'well' })
  if (key !== null)
    kept.set(key, { answer }, { size: key.length + (answer instanceof Uint8Array ? answer.length : USUAL_BYTES) })
  return answer as ReturnType<Jobs[J]>
}

/**
 * Reads a file of another academy in a thread.
 * @throws 503 with Retry-After when too much waits, or when it took too long
 */
export async function readInThread<R extends ReadOrder>(
  asker: Asker,
  order: R,
): Promise<ReturnType<R['read'] extends 'record' ? typeof readRecord : typeof readAcademy>> {
  const done = workSeconds.startTimer({ job: 'read' })
  const answer = await reads
    .take(asker.coach.id, () => inThread(asker, order), asker.signal)
    .catch((error: unknown) => {
      done({ ended: 'badly' })
      if (!(error instanceof TooBusy)) throw error
      throw refuse(503, 'Other files are being read just now: try again in a moment.')
    })
  done({ ended: 'well' })
  return answer as ReturnType<R['read'] extends 'record' ? typeof readRecord : typeof readAcademy>
}

async function inThread({ coach, signal }: Asker, order: WorkOrder | ReadOrder): Promise<unknown> {
  const late = AbortSignal.timeout(LONGEST_MS)
  const until = signal ? AbortSignal.any([signal, late]) : late
  try {
    const worked = await turns.take(coach.id, () => threads().run(order, { signal: until }), until)
    if (worked instanceof Uint8Array) return worked
    if ('answer' in worked) return worked.answer
    throw worked.away
      ? Object.assign(new Error(worked.failure), { code: 'PROTOCOL_CONNECTION_LOST', errno: 0 })
      : new Error(worked.failure)
  } catch (error) {
    if (!(error instanceof TooBusy) && !late.aborted) throw error
    throw refuse(503, 'Many charts are being worked out just now: try again in a moment.')
  }
}
