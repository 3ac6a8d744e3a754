import { DOOR } from './en/door'

/** What Uzzet is for, in one sentence. */
export const claimText: string = DOOR.claim

/** Said while a page does not come, before what loads it again. */
export const lateText: string = DOOR.late
export const reloadText: string = DOOR.reload
export const noScriptText: string = DOOR.noScript
