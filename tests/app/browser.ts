import 'fake-indexeddb/auto'
import { IDBFactory } from 'fake-indexeddb'
import { $fetch } from 'ofetch'
import { createPinia, defineStore, setActivePinia } from 'pinia'
import { vi } from 'vitest'
import { computed, ref, shallowRef, toRaw } from 'vue'
import { SERVER_TIME_HEADER } from '../../shared/clock'

const signedIn = vi.hoisted(() => ({ coach: { account: { id: 'coach' } as { id: string } | null, signedOut: false } }))
vi.mock('../../app/offline/stores/account', () => ({ useAccount: () => signedIn.coach }))

/** A browser in miniature for stores of the page: storage, network, clock; each can be made to fail. */

export interface Asked {
  method: string
  path: string
  /** The bearer's token, if one came along. */
  token?: string
  body: {
    shots?: { id: string; hitAtMs: number; taken: { clockMs?: number } | null; clubId: string; sessionId: string }[]
    balls?: { id: string; hitAtMs: number }[]
    id?: string
    startedAtMs?: number
  }
}
export type Answer =
  | { status?: number; body?: unknown; ours?: boolean; html?: string; nowMs?: number; headers?: Record<string, string> }
  | 'down'

export function browser(answer: (asked: Asked, nth: number) => Answer) {
  const asked: Asked[] = []
  const coach = { account: { id: 'coach' } as { id: string } | null, signedOut: false }
  const kept = new Map<string, string>()
  vi.stubGlobal('indexedDB', new IDBFactory())
  vi.stubGlobal('navigator', {})
  vi.stubGlobal('localStorage', {
    getItem: (key: string) => kept.get(key) ?? null,
    setItem: (key: string, value: string) => void kept.set(key, value),
    removeItem: (key: string) => void kept.delete(key),
  })
  vi.stubGlobal('fetch', (url: string, init: { method?: string; body?: string; headers?: HeadersInit }) => {
    const one: Asked = {
      method: init.method ?? 'GET',
      path: String(url),
      token: new Headers(init.headers).get('authorization')?.replace('Bearer ', ''),
      body: init.body ? (JSON.parse(init.body) as Asked['body']) : {},
    }
    asked.push(one)
    const said = answer(one, asked.length)
    if (said === 'down') return Promise.reject(new TypeError('fetch failed'))
    const { status = 200, body = {}, ours = true, html, nowMs = Date.now(), headers = {} } = said
    return Promise.resolve(
      new Response(html ?? JSON.stringify(body), {
        status,
        headers: {
          'content-type': html ? 'text/html' : 'application/json',
          ...(ours && { [SERVER_TIME_HEADER]: String(nowMs) }),
          ...headers,
        },
      }),
    )
  })
  vi.stubGlobal(
    '$fetch',
    $fetch.create({ baseURL: 'http://uzzet.test' }, {
      fetch: (input: RequestInfo | URL, init?: RequestInit) => fetch(input, init),
    } as never),
  )
  signedIn.coach = coach
  for (const [name, value] of Object.entries({ defineStore, computed, ref, shallowRef, toRaw }))
    vi.stubGlobal(name, value)
  setActivePinia(createPinia())
  return { asked, coach, kept }
}

/** What the server answers that takes everything. */
export function takesAll({ path, body }: Asked): Answer {
  const list = /\/(shots|link\/balls)$/.test(path) ? (body.shots ?? body.balls) : undefined
  return { status: 202, body: { taken: list?.map(({ id }) => id) ?? [body.id] } }
}

/** A refusal in our own form. */
export function refuses(status: number, message: string, fields: string[] = []): Answer {
  return {
    status,
    body: {
      error: true,
      statusCode: status,
      message,
      data: { message, errors: fields.map(field => ({ field, message })) },
    },
  }
}

/** Lets all that is under way come to rest. */
export async function settled(rounds = 40): Promise<void> {
  for (let i = 0; i < rounds; i++) await new Promise(resolve => setImmediate(resolve))
}
