import { v7 as newId } from 'uuid'
import type { PublishedChart, PublishedWhich } from '#core/history/published'
import type { PublishedLine } from '#shared/published'
import { api } from '~/offline/api'
import { useAccount } from '~/offline/stores/account'
import { apiOrKept } from '~/offline/kept'

/** The published charts of the open player, newest first, and the newest one itself. */
export function usePublished(playerId: Ref<string>) {
  const lines = shallowRef<PublishedLine[]>()
  const newest = shallowRef<PublishedChart>()
  const failure = ref('')
  const account = useAccount()

  async function load(): Promise<void> {
    failure.value = ''
    try {
      const params = { playerId: playerId.value }
      lines.value = await apiOrKept('/api/players/:playerId/published', { params })
      const number = lines.value[0]?.number
      newest.value =
        number === undefined
          ? undefined
          : await apiOrKept('/api/players/:playerId/published/:number', { params: { ...params, number } })
    } catch (error) {
      failure.value = (error as Error).message
    }
  }

  /** Made once a form: tried again after a lost answer, it is the same one. */
  let id = newId()
  /** @throws Refused or Unreachable */
  async function publish(note: string, which: PublishedWhich): Promise<PublishedChart> {
    newest.value = await api('/api/players/:playerId/published', {
      params: { playerId: playerId.value },
      method: 'POST',
      body: { id, unit: account.unit, note, which },
    })
    id = newId()
    await load()
    return newest.value
  }

  watch(
    playerId,
    () => {
      lines.value = newest.value = undefined
      void load()
    },
    { immediate: true },
  )
  return { lines, newest, failure, load, publish }
}
