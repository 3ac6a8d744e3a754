import { askAhead } from '~/offline/api'
import { hasNumbers } from '~/offline/kept'
import { isOpenPage } from '#shared/open-pages'
import { nextTask } from '~/ui/next-task'
import { startWorkerAhead } from '~/calculation/start-ahead'

/** What this device worked out before needs no answer of the server. */
function askNumbersAhead(player: string): void {
  if (!hasNumbers(player.slice('/players/'.length))) askAhead(`/api${player}/numbers`)
}

/**
 * What the first page will ask for is asked at once, beside its script and not after it: who is signed in, and the
 * player of the address with what stands on every stage's rail.
 */
export default defineNuxtPlugin({
  // Before the framework's router, which waits for the page's script.
  order: -45,
  async setup() {
    const { pathname } = location
    if (isOpenPage(pathname)) return
    askAhead('/api/account')
    if (pathname === '/players') askAhead('/api/players')
    const player = /^\/players\/[^/]+/.exec(pathname)?.[0]
    if (player) {
      askNumbersAhead(player)
      for (const part of ['', '/practice', '/rounds']) askAhead(`/api${player}${part}`)
      startWorkerAhead()
    }
    // The frame of every stage: a failure is the page's own to tell, which asks for it again.
    import('~/layouts/default.vue').catch((error: unknown) => console.error('frame:', error))
    // The script itself was one long task: what is asked goes out, and is heard, before the page begins.
    await nextTask()
  },
})
