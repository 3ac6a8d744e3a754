import { readdirSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import { v7 as newId } from 'uuid'
import { inject } from 'vitest'
import type { Role } from '../../shared/rights'
import type { Refusal } from '../../shared/errors'
import { USUAL_PLAN } from '../../shared/choices'

export { newId }

export interface Reply<T> {
  status: number
  body: T
  headers: Headers
}
interface RefusedBody {
  message: string
  data?: Refusal & { current?: unknown }
}

/** A browser in miniature: keeps its cookie, speaks JSON. */
export class Client {
  cookie = ''
  constructor(readonly url = inject('url')) {}

  async send<T = unknown>(
    method: string,
    path: string,
    body?: unknown,
    headers: Record<string, string> = {},
  ): Promise<Reply<T>> {
    const raw = typeof body === 'string'
    const reply = await fetch(this.url + path, {
      method,
      body: body === undefined ? undefined : raw ? body : JSON.stringify(body),
      headers: { cookie: this.cookie, ...(body !== undefined && { 'content-type': 'application/json' }), ...headers },
    })
    const set = reply.headers.get('set-cookie')
    if (set) this.cookie = set.split(';')[0]!
    // A live line has no end to wait for.
    if (reply.headers.get('content-type')?.includes('event-stream')) {
      await reply.body!.cancel()
      return { status: reply.status, headers: reply.headers, body: undefined as T }
    }
    const text = await reply.text()
    return {
      status: reply.status,
      headers: reply.headers,
      body: (reply.headers.get('content-type')?.includes('json') && text ? JSON.parse(text) : text) as T,
    }
  }

  /** A file as it comes. */
  async bytes(path: string): Promise<ArrayBuffer> {
    const reply = await fetch(this.url + path, { headers: { cookie: this.cookie } })
    if (!reply.ok) throw new Error(`${path} answered ${reply.status}: ${await reply.text()}`)
    return reply.arrayBuffer()
  }

  get = <T = unknown>(path: string) => this.send<T>('GET', path)
  post = <T = unknown>(path: string, body: unknown = {}) => this.send<T>('POST', path, body)
  put = <T = unknown>(path: string, body: unknown) => this.send<T>('PUT', path, body)
  patch = <T = unknown>(path: string, body: unknown) => this.send<T>('PATCH', path, body)
}

let coaches = 0
export const PASSWORD = 'links and wind'

/** A new coach with an academy of their own, signed in. */
export async function newCoach(name = 'Ada Vane', url?: string): Promise<Client & { email: string }> {
  const client = new Client(url) as Client & { email: string }
  client.email = `coach${++coaches}-${newId().slice(-8)}@saltmarsh.example`
  const { status } = await client.post('/api/auth/sign-up', {
    name,
    academy: 'Test Links',
    email: client.email,
    password: PASSWORD,
  })
  if (status !== 201) throw new Error(`sign-up answered ${status}`)
  return client
}

/** Somebody who came into the owner's academy by an invitation, signed in. */
export async function joined(owner: Client, role: Role, name = `A ${role}`): Promise<Client & { email: string }> {
  const asked = { id: newId(), role, forWhom: name }
  const { body } = await owner.post<{ token: string }>('/api/academy/invitations', asked)
  const client = new Client() as Client & { email: string }
  client.email = `${role}-${newId()}@saltmarsh.example`
  const person = { token: body.token, name, email: client.email, password: PASSWORD }
  const { status } = await client.post('/api/auth/join', person)
  if (status !== 201) throw new Error(`join answered ${status}`)
  return client
}

export async function newPlayer(coach: Client, name = 'Pip Marlow'): Promise<string> {
  const id = newId()
  const { status } = await coach.post('/api/players', { id, name, level: 'unknown', note: '' })
  if (status !== 201) throw new Error(`new player answered ${status}`)
  return id
}

export function aBag(version = 1) {
  return {
    version,
    clubs: [
      { id: newId(), label: '56°', name: 'sand wedge', loftDeg: 56, retired: false },
      { id: newId(), label: '50°', name: '', loftDeg: 50, retired: false },
    ],
    scale: {
      school: 'clock',
      rungs: [
        { id: newId(), label: '9:00', cue: 'lead arm level', flight: 'normal', retired: false },
        { id: newId(), label: 'full', cue: '', flight: 'normal', retired: false },
      ],
    },
    struckOut: [] as { clubId: string; rungId: string }[],
  }
}

/** A player with a bag and a running session. */
export async function atTheRange(coach: Client) {
  const playerId = await newPlayer(coach)
  const bag = aBag()
  await coach.put(`/api/players/${playerId}/bag`, bag)
  const session = {
    id: newId(),
    startedAtMs: Date.now(),
    endedAtMs: null,
    method: 'monitor',
    ball: 'own',
    surface: 'grass',
    air: [],
    plan: USUAL_PLAN,
    version: 1,
  }
  await coach.put(`/api/players/${playerId}/sessions/${session.id}`, session)
  const shot = (change: object = {}) => ({
    id: newId(),
    sessionId: session.id,
    clubId: bag.clubs[0]!.id,
    rungId: bag.scale.rungs[0]!.id,
    carryM: 65.8368,
    method: 'monitor',
    balls: 1,
    hitAtMs: Date.now(),
    leftOut: null as string | null,
    strike: null as string | null,
    readings: null as object | null,
    taken: null as object | null,
    deleted: false,
    version: 1,
    ...change,
  })
  const log = (...shots: object[]) =>
    coach.post<{ taken: string[] } & RefusedBody>(`/api/players/${playerId}/shots`, { shots })
  return { playerId, bag, session, shot, log }
}

/** The fields a refusal names, with their sentences. */
export function refusal(reply: Reply<unknown>): Record<string, string> {
  const { data } = reply.body as RefusedBody
  return Object.fromEntries((data?.errors ?? []).map(e => [e.field, e.message]))
}

/** Quoted-printable, as far as mails of ours have it: soft ends of lines, and "=" as "=3D". */
const plain = (mail: string) => mail.replace(/=\r?\n/g, '').replaceAll('=3D', '=')

/** Mails to somebody, newest last, as soon as there are so many: they are written after the answer. */
export async function mailsTo(email: string, least: number): Promise<string[]> {
  const folder = inject('mails')
  for (let tries = 0; ; tries++) {
    const all = readdirSync(folder)
      .filter(name => !name.startsWith('.'))
      .sort()
      .map(name => plain(readFileSync(join(folder, name), 'utf8')))
      .filter(mail => mail.includes(`To: ${email}`))
    if (all.length >= least || tries > 40) return all
    await new Promise(resolve => setTimeout(resolve, 50))
  }
}
