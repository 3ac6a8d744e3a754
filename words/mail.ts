import { RESET_MAIL } from './en/mail'
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
