/** A coach who asks over one bare connection: what is measured is the server, not the one who asks. */
import { Agent, request } from 'node:http'
import { v7 as newId } from 'uuid'

const DAY_MS = 86_400_000
export const BALLS_A_VISIT = 100
const PASSWORD = 'links and wind'

/** A player of a benchmark, with the balls that can be hit. */
export type BenchPlayer = Awaited<ReturnType<BenchCoach['player']>>

export class BenchCoach {
  cookie = ''
  readonly email: string
  readonly password = PASSWORD
  readonly #agent = new Agent({ keepAlive: true, maxSockets: 16 })

  private constructor(
    private readonly url: string,
    who: string,
  ) {
    this.email = `${who.toLowerCase()}-${newId()}@saltmarsh.example`
  }

  /** With an account and an academy of their own. */
  static async signedUp(url: string, who: string): Promise<BenchCoach> {
    const coach = new BenchCoach(url, who)
    const { email, password } = coach
    await coach.send('POST', '/api/auth/sign-up', { name: who, academy: who, email, password })
    return coach
  }

  send(method: string, path: string, body?: unknown): Promise<string> {
    const text = body === undefined ? '' : JSON.stringify(body)
    return new Promise((done, fail) => {
      const asking = request(
        this.url + path,
        {
          method,
          agent: this.#agent,
          headers: {
            'content-type': 'application/json',
            'content-length': Buffer.byteLength(text),
            'cookie': this.cookie,
          },
        },
        reply => {
          this.cookie = reply.headers['set-cookie']?.[0]?.split(';')[0] ?? this.cookie
          const parts: Buffer[] = []
          reply.on('data', (part: Buffer) => parts.push(part))
          reply.on('end', () => {
            const answer = Buffer.concat(parts).toString()
            if (reply.statusCode! < 300) done(answer)
            else fail(new Error(`${method} ${path}: ${reply.statusCode} ${answer}`))
          })
        },
      )
      asking.on('error', fail)
      asking.end(text)
    })
  }

  /** A player with so many shots: a hundred a visit, some days between the visits, the newest of which runs. */
  async player(shots: number, { daysApart = 7, secondsApart = 1, name = `With ${shots} shots` } = {}) {
    const id = newId()
    await this.send('POST', '/api/players', { id, name, level: 'good', note: '' })
    const clubs = [60, 56, 51, 46].map(loftDeg => ({
      id: newId(),
      label: `${loftDeg}°`,
      name: '',
      loftDeg,
      retired: false,
    }))
    const rungs = ['8:00', '9:00', '10:00', 'full'].map(label => ({
      id: newId(),
      label,
      cue: '',
      flight: 'normal',
      retired: false,
    }))
    await this.send('PUT', `/api/players/${id}/bag`, {
      version: 1,
      clubs,
      scale: { school: 'clock', rungs },
      struckOut: [],
    })
    const visits = Array.from({ length: Math.max(1, Math.ceil(shots / BALLS_A_VISIT)) }, (_, v) => {
      const startedAtMs = Date.now() - 1e8 - v * daysApart * DAY_MS
      return {
        id: newId({ msecs: startedAtMs }),
        startedAtMs,
        endedAtMs: v === 0 ? null : startedAtMs + 3_600_000,
        method: 'monitor',
        ball: 'own',
        surface: 'grass',
        version: 1,
      }
    })
    for (const visit of visits) await this.send('PUT', `/api/players/${id}/sessions/${visit.id}`, visit)
    const shot = (i: number) => {
      const visit = visits[Math.floor(i / BALLS_A_VISIT) % visits.length]!
      const hitAtMs = visit.startedAtMs + (i % BALLS_A_VISIT) * secondsApart * 1000
      return {
        // As a tablet makes them: in the order of time.
        id: newId({ msecs: hitAtMs }),
        sessionId: visit.id,
        clubId: clubs[i % 4]!.id,
        rungId: rungs[(i >> 2) % 4]!.id,
        carryM: 45 + 9 * (i % 4) + 12 * ((i >> 2) % 4) + (i % 7),
        method: 'monitor',
        balls: 1,
        hitAtMs,
        leftOut: null,
        strike: null,
        deleted: false,
        version: 1,
      }
    }
    for (let i = 0; i < shots; i += 500)
      await this.send('POST', `/api/players/${id}/shots`, {
        shots: Array.from({ length: Math.min(500, shots - i) }, (_, j) => shot(i + j)),
      })
    return { id, shot, session: visits[0]!.id }
  }
}
