import { createServer } from 'node:net'
import { stop } from './say.mjs'

/** True when nothing listens on this port of 127.0.0.1. */
export function isFree(port) {
  return new Promise(done => {
    const probe = createServer()
    probe.once('error', () => done(false))
    probe.listen({ port, host: '127.0.0.1', exclusive: true }, () => probe.close(() => done(true)))
  })
}

/** The first free port from this one on. */
export async function freePortFrom(first) {
  for (let port = first; port < first + 100; port++) if (await isFree(port)) return port
  return stop(`All ports from ${first} to ${first + 99} are taken: stop what uses them and start again.`)
}
