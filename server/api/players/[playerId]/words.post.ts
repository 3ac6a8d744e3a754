import { CellRemarkRecord } from '../../../../shared/schemas/cell-remark'
import { addWord } from '../../../data/cell-remarks'
import { requireCoach } from '../../../auth/coach'
import { idFromRoute, readChecked } from '../../../ingest/refuse'

/** What the coach or the player says of a stock shot, beside what is measured. */
export default defineEventHandler(async event => {
  const coach = await requireCoach(event)
  const word = await addWord(
    coach,
    idFromRoute(event, 'playerId', 'player'),
    await readChecked(event, CellRemarkRecord),
  )
  setResponseStatus(event, 202)
  return { taken: [word.id] }
})
