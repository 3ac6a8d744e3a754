import { v7 as newId } from 'uuid'
import type { Method } from '#core/shot/shot'
import { OWN_BALLS_AT_ONCE } from '#shared/limits'
import type { LinkView } from '#shared/player-link'
import { ballToSend, markOfLink, ownBallStore } from '~/offline/own-ball-queue'
import { NotOurs, api, isAway } from '~/offline/api'
import { apiOrKept, forgetKept } from '~/offline/kept'
import { clockDifferenceMs, isClockKnown, serverNowMs } from '~/offline/server-clock'

const AGAIN_MS = 20_000
const FULL_AGAIN_MS = 600_000

/** Tokens of the links that this phone was given, by their mark: a phone may carry the charts of two players. */
type Links = Record<string, string>

/**
 * The chart on the player's own phone: the token stands behind the "#" of the address, is kept on the phone, and opens
 * the chart also without a network once it was opened with one. Own balls wait here, by link, until they are sent.
 */
export function useCard() {
  const token = useLocalStorage('uzzet-card', '')
  const links = useLocalStorage<Links>('uzzet-card-links', {})
  const { balls: all, keeps, change } = ownBallStore('uzzet-own-balls', localStorage)
  const mark = ref('')
  const view = shallowRef<LinkView>()
  const failure = ref('')
  const away = ref(false)
  /** Why what is over the ceiling stays here for now. */
  const full = ref('')

  const own = computed(() => all.value.filter(ball => ball.link === mark.value))
  const waiting = computed(() => own.value.filter(ball => !ball.refused))
  const refused = computed(() => own.value.filter(ball => ball.refused))
  /** Of other players whose links this phone has. */
  const ofOthers = computed(() => all.value.filter(ball => ball.link !== mark.value && !ball.refused).length)

  async function load(): Promise<void> {
    failure.value = ''
    try {
      view.value = await apiOrKept('/api/link', { token: token.value })
    } catch (error) {
      view.value = undefined
      failure.value = token.value
        ? (error as Error).message
        : 'This is not a whole link: open the one that your coach gave you.'
    }
  }

  async function start(hash: string): Promise<void> {
    const given = decodeURIComponent(hash.slice(1))
    if (given && given !== token.value) {
      token.value = given
      await forgetKept()
    }
    if (token.value) {
      mark.value = await markOfLink(token.value)
      links.value = { ...links.value, [mark.value]: token.value }
      // Balls of an earlier version of this page say no link: they were logged by the one that was open.
      if (all.value.some(ball => !ball.link))
        change(balls => balls.map(ball => (ball.link ? ball : { ...ball, link: mark.value })))
    }
    await load()
    await send()
  }

  /** A link that is full is asked again later; the others are not held by it. */
  const notBeforeMs = new Map<string, number>()

  /** Sends a lot of one link. @returns false when it is no use to go on with this link now */
  async function sendLot(link: string, by: string): Promise<boolean> {
    const lot = all.value.filter(ball => ball.link === link && !ball.refused).slice(0, OWN_BALLS_AT_ONCE)
    if (lot.length === 0) return false
    const answer = await api('/api/link/balls', {
      method: 'POST',
      body: { balls: lot.map(ball => ballToSend(ball, clockDifferenceMs())) },
      token: by,
    })
    if (!Array.isArray(answer?.taken)) throw new NotOurs(200)
    const taken = new Set(answer.taken)
    const why = new Map((answer.refused ?? []).map(({ id, message }) => [id, message]))
    change(balls =>
      balls
        .filter(ball => !taken.has(ball.id))
        .map(ball => (why.has(ball.id) ? { ...ball, refused: why.get(ball.id) } : ball)),
    )
    if (link === mark.value) full.value = answer.full ?? ''
    if (answer.full) notBeforeMs.set(link, Date.now() + FULL_AGAIN_MS)
    return !answer.full && taken.size + why.size > 0
  }

  let sending = false
  /** Each link's balls by themselves: one that is revoked or full holds up no other's. */
  async function send(): Promise<void> {
    if (sending) return
    sending = true
    try {
      for (const [link, by] of Object.entries(links.value)) {
        if (Date.now() < (notBeforeMs.get(link) ?? 0)) continue
        try {
          while (await sendLot(link, by));
          if (link === mark.value) away.value = false
        } catch (error) {
          if (link !== mark.value) continue
          away.value = isAway(error)
          if (!away.value && waiting.value.length > 0) failure.value = (error as Error).message
        }
      }
    } finally {
      sending = false
    }
  }

  function log(clubId: string, rungId: string, carryM: number, method: Method): Promise<void> {
    const ball = {
      id: newId(),
      clubId,
      rungId,
      carryM,
      method,
      hitAtMs: serverNowMs(),
      link: mark.value,
      clockMs: isClockKnown() ? clockDifferenceMs() : null,
    }
    change(balls => [...balls, ball])
    return send()
  }

  function sendNow(): Promise<void> {
    notBeforeMs.clear()
    return send()
  }

  function discard(id: string): void {
    change(balls => balls.filter(ball => ball.id !== id))
  }

  useEventListener('online', () => void sendNow())
  useIntervalFn(() => void send(), AGAIN_MS)
  return {
    view,
    mark,
    token,
    failure,
    away,
    full,
    keeps,
    waiting,
    refused,
    ofOthers,
    load,
    start,
    log,
    sendNow,
    discard,
  }
}
