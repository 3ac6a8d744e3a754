import { Agent, request, type IncomingMessage } from 'node:http'
import { v7 as newId } from 'uuid'
import { USUAL_PLAN } from '../../shared/choices'

const LONGEST_MS = 60_000
const agent = new Agent({ keepAlive: true, maxSockets: Infinity })

/**
 * A line that was kept open may be closed by the server in the moment it is used again: then it is asked anew, as a
 * browser does. (RFC 9112, 9.3.1.)
 */
function ask(url: string, method: string, headers: Record<string, string>, text: string): Promise<IncomingMessage> {
  return new Promise((done, fail) => {
    const sizes =
      method === 'GET' ? {} : { 'content-type': 'application/json', 'content-length': Buffer.byteLength(text) }
    const asking = request(url, { method, agent, timeout: LONGEST_MS, headers: { ...sizes, ...headers } }, done)
    asking.on('timeout', () => asking.destroy(new Error(`no answer within ${LONGEST_MS / 1000} s`)))
    asking.on('error', (error: NodeJS.ErrnoException) => {
      if (asking.reusedSocket && error.code === 'ECONNRESET') ask(url, method, headers, text).then(done, fail)
      else fail(error)
    })
    asking.end(text)
  })
}
async function textOf(reply: IncomingMessage): Promise<string> {
  const parts: Buffer[] = []
  for await (const part of reply) parts.push(part as Buffer)
  return Buffer.concat(parts).toString()
}

const PASSWORD = 'links and wind'
const LOFTS = [60, 56, 51, 46]
const LENGTHS = ['8:00', '9:00', '10:00', 'full']

/** A coach with a player, a bag and a running session; a browser in miniature. */
export class Coach {
  private cookie = ''
  readonly playerId = newId()
  readonly sessionId = newId()
  readonly clubs = LOFTS.map(loft => ({ id: newId(), label: `${loft}°`, name: '', loftDeg: loft, retired: false }))
  readonly rungs = LENGTHS.map(label => ({ id: newId(), label, cue: '', flight: 'normal', retired: false }))

  constructor(private readonly url: string) {}

  /** @throws Error naming what was answered, where it was no success */
  async send(method: string, path: string, body?: object, token?: string): Promise<string> {
    const headers: Record<string, string> = token ? { authorization: `Bearer ${token}` } : { cookie: this.cookie }
    const reply = await ask(this.url + path, method, headers, body ? JSON.stringify(body) : '')
    this.cookie = reply.headers['set-cookie']?.[0]?.split(';')[0] ?? this.cookie
    const text = await textOf(reply)
    if (reply.statusCode! >= 300) throw new Error(`${method} ${path}: ${reply.statusCode} ${text.slice(0, 200)}`)
    return text
  }

  async arrive(nth: number): Promise<void> {
    const account = { name: `Coach ${nth}`, academy: `Links ${nth}`, email: `load-${newId()}@saltmarsh.example` }
    await this.send('POST', '/api/auth/sign-up', { ...account, password: PASSWORD })
    await this.send('POST', '/api/players', { id: this.playerId, name: `Player ${nth}`, level: 'good', note: '' })
    const scale = { school: 'clock', rungs: this.rungs }
    const bag = { version: 1, clubs: this.clubs, scale, struckOut: [] }
    await this.send('PUT', `/api/players/${this.playerId}/bag`, bag)
    await this.begin(this.sessionId, Date.now())
  }

  async begin(id: string, startedAtMs: number, endedAtMs: number | null = null): Promise<void> {
    const how = { method: 'monitor', ball: 'own', surface: 'grass', air: [], plan: USUAL_PLAN, version: 1 }
    await this.send('PUT', `/api/players/${this.playerId}/sessions/${id}`, { id, startedAtMs, endedAtMs, ...how })
  }

  ball(nth: number, more: object = {}) {
    const [club, rung] = [nth % LOFTS.length, Math.floor(nth / LOFTS.length) % LENGTHS.length]
    const carryM = 40 + 12 * club + 9 * rung + 3 * Math.sin(nth * 7.3)
    const at = { sessionId: this.sessionId, clubId: this.clubs[club]!.id, rungId: this.rungs[rung]!.id }
    const said = { leftOut: null, strike: null, readings: null, taken: null, deleted: false }
    return {
      id: newId(),
      ...at,
      carryM,
      method: 'monitor',
      balls: 1,
      hitAtMs: Date.now(),
      ...said,
      version: 1,
      ...more,
    }
  }

  log(nth: number): Promise<string> {
    return this.send('POST', `/api/players/${this.playerId}/shots`, { shots: [this.ball(nth)] })
  }

  /** So many balls of earlier visits, a hundred each. */
  async history(balls: number): Promise<void> {
    const [visit, lot] = [100, 500]
    for (let from = 0; from < balls; from += lot) {
      const shots = []
      for (let i = from; i < from + lot; i += visit) {
        const [id, startedAtMs] = [newId(), Date.now() - (balls - i) * 60_000]
        await this.begin(id, startedAtMs, startedAtMs + 3_600_000)
        for (let n = i; n < i + visit; n++)
          shots.push(this.ball(n, { sessionId: id, hitAtMs: startedAtMs + (n - i) * 30_000 }))
      }
      await this.send('POST', `/api/players/${this.playerId}/shots`, { shots })
    }
  }

  /** A device of the coach's, aimed at this session. @returns what sends one ball of it */
  async device(): Promise<(nth: number) => Promise<string>> {
    const id = newId()
    const { token } = JSON.parse(await this.send('POST', '/api/devices', { id, name: 'Bay' })) as { token: string }
    const aim = { playerId: this.playerId, sessionId: this.sessionId, clubId: this.clubs[0]!.id }
    const times = { fromMs: Date.now(), sentAtMs: Date.now() }
    await this.send('PUT', `/api/devices/${id}/aim`, { at: { ...aim, rungId: this.rungs[0]!.id }, ...times })
    return nth => this.send('POST', '/api/ingest/shots', [{ id: newId(), carry_m: 50 + (nth % 9) }], token)
  }

  /** Opens the live line. @returns how many messages came, and what closes it */
  async listen(): Promise<{ heard: () => number; close: () => void }> {
    const path = `/api/players/${this.playerId}/sessions/${this.sessionId}/live`
    const reply = await ask(this.url + path, 'GET', { cookie: this.cookie }, '')
    if (reply.statusCode !== 200) throw new Error(`live: ${reply.statusCode}`)
    let heard = 0
    reply.on('data', (part: Buffer) => (heard += part.toString().split('event: balls').length - 1))
    reply.on('error', () => undefined)
    return { heard: () => heard, close: () => reply.destroy() }
  }
}
