import { EventEmitter } from 'node:events'
import type { LiveMessage } from '../shared/device'

/** What devices send, passed on to the open sessions of this server. */
const bus = new EventEmitter().setMaxListeners(0)

export function tell(sessionId: string, message: LiveMessage): void {
  bus.emit(sessionId, message)
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
