import { v7 as newId } from 'uuid'
import type { Method } from '#core/shot/shot'
import type { LinkView } from '#shared/player-link'
import { markOfLink } from '~/offline/outbox/own-post'
import { useOwnOutbox } from '~/offline/stores/own-outbox'
import { tokenInHash } from '~/features/published/link-token'
import { apiOrKept, forgetKept } from '~/offline/kept'
import type { OutboxItem, OwnEntry } from '~/offline/outbox/entries'
import { serverNowMs } from '~/offline/server-clock'

/**
 * The chart on the player's own phone: the token stands behind the "#" of the address, is kept on the phone, and opens
 * the chart also without a network once it was opened with one. Own balls wait here, by link, until they are sent.
 */
export function useCard() {
  const token = useLocalStorage('uzzet-card', '')
  const outbox = useOwnOutbox()
  const mark = ref('')
  const view = shallowRef<LinkView>()
  const failure = ref('')

  const queue = computed(() => outbox.of(mark.value))
  const isBall = ({ entry }: OutboxItem<OwnEntry>) => entry.kind === 'own-ball'
  const waiting = computed(() => [...queue.value.waiting.value, ...queue.value.aside.value].filter(isBall))
  const refused = computed(() => queue.value.refused.value.filter(isBall))
  /** Of other players whose links this phone has. */
  const ofOthers = computed(
    () =>
      outbox.items.filter(
        ({ by, entry, refused: why }) => entry.kind === 'own-ball' && by !== mark.value && why === undefined,
      ).length,
  )
  const keeps = computed(() => queue.value.keeps.value)
  const away = computed(() => queue.value.stuck.value && queue.value.state.value === 'away')
  /** Why what is over the ceiling stays here for now. */
  const full = computed(() => (queue.value.state.value === 'full' ? queue.value.why.value : ''))
  /** Why what waits is not taken by this link. */
  const shut = computed(() =>
    queue.value.state.value === 'signed-out' && waiting.value.length > 0 ? queue.value.why.value : '',
  )

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
    const given = tokenInHash(hash)
    if (given && given !== token.value) {
      token.value = given
      await forgetKept()
    }
    if (token.value) {
      mark.value = await markOfLink(token.value)
      // What waits goes beside the chart's own coming.
      void outbox.open(mark.value, token.value)
    }
    await load()
  }

  function log(clubId: string, rungId: string, carryM: number, method: Method): Promise<void> {
    const record = { id: newId(), clubId, rungId, carryM, method, hitAtMs: serverNowMs() }
    return queue.value.add('', { kind: 'own-ball', record })
  }

  const sendNow = () => queue.value.sendNow()
  const discard = (item: OutboxItem<OwnEntry>) => queue.value.discard(item)

  return {
    view,
    mark,
    token,
    failure,
    shut,
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
