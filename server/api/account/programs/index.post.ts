import { NewProgram } from '../../../../shared/schemas/program'
import { SCOPE_WORDS } from '../../../../shared/choices'
import type { MadeProgram } from '../../../../shared/program'
import { mayDo } from '../../../../shared/rights'
import { addProgram } from '../../../data/programs'
import { requireCoach } from '../../../auth/coach'
import { hashOfToken, newToken, PROGRAM_MARK } from '../../../auth/device'
import { readChecked, refuse } from '../../../ingest/refuse'

/** A key for a program. It is in this answer and nowhere else. */
export default defineEventHandler(async (event): Promise<MadeProgram> => {
  const coach = await requireCoach(event)
  const program = await readChecked(event, NewProgram)
  if (!mayDo(coach.role, program.scope)) {
    const message = `You are here as ${coach.role}: no key of yours ${SCOPE_WORDS[program.scope]}.`
    throw refuse(422, message, [{ field: 'scope', message }])
  }
  const token = newToken(PROGRAM_MARK)
  const made = await addProgram(coach, program, hashOfToken(token))
  setResponseStatus(event, 201)
  return { ...made, token }
})
