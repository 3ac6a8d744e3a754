import { mergedGo, type GoRecord } from '#shared/practice'
import { api, isAway, Refused } from '~/utils/api'

/** A go of the player's own phone: by which link it was made, and whether the server has its last state. */
interface OwnGo {
  link: string
  go: GoRecord
  sent: boolean
  /** Why the server will never take it. */
  refused?: string
}
const AGAIN_MS = 20_000

/**
 * Goes of homework on the player's own phone: kept here at once, sent by the link that they were made by when there is
 * a network.
 * @param told what the server knows of them
 */
export function useOwnGoes(mark: Ref<string>, token: Ref<string>, told: Ref<readonly GoRecord[]>) {
  const serializer = {
    read: (text: string) => JSON.parse(text) as OwnGo[],
    write: (value: OwnGo[]) => JSON.stringify(value),
  }
  const kept = useLocalStorage<OwnGo[]>('uzzet-own-goes', [], { serializer, shallow: true })
  const failure = ref('')
  const own = computed(() => kept.value.filter(({ link }) => link === mark.value))
  const waiting = computed(() => own.value.filter(({ sent, refused }) => !sent && !refused).length)
  const refused = computed(() => own.value.filter(one => one.refused))
  /** As this phone and the server know them together, newest first. */
  const goes = computed(() => {
    const all = new Map(told.value.map(go => [go.id, go]))
    for (const { go } of own.value) {
      const known = all.get(go.id)
      all.set(go.id, known ? mergedGo(known, go) : go)
    }
    return [...all.values()].filter(({ gone }) => !gone).sort((a, b) => b.startedAtMs - a.startedAtMs)
  })

  function place(next: OwnGo): void {
    kept.value = [...kept.value.filter(({ go }) => go.id !== next.go.id), next]
  }
  function put(go: GoRecord): void {
    place({ link: mark.value, go, sent: false })
    void send()
  }

  let sending = false
  async function send(): Promise<void> {
    if (sending || !token.value) return
    sending = true
    failure.value = ''
    try {
      for (const { go } of own.value.filter(one => !one.sent && !one.refused)) {
        try {
          const answer = await api('/api/link/goes', { method: 'POST', body: go, token: token.value })
          const now = kept.value.find(one => one.go.id === go.id)
          // A ball that was logged meanwhile goes with the next one.
          if (now && answer.taken.includes(go.id)) place({ ...now, sent: now.go.version === go.version })
        } catch (error) {
          if (error instanceof Refused && [403, 404, 409, 422].includes(error.status)) {
            const now = kept.value.find(one => one.go.id === go.id)
            if (now) place({ ...now, refused: error.message })
            continue
          }
          failure.value = isAway(error) ? 'No connection: sent by itself later.' : (error as Error).message
          return
        }
      }
    } finally {
      sending = false
    }
  }
  useEventListener('online', () => void send())
  useIntervalFn(() => {
    if (waiting.value > 0) void send()
  }, AGAIN_MS)
  /** What the server has, and tells as well as this phone knows it, need not be kept here too. */
  function letGo(): void {
    const versions = new Map(told.value.map(({ id, version }) => [id, version]))
    kept.value = kept.value.filter(({ sent, go }) => !sent || (versions.get(go.id) ?? 0) < go.version)
  }
  onMounted(() => {
    letGo()
    void send()
  })
  return { goes, waiting, refused, failure, put, send }
}
