import { isAway } from '~/offline/api'
import { useAccount } from '~/offline/stores/account'
import { isOpenPage } from '#shared/open-pages'

/** A player's record and numbers are on their way before the page's own script is. */
async function beginPlayer(playerId: string): Promise<void> {
  const app = useNuxtApp()
  const { usePlayerRecord, useCalibration } = await import('~/offline/stores/of-player')
  await app.runWithContext(() => {
    useCalibration()
    return usePlayerRecord().begin(playerId)
  })
}

/**
 * Everything but the doors, and the card of a player's phone, needs a signed-in coach. Without a network, who was
 * signed in stays so.
 */
export default defineNuxtRouteMiddleware(async to => {
  if (isOpenPage(to.path)) return
  const account = useAccount()
  try {
    if (await account.load()) {
      const { playerId } = to.params as { playerId?: string }
      if (playerId) beginPlayer(playerId).catch((error: unknown) => console.error('player:', error))
      return
    }
  } catch (error) {
    if (isAway(error) && account.account) return
    throw createError({ statusCode: 503, message: (error as Error).message, fatal: true })
  }
  return navigateTo({ path: '/sign-in', query: to.path === '/' ? {} : { back: to.fullPath } })
})
