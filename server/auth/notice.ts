import type { H3Event } from 'h3'
import { noticeMail, type SignInChange } from '../../words/mail'
import { coachById } from '../data/coaches'
import { mailSettings, sendMail } from '../mail'
import { sendBehind } from '../send-behind'

/** Tells somebody by mail, where there is any, what changed about their signing in. The answer does not wait for it. */
export function noticeOf(event: H3Event, coachId: string, kind: SignInChange): void {
  const settings = mailSettings()
  if (!settings) return
  sendBehind(event, async () => {
    const coach = await coachById(coachId)
    if (!coach) return
    const { name, email, academy } = coach
    const date = `${new Date().toISOString().slice(0, 16).replace('T', ' at ')} UTC`
    await sendMail(settings, email, noticeMail({ name, academy, kind, date, address: `${settings.origin}/sign-in` }))
  })
}
