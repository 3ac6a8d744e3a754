import type { LiveMessage } from '#shared/device'

/** Silence after which the line is taken for dead, and opened anew; the server pings every 15 s. */
const DEAD_MS = 40_000
const AGAIN_MS = 2000

/**
 * The live line of an open session: what devices send and what other screens log, as it happens. It comes back by
 * itself, and brings the record up to date when it does. While nobody looks at the page it is closed.
 * @param address of the line, or undefined while there is nothing to listen to
 */
export function useLiveLine(
  address: () => string | undefined,
  onMessage: (message: LiveMessage) => void,
  onBack: () => void,
) {
  const visibility = useDocumentVisibility()
  const url = computed(() => (visibility.value === 'visible' ? address() : undefined))
  const { status, eventSource, open } = useEventSource(url, [], { autoReconnect: { retries: -1, delay: AGAIN_MS } })
  let lastSign = Date.now()
  let opened = false
  useEventListener(eventSource, 'open', () => {
    lastSign = Date.now()
    if (opened) onBack()
    opened = true
  })
  useEventListener(eventSource, 'ping', () => {
    lastSign = Date.now()
  })
  useEventListener(eventSource, 'balls', ({ data }: MessageEvent<string>) => {
    lastSign = Date.now()
    onMessage(JSON.parse(data) as LiveMessage)
  })
  useIntervalFn(() => {
    if (status.value === 'OPEN' && Date.now() - lastSign > DEAD_MS) open()
  }, 5000)
  useEventListener('online', open)
  return status
}
