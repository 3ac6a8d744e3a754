import { DOOR } from './en/door'

/** What Uzzet is for, in one sentence. */
export const claimText: string = DOOR.claim
