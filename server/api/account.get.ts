import { accountOf } from '../data/coaches'

export default defineEventHandler(async event => accountOf(await requireCoach(event)))
