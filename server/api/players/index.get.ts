import { listPlayers } from '../../data/player-list'
import { requireCoach } from '../../request/coach'

export default defineEventHandler(async event => listPlayers(await requireCoach(event)))
