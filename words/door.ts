import { DOOR } from './en/door'

/** What Uzzet is for, in one sentence. */
export const claimText: string = DOOR.claim

/** Said while a page does not come. */
export const lateText: string = DOOR.late
export const noScriptText: string = DOOR.noScript
