import type { FetchError, FetchResponse } from 'ofetch'
import { SERVER_TIME_HEADER } from '#shared/clock'
import type { FieldError, Refusal } from '#shared/errors'
import { heardServerTime } from '~/utils/server-clock'

/** The server said no, and why. */
export class Refused extends Error {
  constructor(readonly status: number, message: string, readonly errors: FieldError[], readonly current: unknown, readonly retryAfterMs = 0) {
    super(message)
  }
}

/** No answer of our server: the network or the server is away. What was entered is kept where it is. */
export class Unreachable extends Error {
  constructor(message = 'No connection to the server. Nothing you entered is lost; try again when it is back.') {
    super(message)
  }
}

/** Somebody else answered: a network's sign-on page, a maintenance page, a proxy. It says nothing about what was sent. */
export class NotOurs extends Unreachable {
  constructor(readonly status: number) {
    super(`Something between here and the server answered in its place (${status}). Nothing you entered is lost; it is tried again.`)
  }
}

/** True when it says nothing of what was asked: no answer of ours, or one that its database is away. What is kept here serves. */
export function isAway(error: unknown): boolean {
  return error instanceof Unreachable || (error instanceof Refused && error.status >= 500)
}

const RETRY_AFTER_MOST_MS = 300_000

function retryAfterMs(response: FetchResponse<unknown>): number {
  const seconds = Number(response.headers.get('retry-after'))
  return Number.isFinite(seconds) ? Math.min(RETRY_AFTER_MOST_MS, Math.max(0, seconds * 1000)) : 0
}

/** Our server's answers say its time; whoever does not is not our server. */
function hearTime(response: FetchResponse<unknown>, askedAtMs: number): boolean {
  const serverMs = Number(response.headers.get(SERVER_TIME_HEADER) ?? Number.NaN)
  if (Number.isNaN(serverMs)) return false
  heardServerTime(serverMs, askedAtMs)
  return true
}

function explain(error: unknown, askedAtMs: number): Error {
  const { response, data } = error as FetchError<{ message?: string, data?: Refusal & { current?: unknown } }>
  if (!response) return new Unreachable()
  if (!hearTime(response, askedAtMs)) return new NotOurs(response.status)
  const wait = retryAfterMs(response)
  if (response.status >= 500) return new Refused(response.status, data?.data?.message ?? `The server failed at this (${response.status}). Nothing you entered is lost; try again in a moment.`, [], undefined, wait)
  return new Refused(response.status, data?.data?.message ?? data?.message ?? `The server refused this (${response.status}).`, data?.data?.errors ?? [], data?.data?.current, wait)
}

interface Options { method?: 'GET' | 'POST' | 'PUT' | 'PATCH' | 'DELETE', body?: object, signal?: AbortSignal, token?: string }

/** Asks our own server. @throws Refused or Unreachable, never anything else */
export async function api<T>(path: string, { method = 'GET', body, signal, token }: Options = {}): Promise<T> {
  const askedAtMs = Date.now()
  const headers = token ? { authorization: `Bearer ${token}` } : {}
  let response: FetchResponse<T>
  try {
    // Typed routes would be checked by Nuxt; the contract is in shared/, and the reply is named by the caller.
    response = await ($fetch.raw as (path: string, options: object) => Promise<FetchResponse<T>>)(path, { method, body, signal, headers, retry: 0, timeout: 20_000 })
  } catch (error) {
    const known = explain(error, askedAtMs)
    if (known instanceof Refused && known.status === 401 && !token && !path.startsWith('/api/auth/')) useAccount().signedOut = true
    throw known
  }
  if (!hearTime(response, askedAtMs)) throw new NotOurs(response.status)
  return response._data as T
}
