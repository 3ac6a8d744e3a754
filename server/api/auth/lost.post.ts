import { LostPassword } from '../../../shared/schemas/academy'
import { RESET_HOURS } from '../../../shared/keep-times'
import { resetMail } from '../../../words/mail'
import { makeResetByMail } from '../../data/resets'
import { mailSettings, sendMail } from '../../mail'
import { hashOfToken, newToken } from '../../auth/device'
import { readChecked, refuse } from '../../ingest/refuse'
import { sendBehind } from '../../send-behind'
import { beginMail } from '../../limits/sign-in-limit'

/**
 * A mail with the address for a new password. The answer is the same for an address that has no account, and is given
 * before anything is looked up: neither words nor time tell who has one.
 */
export default defineEventHandler(async event => {
  const { email } = await readChecked(event, LostPassword)
  const settings = mailSettings()
  if (!settings) throw refuse(404, 'This installation sends no mail: ask the owner of your academy.', [])
  await beginMail(event)
  sendBehind(event, async () => {
    const token = newToken()
    const person = await makeResetByMail(email, hashOfToken(token))
    if (!person) return
    const address = `${settings.origin}/new-password#${token}`
    await sendMail(settings, person.email, resetMail({ ...person, hours: RESET_HOURS, address }))
  })
  setResponseStatus(event, 202)
  return { ok: true }
})
