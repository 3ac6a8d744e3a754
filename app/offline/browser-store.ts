import type { DBSchema, IDBPDatabase } from 'idb'

/** A store of this browser: what is done with it, and with one that was closed opened again. */
export interface BrowserStore<S extends DBSchema> {
  /**
   * Does something with the store. A store that was closed meanwhile (a phone that slept, storage that was cleared) is
   * opened again once.
   * @throws whatever the browser says when it will not: a private window, no room, storage that is shut
   */
  use: <T>(work: (db: IDBPDatabase<S>) => Promise<T>) => Promise<T>
}

/** Errors of a connection that has ended, by name: a new one may do. (W3C Indexed Database API, 3.) */
const ENDED = ['InvalidStateError', 'AbortError', 'UnknownError', 'TransactionInactiveError']

function hasEnded(error: unknown): boolean {
  return error instanceof Error && ENDED.includes(error.name)
}

/**
 * @param name of the store in this browser
 * @param upgrade makes its parts, when it is there for the first time
 */
export function browserStore<S extends DBSchema>(
  name: string,
  upgrade: (db: IDBPDatabase<S>) => void,
): BrowserStore<S> {
  let opening: Promise<IDBPDatabase<S>> | undefined

  function forget(promise: Promise<IDBPDatabase<S>>): void {
    if (opening === promise) opening = undefined
  }

  function open(): Promise<IDBPDatabase<S>> {
    if (opening) return opening
    const promise = import('idb').then(({ openDB }) =>
      openDB<S>(name, 1, {
        upgrade,
        // Another tab wants to change or delete it: this one lets go, and opens it again when it is needed.
        blocking: (_, __, event) => (event.target as IDBDatabase).close(),
        terminated: () => forget(promise),
      }),
    )
    promise.then(
      db => db.addEventListener('close', () => forget(promise)),
      () => forget(promise),
    )
    return (opening = promise)
  }

  async function use<T>(work: (db: IDBPDatabase<S>) => Promise<T>): Promise<T> {
    const first = open()
    try {
      return await work(await first)
    } catch (error) {
      if (!hasEnded(error)) throw error
      forget(first)
      return work(await open())
    }
  }

  return { use }
}
