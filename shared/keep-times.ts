/** An archived player may be erased after so many days. */
export const ERASABLE_AFTER_DAYS = 30
/** A sign-in that was not seen for so long has ended: its cookie lasts no longer. */
export const SIGN_IN_DAYS = 14
/** An invitation is good for so long. */
export const INVITATION_DAYS = 7
/** A way to a new password is good for so long. */
export const RESET_HOURS = 24
/** An address that opens an account is good for so long. */
export const SIGN_UP_HOURS = 24
/** How long an owner may have archived players kept, months; else until they are erased by hand. */
export const KEEP_MONTHS = [3, 6, 12, 24, 60] as const
/** What an owner chose holds after so long, so that it can be taken back. */
export const KEEP_AFTER_HOURS = 24
/** Balls of a device that found nobody wait for its coach so long. */
export const DEVICE_BALLS_DAYS = 30
