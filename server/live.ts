import { EventEmitter } from 'node:events'
import { randomUUID } from 'node:crypto'
import type { LiveMessage } from '../shared/device'
import { openRedis, sharedRedis, tellFault } from './redis'

/** What devices send, passed on to the open sessions of this server. */
const bus = new EventEmitter().setMaxListeners(0)

/** Where several processes serve, what one hears the others hear too. */
const CHANNEL = 'uzzet:live'
const US = randomUUID()
interface Passed {
  from: string
  sessionId: string
  message: LiveMessage
}
/** Begins to hear what other processes hear, where UZZET_REDIS says how. @returns what ends it */
export function hearOthers(): () => void {
  const ears = openRedis()
  if (!ears) return () => undefined
  ears.on('message', (_channel: string, text: string) => {
    const { from, sessionId, message } = JSON.parse(text) as Passed
    if (from !== US) bus.emit(sessionId, message)
  })
  // A line that breaks is opened again, and heard again, by the client itself.
  ears.on('ready', () => void ears.subscribe(CHANNEL).catch(tellFault))
  sharedRedis()
  return () => {
    sharedRedis()?.disconnect()
    ears.disconnect()
  }
}

export function tell(sessionId: string, message: LiveMessage): void {
  bus.emit(sessionId, message)
  const others = sharedRedis()
  if (others?.status !== 'ready') return
  const passed: Passed = { from: US, sessionId, message }
  others.publish(CHANNEL, JSON.stringify(passed)).catch(tellFault)
}

/** @returns to be called when nobody listens any more */
export function listen(sessionId: string, hear: (message: LiveMessage) => void): () => void {
  bus.on(sessionId, hear)
  return () => bus.off(sessionId, hear)
}

const lines = new Set<() => void>()

/** A line that is open: it is closed when the server stops. @returns to be called when it has ended */
export function keepLine(close: () => void): () => void {
  lines.add(close)
  return () => void lines.delete(close)
}

export const openLines = () => lines.size

/** Lines never end by themselves, and a server that stops waits for all that is open. */
export function closeLines(): void {
  for (const close of lines) close()
}
