/** Mails that the program sends: plain text, no pictures, one address in each. */
export const RESET_MAIL = {
  subject: 'A new password for Uzzet',
  text:
    'Hello {name},\n\n' +
    'somebody, most likely you, asked for a new password for {academy}. Set it by this link, within ' +
    '{hours, plural, one {# hour} other {# hours}}; the link works once:\n\n{address}\n\n' +
    'It signs you out everywhere else. If you did not ask, do nothing: your password stays as it is.\n',
} as const

/**
 * The address that opens an account: only who reads this mail has it. Nothing that was typed stands in it: a stranger
 * could send words of their own to anybody.
 */
export const SIGN_UP_MAIL = {
  subject: 'Open your account with Uzzet',
  text:
    'Hello,\n\n' +
    'somebody, most likely you, wants to open an account with this address. Open it by this link, within ' +
    '{hours, plural, one {# hour} other {# hours}}:\n\n{address}\n\n' +
    'If it was not you, do nothing: without this link there is no account.\n',
} as const

/** To whose it is, and no word to whoever typed it. */
export const KNOWN_MAIL = {
  subject: 'You have an account with Uzzet',
  text:
    'Hello,\n\n' +
    'somebody, most likely you, wants to open an account with this address. It was used for one before: ' +
    'sign in at {address}, where a lost password is set anew too. If it was not you, do nothing.\n',
} as const

/** What changed about signing in: told to whose it is, who may not have done it. */
export const NOTICE_MAIL = {
  subject: 'Your sign-in to Uzzet was changed',
  text:
    'Hello {name},\n\n' +
    '{kind, select, password {your password was changed} factorOn {a second step was switched on} ' +
    'other {the second step was switched off}} for {academy}, on {date}. If that was you, all is well. ' +
    'If not: ask for a new password at {address}, and tell the owner of your academy.\n',
} as const
