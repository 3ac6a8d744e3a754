import type { FetchError } from 'ofetch'
import type { FieldError, Refusal } from '#shared/errors'

/** The server said no, and why. */
export class Refused extends Error {
  constructor(readonly status: number, message: string, readonly errors: FieldError[], readonly current: unknown) {
    super(message)
  }
}

/** No answer: the network or the server is away. What was entered is kept where it is. */
export class Unreachable extends Error {
  constructor() {
    super('No connection to the server. Nothing you entered is lost; try again when it is back.')
  }
}

function explain(error: unknown): Error {
  const { response, data } = error as FetchError<{ message?: string, data?: Refusal & { current?: unknown } }>
  if (!response) return new Unreachable()
  if (response.status >= 500) return new Refused(response.status, `The server failed at this (${response.status}). Nothing you entered is lost; try again in a moment.`, [], undefined)
  return new Refused(response.status, data?.data?.message ?? data?.message ?? `The server refused this (${response.status}).`, data?.data?.errors ?? [], data?.data?.current)
}

interface Options { method?: 'GET' | 'POST' | 'PUT' | 'PATCH' | 'DELETE', body?: object, signal?: AbortSignal, token?: string }

/** Asks our own server. @throws Refused or Unreachable, never anything else */
export async function api<T>(path: string, { method = 'GET', body, signal, token }: Options = {}): Promise<T> {
  try {
    // Typed routes would be checked by Nuxt; the contract is in shared/, and the reply is named by the caller.
    return await ($fetch as (path: string, options: object) => Promise<T>)(path, { method, body, signal, headers: token ? { authorization: `Bearer ${token}` } : {}, retry: 0, timeout: 20_000 })
  } catch (error) {
    const known = explain(error)
    if (known instanceof Refused && known.status === 401 && !token && !path.startsWith('/api/auth/')) useAccount().signedOut = true
    throw known
  }
}
