import { PLAYERS_A_PAGE } from '#shared/pages'
import type { PlayerLine } from '#shared/player'
import { api, isAway } from '~/offline/api'
import { keepAnswer, lastKnown } from '~/offline/kept'

const LIST = '/api/players'

/** The list as this device knew it last, whole. */
export const keptPlayers = (): Promise<PlayerLine[] | undefined> => lastKnown(LIST)

/** Keeps the list for a page that is opened without the server. */
export const keepPlayers = (players: readonly PlayerLine[]): Promise<void> => keepAnswer(LIST, players)

/**
 * All players, page by page, and kept here when the last is there. Without a connection: as this device knew them last.
 * @param tell each time a page more has come, with all that came so far
 * @throws Refused, or Unreachable when nothing is kept
 */
export async function allPlayers(tell: (soFar: PlayerLine[]) => void = () => undefined): Promise<PlayerLine[]> {
  try {
    let page: PlayerLine[] = await api(LIST)
    let players = page
    while (page.length === PLAYERS_A_PAGE) {
      tell(players)
      page = await api(LIST, { query: { after: page.at(-1)!.id } })
      players = [...players, ...page]
    }
    void keepPlayers(players)
    return players
  } catch (error) {
    const kept = isAway(error) ? await keptPlayers() : undefined
    if (!kept) throw error
    return kept
  }
}
