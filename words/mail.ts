import { KNOWN_MAIL, NOTICE_MAIL, RESET_MAIL, SIGN_UP_MAIL } from './en/mail'
import { write } from './message'

/** What a mail says. */
export interface MailText {
  subject: string
  text: string
}

/** The mail with the address for a new password. */
export const resetMail = (values: { name: string; academy: string; hours: number; address: string }): MailText => ({
  subject: write(RESET_MAIL.subject),
  text: write(RESET_MAIL.text, values),
})

/** The mail with the address that opens an account. */
export const signUpMail = (values: { hours: number; address: string }): MailText => ({
  subject: write(SIGN_UP_MAIL.subject),
  text: write(SIGN_UP_MAIL.text, values),
})

/** The mail to an address that was used for an account before. */
export const knownMail = (values: { address: string }): MailText => ({
  subject: write(KNOWN_MAIL.subject),
  text: write(KNOWN_MAIL.text, values),
})

export type SignInChange = 'password' | 'factorOn' | 'factorOff'

/** The mail that says what changed about signing in. */
export const noticeMail = (values: {
  name: string
  academy: string
  kind: SignInChange
  date: string
  address: string
}): MailText => ({ subject: write(NOTICE_MAIL.subject), text: write(NOTICE_MAIL.text, values) })
