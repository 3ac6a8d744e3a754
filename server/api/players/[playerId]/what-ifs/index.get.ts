import { keptWhatIfs } from '../../../../data/what-ifs'

export default defineEventHandler(async event => keptWhatIfs(await requireCoach(event), idFromRoute(event, 'playerId', 'player')))
