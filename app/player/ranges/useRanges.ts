import type { RangeRecord, RangeTarget } from '#shared/schemas/range'
import { api } from '~/offline/api'

/** The academy's ranges with their signs and targets; the last ones known are there without the network too. */
export const useRanges = createSharedComposable(() => {
  const kept = useLocalStorage<RangeRecord[]>('uzzet-ranges', [])
  const failure = ref<string>()
  const ranges = computed(() => kept.value.filter(range => !range.archived))

  async function load(): Promise<void> {
    try {
      kept.value = await api('/api/ranges')
      failure.value = undefined
    } catch (error) {
      failure.value = (error as Error).message
    }
  }

  async function put(range: RangeRecord): Promise<void> {
    const saved = await api('/api/ranges/:rangeId', { params: { rangeId: range.id }, method: 'PUT', body: range })
    kept.value = [...kept.value.filter(other => other.id !== saved.id), saved].sort((a, b) =>
      a.name.localeCompare(b.name),
    )
  }

  const rangeOf = (id: string | null) => kept.value.find(range => range.id === id)
  const targetOf = (rangeId: string | null, targetId: string | null): RangeTarget | undefined =>
    rangeOf(rangeId)?.targets.find(target => target.id === targetId)

  return { ranges, all: kept, failure, load, put, rangeOf, targetOf }
})
