import { CellWordRecord } from '../../../../shared/cell-word'
import { addWord } from '../../../data/cell-words'

/** What the coach or the player says of a stock shot, beside what is measured. */
export default defineEventHandler(async (event) => {
  const coach = await requireCoach(event)
  const word = await addWord(coach, idFromRoute(event, 'playerId', 'player'), await readChecked(event, CellWordRecord))
  setResponseStatus(event, 202)
  return { taken: [word.id] }
})
