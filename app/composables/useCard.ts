import { v7 as newId } from 'uuid'
import type { Method } from '#core/shot/shot'
import type { LinkView, OwnBall } from '#shared/player-link'

const PATH = '/api/link'

/**
 * The chart on the player's own phone: the token stands behind the "#" of the address, is kept on the phone, and opens
 * the chart also without a network once it was opened with one. Own balls wait here until they are sent.
 */
export function useCard() {
  const token = useLocalStorage('uzzet-card', '')
  const waiting = useLocalStorage<OwnBall[]>('uzzet-own-balls', [])
  const view = shallowRef<LinkView>()
  const failure = ref('')
  const away = ref(false)

  async function load(): Promise<void> {
    failure.value = ''
    try {
      view.value = await apiOrKept<LinkView>(PATH, token.value)
    } catch (error) {
      view.value = undefined
      failure.value = token.value ? (error as Error).message : 'This address has no link in it: open the one that your coach gave you.'
    }
  }

  async function start(hash: string): Promise<void> {
    const given = decodeURIComponent(hash.slice(1))
    if (given && given !== token.value) {
      token.value = given
      await forgetKept()
    }
    await load()
    await send()
  }

  let sending = false
  async function send(): Promise<void> {
    if (sending || waiting.value.length === 0 || !token.value) return
    sending = true
    const lot = waiting.value.slice(0, 200)
    try {
      await api('/api/link/balls', { method: 'POST', body: { balls: lot }, token: token.value })
      const sent = new Set(lot.map(ball => ball.id))
      waiting.value = waiting.value.filter(ball => !sent.has(ball.id))
      away.value = false
    } catch (error) {
      away.value = error instanceof Unreachable
      if (!away.value) failure.value = (error as Error).message
    } finally {
      sending = false
    }
  }

  function log(clubId: string, rungId: string, carryM: number, method: Method): Promise<void> {
    waiting.value = [...waiting.value, { id: newId(), clubId, rungId, carryM, method, hitAtMs: Date.now() }]
    return send()
  }

  useEventListener('online', () => void send())
  useIntervalFn(() => void send(), 20_000)
  return { view, failure, away, waiting, load, start, log }
}
