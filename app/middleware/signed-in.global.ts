import { isAway } from '~/utils/api'
import { useAccount } from '~/stores/account'
import { isOpenPage } from '~/utils/open-pages'

/**
 * Everything but the doors, and the card of a player's phone, needs a signed-in coach. Without a network, who was
 * signed in stays so.
 */
export default defineNuxtRouteMiddleware(async to => {
  if (isOpenPage(to.path)) return
  const account = useAccount()
  try {
    if (await account.load()) return
  } catch (error) {
    if (isAway(error) && account.account) return
    throw createError({ statusCode: 503, message: (error as Error).message, fatal: true })
  }
  return navigateTo({ path: '/sign-in', query: to.path === '/' ? {} : { back: to.fullPath } })
})
