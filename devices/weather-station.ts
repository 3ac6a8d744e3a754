/**
 * A stand-in for the weather station of a range: serves one METAR line over HTTP on loopback, and drifts like a day
 * does.
 * npm run weather [-- --port 4650] [--seed 7]
 */
import { createServer, type Server } from 'node:http'
import { saturationPressurePa } from '../core/flight/air'
import { makeDice } from './dice'

const STEP_MS = 60_000
/** Wandering of each figure in a minute, and how strongly it is drawn back to its usual. */
const DRIFT = { tempC: 0.06, knots: 0.5, fromDeg: 4, hPa: 0.05 } as const
const PULL = 0.02
const USUAL = { tempC: 13, knots: 7, fromDeg: 250, hPa: 1014 } as const

type State = Record<keyof typeof USUAL, number>

/** A day of weather from one seed: the same seed and minute, the same line. */
export function makeWeather(seed: number) {
  const dice = makeDice(seed)
  const states: State[] = [{ ...USUAL }]
  function at(minute: number): State {
    while (states.length <= minute) {
      const last = states.at(-1)!
      const next = { ...last }
      for (const key of Object.keys(USUAL) as (keyof State)[])
        next[key] = last[key] + PULL * (USUAL[key] - last[key]) + DRIFT[key] * dice.normal()
      next.knots = Math.max(0, next.knots)
      states.push(next)
    }
    return states[minute]!
  }
  const pad = (value: number, size: number) => String(Math.round(Math.abs(value))).padStart(size, '0')
  const signed = (value: number) => `${Math.round(value) < 0 ? 'M' : ''}${pad(value, 2)}`

  /** The METAR line of this minute of the day, UTC. */
  return function line(now: Date): string {
    const { tempC, knots, fromDeg, hPa } = at(now.getUTCHours() * 60 + now.getUTCMinutes())
    const from = Math.round(knots) === 0 ? 0 : ((Math.round(fromDeg / 10) * 10 + 359) % 360) + 1
    // Damp links air: the dew point at which it would be four fifths full.
    let dewC = tempC
    while (saturationPressurePa(dewC) > 0.8 * saturationPressurePa(tempC)) dewC -= 0.1
    return (
      `METAR UZZX ${pad(now.getUTCDate(), 2)}${pad(now.getUTCHours(), 2)}${pad(now.getUTCMinutes(), 2)}Z ` +
      `${pad(from, 3)}${pad(knots, 2)}KT 9999 FEW025 ${signed(tempC)}/${signed(dewC)} Q${pad(hPa, 4)}=`
    )
  }
}

/** Serves the line on loopback. @returns the server, listening, and its address */
export function startStation(port: number, seed: number): Promise<{ server: Server; url: string }> {
  const line = makeWeather(seed)
  const server = createServer((request, reply) => {
    reply.writeHead(request.method === 'GET' ? 200 : 405, {
      'content-type': 'text/plain; charset=utf-8',
      'cache-control': `max-age=${STEP_MS / 1000}`,
    })
    reply.end(request.method === 'GET' ? `${line(new Date())}\n` : '')
  })
  return new Promise((done, fail) => {
    server.once('error', fail)
    server.listen(port, '127.0.0.1', () =>
      done({ server, url: `http://127.0.0.1:${(server.address() as { port: number }).port}/` }),
    )
  })
}
