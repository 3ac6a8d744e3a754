import { LRUCache } from 'lru-cache'

/** How much is kept of each kind: more than a chart of every club in every air asks for. */
const MOST_KEPT = 5_000

/**
 * What was worked out before, so that it is not worked out again. It changes how long an answer takes, never the
 * answer.
 * Whoever asks more than once (a worker, a server's thread) makes one and hands it in; the core itself keeps nothing.
 */
export interface Memo {
  /** What `work` gave for this key of this kind, or gives now. */
  recall: <T>(kind: string, key: string, work: () => T) => T
  /** What was made for this object, which never changes, or is made now; forgotten with the object. */
  about: <T extends object>(kind: string, object: object, make: () => T) => T
}

/** An empty memo. @example newMemo().recall('sum', '1+1', () => 2) // => 2 */
export function newMemo(): Memo {
  const kinds = new Map<string, LRUCache<string, { value: unknown }>>()
  const objects = new Map<string, WeakMap<object, object>>()
  return {
    recall<T>(kind: string, key: string, work: () => T): T {
      const kept = kinds.get(kind) ?? new LRUCache<string, { value: unknown }>({ max: MOST_KEPT })
      kinds.set(kind, kept)
      const found = kept.get(key)
      if (found) return found.value as T
      const value = work()
      kept.set(key, { value })
      return value
    },
    about<T extends object>(kind: string, object: object, make: () => T): T {
      const kept = objects.get(kind) ?? new WeakMap<object, object>()
      objects.set(kind, kept)
      const found = kept.get(object)
      if (found) return found as T
      const made = make()
      kept.set(object, made)
      return made
    },
  }
}
