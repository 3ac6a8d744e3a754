import { useAccount } from '~/offline/stores/account'
import { keepSent } from '~/offline/kept'
import { postAsCoach } from '~/offline/outbox/coach-post'
import type { Entry, Lacking, OutboxItem } from '~/offline/outbox/entries'
import { useOutboxItems } from '~/offline/outbox/items'
import { makeQueue } from '~/offline/outbox/queue'

/** What the coach who is signed in entered and the server has not confirmed. */
export const useOutbox = defineStore('outbox', () => {
  const account = useAccount()
  const { replace, ...queue } = makeQueue<Entry>(useOutboxItems(), {
    by: () => account.account?.id,
    maySend: () => Boolean(account.account),
    send: postAsCoach,
    onTaken: items =>
      keepSent(
        items[0]!.playerId,
        items.map(item => item.entry),
      ),
    lock: 'uzzet-outbox',
    shutAgainMs: null,
  })

  /** Refused balls with other belongings: another club, another swing length, another session. */
  async function give(list: readonly OutboxItem[], to: Partial<Record<Lacking, string>>): Promise<void> {
    await replace(
      list.map(({ refused: _, lacks: __, ...item }) =>
        item.entry.kind === 'shot'
          ? { ...item, entry: { kind: 'shot', record: { ...item.entry.record, ...to } } }
          : item,
      ),
    )
    await queue.send()
  }

  return { ...queue, give }
})
