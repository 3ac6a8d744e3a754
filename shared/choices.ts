import type { METHODS } from '../core/shot/shot'
import type { Level } from '../core/level'
import type { Hand } from '../core/shot/hand'
import type { Right } from './rights'
import { BALLS_AT_ONCE } from '../core/calibration/calibration'
import { FIRMNESS_MS2, type Firmness } from '../core/flight/run-out'
import type { AirEntry } from '../core/flight/session-air'

/** What a private address may do: `read` shows the published chart, `log` also takes the player's own balls. */
export const LINK_STRENGTHS = ['read', 'log'] as const
export type LinkStrength = (typeof LINK_STRENGTHS)[number]

export const LEVEL_WORDS: Record<Level, string> = {
  unknown: 'Not known',
  beginner: 'Beginner',
  improver: 'Improver',
  good: 'Good',
  expert: 'Expert',
}

/** Roughly which handicap is meant; '' where none is. Our choice. */
export const LEVEL_HANDICAPS: Record<Level, string> = {
  unknown: '',
  beginner: 'handicap about 25 and up',
  improver: 'about 14 to 24',
  good: 'about 5 to 13',
  expert: 'about 4 and under',
}

export const HAND_WORDS: Record<Hand, string> = { right: 'Right-handed', left: 'Left-handed' }

/** What a program may do with a key: never what only people of the academy decide. */
export const SCOPES = ['read', 'log', 'teach'] as const satisfies readonly Right[]
export type Scope = (typeof SCOPES)[number]
export const SCOPE_WORDS: Record<Scope, string> = {
  read: 'reads players, charts and files',
  log: 'reads, and logs balls, practice and rounds',
  teach: 'does what a coach does: bags, publishing, ranges too',
}

export const TARGET_KINDS = ['sign', 'green', 'circle', 'flag'] as const

export const ROUND_KINDS = ['casual', 'competition'] as const

export const BALL_KINDS = ['own', 'range'] as const
export const SURFACES = ['grass', 'mat'] as const

export const METHOD_WORDS: Record<(typeof METHODS)[number], string> = {
  monitor: 'Launch monitor',
  laser: 'Laser',
  paces: 'Paces',
  watch: 'Watch',
  guess: 'Guess by the signs',
}

export const WINDS_JUDGED = [
  'calm',
  'felt',
  'meter',
  'report',
  'pitched',
] as const satisfies readonly AirEntry['wind']['judged'][]
export const GROUNDS = ['open', 'some', 'enclosed'] as const satisfies readonly AirEntry['ground'][]

export const FIRMNESSES = Object.keys(FIRMNESS_MS2) as [Firmness, ...Firmness[]]
export const MEASURED_TO = ['rest', 'pitch'] as const
export const BLOCK_ENDS = ['count', 'alike', 'enough'] as const
export type BlockEnd = (typeof BLOCK_ENDS)[number]

/** How a session goes about it where nobody said otherwise. */
export const USUAL_PLAN = {
  name: '',
  indoors: false,
  firmness: 'soft',
  measuredTo: 'rest',
  carryAir: 'flown',
  order: 'teach',
  block: BALLS_AT_ONCE,
  until: 'count',
  begin: 'short',
  beginRungId: null,
  warmUp: false,
  settle: null,
  bucket: null,
  rangeId: null,
  targetId: null,
  told: null,
  gone: false,
} as const
