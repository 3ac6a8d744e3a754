import { RangeRecord } from '../../../../shared/schemas/range'
import { putRange } from '../../../data/ranges'
import { requireCoach } from '../../../auth/coach'
import { idFromRoute, readChecked, refuse } from '../../../ingest/refuse'

/** A range with all its signs and targets. */
export default defineEventHandler(async event => {
  const coach = await requireCoach(event)
  const record = await readChecked(event, RangeRecord)
  if (record.id !== idFromRoute(event, 'rangeId', 'range'))
    throw refuse(422, 'The range in the address is not the one that was sent.', [
      { field: 'id', message: 'The range in the address is not the one that was sent.' },
    ])
  return putRange(coach, record)
})
