import { FactorCode } from '../../../../shared/schemas/account'
import type { SpareCodes } from '../../../../shared/account'
import { confirmSecondFactor, waitingSecondFactor } from '../../../data/second-factors'
import { NotFound } from '../../../data/faults'
import { endOtherSignIns } from '../../../data/sign-ins'
import { requireCoach, requireSession } from '../../../auth/coach'
import { noticeOf } from '../../../auth/notice'
import { readChecked, refuse } from '../../../ingest/refuse'
import { newSpareCodes, stepOf } from '../../../auth/second-factor'
import { beginOwnAttempt } from '../../../limits/sign-in-limit'

/** The first figures: from now on they are asked for, and other devices have to sign in again. */
export default defineEventHandler(async (event): Promise<SpareCodes> => {
  const coach = await requireCoach(event)
  const { code } = await readChecked(event, FactorCode)
  const sealed = await waitingSecondFactor(coach)
  if (!sealed) throw new NotFound('second step that waits: begin anew')
  const succeeded = await beginOwnAttempt(event, coach.id)
  const step = stepOf(sealed, code.replace(/\s/g, ''))
  if (step === null) {
    const message = 'This is not the code of now: check the app, and the clock of the phone.'
    throw refuse(422, message, [{ field: 'code', message }])
  }
  await succeeded()
  const { codes, hashes } = newSpareCodes()
  await confirmSecondFactor(coach, step, hashes)
  await endOtherSignIns(coach.id, (await requireSession(event)).signInId)
  noticeOf(event, coach.id, 'factorOn')
  return { codes }
})
