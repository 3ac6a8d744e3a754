import { isAway, Refused } from '~/offline/api'

/** A document that the player's own phone made: by which link, and whether the server has its last state. */
interface OwnDocument<T> {
  link: string
  go: T
  sent: boolean
  /** Why the server will never take it. */
  refused?: string
}
const AGAIN_MS = 20_000
/** Answers that another try does not change. */
const FINAL = [403, 404, 409, 422]

/**
 * Documents of the player's own phone: kept here at once, sent by the link that they were made by when there is a
 * network.
 * @param place what they are kept under on this phone
 * @param post sends one; the ids that the server has now
 */
export function useOwnDocuments<T extends { id: string; version: number }>(
  place: string,
  mark: Ref<string>,
  token: Ref<string>,
  post: (document: T, token: string) => Promise<readonly string[]>,
) {
  const serializer = {
    read: (text: string) => JSON.parse(text) as OwnDocument<T>[],
    write: (value: OwnDocument<T>[]) => JSON.stringify(value),
  }
  const kept = useLocalStorage<OwnDocument<T>[]>(place, [], { serializer, shallow: true })
  const failure = ref('')
  const own = computed(() => kept.value.filter(({ link }) => link === mark.value))
  const waiting = computed(() => own.value.filter(({ sent, refused }) => !sent && !refused).length)
  const refused = computed(() => own.value.filter(one => one.refused))

  function put(next: OwnDocument<T>): void {
    kept.value = [...kept.value.filter(({ go }) => go.id !== next.go.id), next]
  }
  function add(document: T): void {
    put({ link: mark.value, go: document, sent: false })
    void send()
  }
  const letGo = (isDone: (one: OwnDocument<T>) => boolean): void => {
    kept.value = kept.value.filter(one => !isDone(one))
  }

  let sending = false
  async function send(): Promise<void> {
    if (sending || !token.value) return
    sending = true
    failure.value = ''
    try {
      for (const { go } of own.value.filter(one => !one.sent && !one.refused)) {
        try {
          const taken = await post(go, token.value)
          const now = kept.value.find(one => one.go.id === go.id)
          // What was added meanwhile goes with the next one.
          if (now && taken.includes(go.id)) put({ ...now, sent: now.go.version === go.version })
        } catch (error) {
          if (error instanceof Refused && FINAL.includes(error.status)) {
            const now = kept.value.find(one => one.go.id === go.id)
            if (now) put({ ...now, refused: error.message })
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
  onMounted(() => void send())
  return { own, waiting, refused, failure, add, send, letGo }
}
