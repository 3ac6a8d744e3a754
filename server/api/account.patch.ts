import { AccountChange } from '../../shared/schemas/account'
import { accountOf, changeAccount } from '../data/coaches'
import { requireCoach } from '../auth/coach'
import { readChecked } from '../ingest/refuse'

export default defineEventHandler(async event => {
  const coach = await requireCoach(event)
  const change = await readChecked(event, AccountChange)
  await changeAccount(coach, change)
  return accountOf({ ...coach, ...change })
})
