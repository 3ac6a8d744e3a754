import { expose } from 'comlink'
import type { Bag } from '#core/bag/bag'
import type { ForeignTable, Mapping } from '#core/files/foreign-table'
import type { ImportChoices } from '#core/files/import-plan'
import { FileFault, openFile } from './import-file'
import { planImport, type Planned, type PlannedFile } from './importer'

/** Reads, plans and sends a file, so that the page stays quick whatever its size. */
const LOT = 500
const SAMPLE_ROWS = 12
let table: ForeignTable | undefined
let plan: ({ playerId: string } & Planned) | undefined
let stopped = false

/** A file that was opened: what stands in it, and what its columns are taken for. */
export interface OpenedFile {
  name: string
  headers: string[]
  /** The first rows, as they stand in the file. */
  sample: string[][]
  rows: number
  mapping: Mapping
}

export interface SentFile {
  sessionIds: string[]
  balls: number
}

async function send(method: 'PUT' | 'POST', path: string, body: object): Promise<void> {
  const reply = await fetch(path, {
    method,
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify(body),
  })
  if (reply.ok) return
  const said = (await reply.json().catch(() => null)) as { message?: string } | null
  throw new FileFault(said?.message ?? `The server answered ${reply.status}.`)
}

/** Says a failure as a coach is told it; what is the program's own stands in the log. */
async function inWords<T>(work: () => T | Promise<T>): Promise<T> {
  try {
    return await work()
  } catch (error) {
    if (error instanceof FileFault) throw error
    console.error('import:', error)
    if (error instanceof TypeError) {
      throw new Error('No connection to the server. Nothing was imported; try again when it is back.')
    }
    throw new Error(`The file could not be read: ${(error as Error).message}`)
  }
}

async function sendAll(
  { playerId, sessions, shots }: NonNullable<typeof plan>,
  tell: (done: number, of: number) => void,
): Promise<SentFile | null> {
  const lot = (body: object) => send('POST', `/api/players/${playerId}/import/lot`, body)
  for (let at = 0; at < sessions.length; at += LOT) await lot({ sessions: sessions.slice(at, at + LOT), shots: [] })
  for (let at = 0; at < shots.length; at += LOT) {
    if (stopped) return null
    await lot({ sessions: [], shots: shots.slice(at, at + LOT) })
    tell(Math.min(shots.length, at + LOT), shots.length)
  }
  const sessionIds = sessions.map(session => session.id)
  // Only now do they show, all at once.
  await send('POST', `/api/players/${playerId}/import`, { sessionIds, visible: true })
  return { sessionIds, balls: shots.length }
}

const api = {
  open: (file: File): Promise<OpenedFile> =>
    inWords(async () => {
      const opened = await openFile(file.name, new Uint8Array(await file.arrayBuffer()))
      table = opened.table
      const { headers, rows } = table
      return {
        name: file.name,
        headers,
        sample: rows.slice(0, SAMPLE_ROWS),
        rows: rows.length,
        mapping: opened.mapping,
      }
    }),

  plan: (choices: ImportChoices, bag: Bag, playerId: string, knownBalls: string[]): Promise<PlannedFile> =>
    inWords(() => {
      plan = { playerId, ...planImport(table!, choices, bag, playerId, new Set(knownBalls), Date.now()) }
      return plan.planned
    }),

  /** @returns null when it was stopped */
  send: (tell: (done: number, of: number) => void): Promise<SentFile | null> =>
    inWords(() => {
      stopped = false
      return sendAll(plan!, tell)
    }),

  stop(): void {
    stopped = true
  },
}

export type ImportApi = typeof api
expose(api)
