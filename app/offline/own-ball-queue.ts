import { useEventListener } from '@vueuse/core'
import { ref, shallowRef, type Ref } from 'vue'
import type { OwnBall } from '#shared/schemas/player-link'
import { CLOCK_GOOD_MS } from '#shared/clock'

/** A player's own ball on its way: by which link it was logged, and by what clock. */
export interface WaitingBall extends OwnBall {
  /** Beginning of the hash of the link's token; the token itself stands in one place only. */
  link: string
  clockMs?: number | null
  /** Why the server will never take it. */
  refused?: string
}

/**
 * A mark of a link by which its balls are told from another's, without the token. @returns eight bytes of SHA-256, as
 * hex
 */
export async function markOfLink(token: string): Promise<string> {
  const bytes = new Uint8Array(await crypto.subtle.digest('SHA-256', new TextEncoder().encode(token)))
  return [...bytes.slice(0, 8)].map(byte => byte.toString(16).padStart(2, '0')).join('')
}

/** As it is sent, its time set right where the clock is known better now. */
export function ballToSend(
  { id, clubId, rungId, carryM, method, hitAtMs, clockMs = null }: WaitingBall,
  knownMs: number,
): OwnBall {
  const addMs = clockMs === null && Math.abs(knownMs) >= CLOCK_GOOD_MS ? knownMs : 0
  return { id, clubId, rungId, carryM, method, hitAtMs: hitAtMs + addMs }
}

/** Where own balls wait: all of this phone's, whatever link or tab they were logged by. */
export interface OwnBallStore {
  balls: Readonly<Ref<readonly WaitingBall[]>>
  /** False while this phone keeps nothing: what waits is on this page alone. */
  keeps: Readonly<Ref<boolean>>
  /** Changes the list as it stands now, another tab's entries included. */
  change: (to: (balls: readonly WaitingBall[]) => readonly WaitingBall[]) => void
}

function parsed(text: string | null): WaitingBall[] {
  try {
    const list = JSON.parse(text ?? '[]') as unknown
    return Array.isArray(list) ? (list as WaitingBall[]) : []
  } catch {
    // Nothing of ours can be read there; what is logged from now on takes its place.
    return []
  }
}

/** @param storage of the browser; reading and writing it may fail */
export function ownBallStore(key: string, storage: Pick<Storage, 'getItem' | 'setItem'>): OwnBallStore {
  const keeps = ref(true)
  const unkept = new Set<string>()

  function read(): WaitingBall[] | null {
    try {
      return parsed(storage.getItem(key))
    } catch {
      keeps.value = false
      return null
    }
  }

  const balls = shallowRef<readonly WaitingBall[]>(read() ?? [])

  /** What is kept, and what this page alone has. */
  function current(): readonly WaitingBall[] {
    const kept = read()
    if (!kept) return balls.value
    const ids = new Set(kept.map(ball => ball.id))
    return [...kept, ...balls.value.filter(ball => unkept.has(ball.id) && !ids.has(ball.id))]
  }

  function change(to: (list: readonly WaitingBall[]) => readonly WaitingBall[]): void {
    const next = to(current())
    balls.value = next
    try {
      storage.setItem(key, JSON.stringify(next))
      unkept.clear()
      keeps.value = true
    } catch (error) {
      console.error('own balls:', error)
      for (const ball of next) unkept.add(ball.id)
      keeps.value = false
    }
  }

  useEventListener('storage', (event: StorageEvent) => {
    if (event.key === key) balls.value = current()
  })
  return { balls, keeps, change }
}
