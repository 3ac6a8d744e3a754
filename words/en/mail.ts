/** Mails that the program sends: plain text, no pictures, one address in each. */
export const RESET_MAIL = {
  subject: 'A new password for Uzzet',
  text:
    'Hello {name},\n\n' +
    'somebody, most likely you, asked for a new password for {academy}. Set it here, within ' +
    '{hours, plural, one {# hour} other {# hours}}; the address works once:\n\n{address}\n\n' +
    'Everywhere else you are signed out by it. If you did not ask, do nothing: your password stays as it is.\n',
} as const
