import type { ForeignTable } from '#core/files/foreign-table'
import { FileFault, openFile } from './import-file'
import type { ImportAnswer, ImportAsk } from './import-protocol'
import { planImport, type Planned } from './importer'

/** Reads, plans and sends a file, so that the page stays quick whatever its size. */
const LOT = 500
const SAMPLE_ROWS = 12
let table: ForeignTable | undefined
let plan: { playerId: string } & Planned | undefined
let stopped = false
const post = (answer: ImportAnswer) => self.postMessage(answer)

async function send(method: 'PUT' | 'POST', path: string, body: object): Promise<void> {
  const reply = await fetch(path, { method, headers: { 'content-type': 'application/json' }, body: JSON.stringify(body) })
  if (reply.ok) return
  const said = await reply.json().catch(() => null) as { message?: string } | null
  throw new FileFault(said?.message ?? `The server answered ${reply.status}.`)
}

async function sendAll({ playerId, sessions, shots }: NonNullable<typeof plan>): Promise<void> {
  for (let at = 0; at < sessions.length; at += LOT) await send('POST', `/api/players/${playerId}/import/lot`, { sessions: sessions.slice(at, at + LOT), shots: [] })
  for (let at = 0; at < shots.length; at += LOT) {
    if (stopped) return post({ did: 'stop' })
    await send('POST', `/api/players/${playerId}/import/lot`, { sessions: [], shots: shots.slice(at, at + LOT) })
    post({ did: 'progress', done: Math.min(shots.length, at + LOT), of: shots.length })
  }
  const sessionIds = sessions.map(session => session.id)
  // Only now do they show, all at once.
  await send('POST', `/api/players/${playerId}/import`, { sessionIds, visible: true })
  post({ did: 'send', sessionIds, balls: shots.length })
}

async function take(ask: ImportAsk): Promise<void> {
  if (ask.do === 'stop') {
    stopped = true
  } else if (ask.do === 'open') {
    const { file } = ask
    const opened = await openFile(file.name, new Uint8Array(await file.arrayBuffer()))
    table = opened.table
    post({ did: 'open', opened: { name: file.name, headers: table.headers, sample: table.rows.slice(0, SAMPLE_ROWS), rows: table.rows.length, mapping: opened.mapping } })
  } else if (ask.do === 'plan') {
    plan = { playerId: ask.playerId, ...planImport(table!, ask.choices, ask.bag, ask.playerId, new Set(ask.knownBalls), Date.now()) }
    post({ did: 'plan', planned: plan.planned })
  } else {
    stopped = false
    await sendAll(plan!)
  }
}

self.addEventListener('message', ({ data }: MessageEvent<ImportAsk>) => {
  take(data).catch((error: unknown) => {
    if (!(error instanceof FileFault)) console.error('import:', error)
    post({ did: 'fail', reason: error instanceof FileFault ? error.message : error instanceof TypeError ? 'No connection to the server. Nothing was imported; try again when it is back.' : `The file could not be read: ${(error as Error).message}` })
  })
})
