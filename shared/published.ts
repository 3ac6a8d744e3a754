import { z } from 'zod'
import { PUBLISHED_WHICH } from '../core/history/published'
import { Id, lineOfText, oneOf } from './text'

export const PUBLISHED_NOTE_MAX = 300

export const NewPublished = z.strictObject({
  id: Id,
  unit: oneOf('Unit', ['yd', 'm']),
  note: lineOfText('Note', PUBLISHED_NOTE_MAX, { required: false }),
  /** Missing from what an older page sends. */
  which: oneOf('Numbers', PUBLISHED_WHICH).default('well-predicted'),
})
export type NewPublished = z.infer<typeof NewPublished>

/** One line of the history of published charts. */
export interface PublishedLine {
  number: number
  publishedAtMs: number
  note: string
  changed: string
  numbers: number
}
