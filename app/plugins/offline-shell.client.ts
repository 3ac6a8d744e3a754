/// <reference types="vite-plugin-pwa/vanillajs" />
import { registerSW } from 'virtual:pwa-register'
import { whenStill } from '~/offline/when-still'

const ASK_AGAIN_MS = 3_600_000

/**
 * The shell that opens without a network is filled when the page stands still: its files do not compete with what the
 * page itself waits for. A newer one is told, and is loaded when the coach says so.
 */
export default defineNuxtPlugin(() => {
  const isNewer = ref(false)
  const load = ref(() => Promise.resolve())
  onNuxtReady(async () => {
    await whenStill()
    load.value = registerSW({
      immediate: true,
      onNeedRefresh: () => {
        isNewer.value = true
      },
      onRegisteredSW: (_address, registration) => {
        setInterval(() => {
          if (navigator.onLine) void registration?.update().catch(noteFailure)
        }, ASK_AGAIN_MS)
      },
      onRegisterError: noteFailure,
    })
  })
  return { provide: { newerUzzet: reactive({ isReady: isNewer, load: () => load.value() }) } }
})

/** A browser may refuse it: all works but for opening without a network, and the next visit tries again. */
function noteFailure(error: unknown) {
  // No error of ours: a private window, or a coach's own settings.
  // eslint-disable-next-line no-console
  console.warn('offline shell:', error)
}
