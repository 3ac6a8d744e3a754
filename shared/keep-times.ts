/** An archived player may be erased after so many days. */
export const ERASABLE_AFTER_DAYS = 30
/** A sign-in that was not seen for so long has ended: its cookie lasts no longer. */
export const SIGN_IN_DAYS = 14
/** An invitation is good for so long. */
export const INVITATION_DAYS = 7
/** A way to a new password is good for so long. */
export const RESET_HOURS = 24
