import { listPlayers } from '../../data/players'

export default defineEventHandler(async event => listPlayers(await requireCoach(event)))
