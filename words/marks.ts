import { MARK_NAMES } from './en/sessions'

/** What a mark of a ball is called. */
export const markNames: Record<string, string> = MARK_NAMES
