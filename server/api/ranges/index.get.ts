import { rangesOf } from '../../data/ranges'

export default defineEventHandler(async event => rangesOf(await requireCoach(event)))
