import { z } from 'zod'
import { NAME_MAX, THRESHOLD_MAX_M, THRESHOLD_MIN_M } from '../core/limits'
import { boundedNumber, Id, lineOfText, oneOf, Version } from './text'

export const LEVELS = ['unknown', 'beginner', 'improver', 'good', 'expert'] as const
export type Level = typeof LEVELS[number]

export const LEVEL_WORDS: Record<Level, string> = {
  unknown: 'Not said', beginner: 'Beginner', improver: 'Improver', good: 'Good', expert: 'Expert',
}

const fields = {
  name: lineOfText('Name', NAME_MAX),
  level: oneOf('Level', LEVELS),
  note: lineOfText('Note', 300, { required: false }),
}

const threshold = (what: string) => boundedNumber(what, THRESHOLD_MIN_M, THRESHOLD_MAX_M, ' m')

/** Flag thresholds of a player, metres. What is missing takes the rule's default. */
export const Thresholds = z.object({
  widestStepM: threshold('Widest step').optional(),
  closestM: threshold('Closest pair').optional(),
})
export type Thresholds = z.infer<typeof Thresholds>

export const NewPlayer = z.object({ id: Id, ...fields })
export type NewPlayer = z.infer<typeof NewPlayer>

export const PlayerChange = z.object({
  version: Version,
  name: fields.name.optional(),
  level: fields.level.optional(),
  note: fields.note.optional(),
  thresholds: Thresholds.optional(),
  archived: z.boolean({ error: 'Archived is yes or no.' }).optional(),
})
export type PlayerChange = z.infer<typeof PlayerChange>

export interface Player {
  id: string
  name: string
  level: Level
  note: string
  thresholds: Thresholds
  archived: boolean
  version: number
}

/** One line of the list of players. */
export interface PlayerLine extends Player {
  clubs: number
  school: string | null
  balls: number
  lastHitMs: number | null
}
