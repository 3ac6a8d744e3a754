import type { InternalApi } from 'nitropack/types'
import type { FetchError, FetchResponse } from 'ofetch'
import { SERVER_TIME_HEADER } from '#shared/clock'
import type { FieldError, Refusal } from '#shared/errors'
import { heardServerTime } from '~/offline/server-clock'

/** The server said no, and why. */
export class Refused extends Error {
  constructor(
    readonly status: number,
    message: string,
    readonly errors: FieldError[],
    readonly current: unknown,
    readonly retryAfterMs = 0,
  ) {
    super(message)
  }
}

/** No answer of our server: the network or the server is away. What was entered is kept where it is. */
export class Unreachable extends Error {
  constructor(message = 'No connection to the server. Nothing you entered is lost; try again when it is back.') {
    super(message)
  }
}

/**
 * Somebody else answered: a network's sign-on page, a maintenance page, a proxy. It says nothing about what was sent.
 */
export class NotOurs extends Unreachable {
  constructor(readonly status: number) {
    super(
      `Something between here and the server answered in its place ` +
        `(${status}). Nothing you entered is lost; it is tried again.`,
    )
  }
}

/**
 * True when it says nothing of what was asked: no answer of ours, or one that its database is away. What is kept here
 * serves.
 */
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
  const { response, data } = error as FetchError<{ message?: string; data?: Refusal & { current?: unknown } }>
  if (!response) return new Unreachable()
  if (!hearTime(response, askedAtMs)) return new NotOurs(response.status)
  const wait = retryAfterMs(response)
  if (response.status >= 500)
    return new Refused(
      response.status,
      data?.data?.message ??
        `The server failed at this (${response.status}). Nothing you entered is lost; try again in a moment.`,
      [],
      undefined,
      wait,
    )
  return new Refused(
    response.status,
    data?.data?.message ?? data?.message ?? `The server refused this (${response.status}).`,
    data?.data?.errors ?? [],
    data?.data?.current,
    wait,
  )
}

/** What is done when the server does not know the coach any more: the account's business, which says it here. */
let whenSignedOut = () => {}
export function onSignedOut(work: () => void): void {
  whenSignedOut = work
}

/** A route of our server as its file names it: "/api/players/:playerId". */
export type Route = Extract<Exclude<keyof InternalApi, '/api/**'>, `/api/${string}`>
/** The methods that a route answers to: the server's own files say so. */
type MethodOf<R extends Route> = Uppercase<Extract<keyof InternalApi[R], string>>
/** What a route answers: the type of its handler, after its way through JSON. */
export type Reply<R extends Route, M extends string> = InternalApi[R][Lowercase<M> & keyof InternalApi[R]]
/** The names in a route that are filled in. */
type ParamOf<R extends string> = R extends `${string}/:${infer Name}/${infer Rest}`
  ? Name | ParamOf<`/${Rest}`>
  : R extends `${string}/:${infer Name}`
    ? Name
    : never
/** A name that has no value yet is refused by {@link pathOf}: no route is asked with a hole in it. */
type Filled = string | number | null | undefined
type Params<R extends string> = Record<ParamOf<R>, Filled>

type RouteOptions<R extends Route, M extends string> = {
  query?: Record<string, Filled>
  body?: object
  signal?: AbortSignal
  token?: string
  /** What is large takes longer on its way. */
  patienceMs?: number
} & ([ParamOf<R>] extends [never] ? { params?: undefined } : { params: Params<R> }) &
  ('GET' extends M ? { method?: M } : { method: M })

/** A method that may be left out, and a route without names in it, need no options. */
type Given<O> = Record<string, never> extends O ? [options?: O] : [options: O]

/** The path of a route with its names filled in. @throws Error on a name without a value */
export function pathOf(route: string, params: Readonly<Record<string, Filled>> = {}): string {
  return route.replace(/:(\w+)/g, (_, name: string) => {
    const value = params[name]
    if (value == null) throw new Error(`${route} asks for ${name}.`)
    return encodeURIComponent(value)
  })
}

/** An answer that was asked for ahead serves for so long: what is asked later wants what is so later. */
const AHEAD_MS = 5000
const PATIENCE_MS = 20_000

interface Ahead {
  answer: Promise<FetchResponse<unknown>>
  askedAtMs: number
}
const ahead = new Map<string, Ahead>()

/**
 * Asks for what a page is about to ask for, while its script is still on the way. The first who asks for this path
 * takes the answer, or the failure; whoever asks after that asks anew.
 */
export function askAhead(path: string): void {
  const asked: Ahead = { answer: $fetch.raw<unknown>(path, { retry: 0, timeout: PATIENCE_MS }), askedAtMs: Date.now() }
  ahead.set(path, asked)
  // A failure is told to whoever has taken it by then; who comes later asks anew.
  asked.answer.catch(() => {
    if (ahead.get(path) === asked) ahead.delete(path)
  })
}

/** What was asked ahead was asked by who was signed in then: nobody else takes it. */
export function dropAhead(): void {
  ahead.clear()
}

function takenAhead(path: string): Ahead | undefined {
  const asked = ahead.get(path)
  ahead.delete(path)
  return asked && Date.now() - asked.askedAtMs < AHEAD_MS ? asked : undefined
}

/** Asks our own server. @returns what that route answers @throws Refused or Unreachable, never anything else */
export async function api<R extends Route, M extends MethodOf<R> = Extract<MethodOf<R>, 'GET'>>(
  route: R,
  ...[options]: Given<RouteOptions<R, M>>
): Promise<Reply<R, M>> {
  const { method = 'GET', params, query, body, signal, token, patienceMs = PATIENCE_MS } = options ?? {}
  const path = pathOf(route, params)
  const known = method === 'GET' && !query && !signal && !token ? takenAhead(path) : undefined
  const askedAtMs = known?.askedAtMs ?? Date.now()
  const headers = token ? { authorization: `Bearer ${token}` } : {}
  let response: FetchResponse<Reply<R, M>>
  try {
    // The framework's own types of this call are too deep for the checker: the reply is typed by the route above.
    const { raw } = $fetch as { raw: (path: string, o: object) => Promise<FetchResponse<Reply<R, M>>> }
    response = known
      ? ((await known.answer) as FetchResponse<Reply<R, M>>)
      : await raw(path, { method, query, body, signal, headers, retry: 0, timeout: patienceMs })
  } catch (error) {
    const why = explain(error, askedAtMs)
    if (why instanceof Refused && why.status === 401 && !token && !route.startsWith('/api/auth/')) whenSignedOut()
    throw why
  }
  if (!hearTime(response, askedAtMs)) throw new NotOurs(response.status)
  return response._data as Reply<R, M>
}
