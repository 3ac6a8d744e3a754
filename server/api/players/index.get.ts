import { listPlayers } from '../../data/player-list'

export default defineEventHandler(async event => listPlayers(await requireCoach(event)))
