import { SIGN_UP_HOURS } from '../../../shared/keep-times'
import { SignUp } from '../../../shared/schemas/account'
import { knownMail, signUpMail } from '../../../words/mail'
import { isTaken } from '../../data/coaches'
import { mailSettings, sendMail } from '../../mail'
import { openAccount, sealSignUp } from '../../auth/new-account'
import { hashOfNew } from '../../auth/new-password'
import { readChecked, refuse } from '../../ingest/refuse'
import { sendBehind } from '../../send-behind'
import { beginSignUp, mayWriteTo } from '../../limits/sign-in-limit'
import { signUpDoor } from '../../auth/sign-up-door'

/**
 * A coach with an academy of one. By mail the answer is the same whether the address has an account or not, and is
 * given before that is looked up.
 */
export default defineEventHandler(async event => {
  const door = await signUpDoor()
  if (door === 'closed') throw refuse(403, 'New accounts are closed here: ask whoever runs this installation.')
  const { password, ...known } = await readChecked(event, SignUp)
  await beginSignUp(event)
  const waiting = { ...known, passwordHash: await hashOfNew(password) }
  if (door === 'at once') {
    await openAccount(event, waiting)
    setResponseStatus(event, 201)
    return { ok: true, mailed: false }
  }
  const settings = mailSettings()!
  sendBehind(event, async () => {
    const { email } = waiting
    if (!(await mayWriteTo(email))) return
    const mail = (await isTaken(email))
      ? knownMail({ address: `${settings.origin}/sign-in` })
      : signUpMail({ hours: SIGN_UP_HOURS, address: `${settings.origin}/sign-up#${sealSignUp(waiting)}` })
    await sendMail(settings, email, mail)
  })
  setResponseStatus(event, 202)
  return { ok: true, mailed: true }
})
