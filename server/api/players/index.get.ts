import { PLAYERS_A_PAGE } from '../../../shared/pages'
import { PlayersQuery } from '../../../shared/schemas/player'
import { listPlayers } from '../../data/player-list'
import { requireCoach } from '../../auth/coach'
import { checked } from '../../ingest/refuse'

/** One page of the players; a full one says in its head where the next begins (RFC 8288). */
export default defineEventHandler(async event => {
  const coach = await requireCoach(event)
  const { after } = checked(PlayersQuery, getQuery(event), 'after')
  const players = await listPlayers(coach, after)
  if (players.length === PLAYERS_A_PAGE)
    setHeader(event, 'link', `</api/players?after=${players.at(-1)!.id}>; rel="next"`)
  return players
})
