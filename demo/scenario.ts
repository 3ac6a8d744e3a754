import type { SwingFlight } from '../core/swing/scale'
import type { SchoolId } from '../core/swing/schools'
import type { Level } from '../core/level'

/** A made-up links academy. None of these people, places or numbers exist. */
export const ACADEMY = 'Saltmarsh Links Academy'
export const COACH = 'Wren Calder'

/** The academy's range, lasered from the tee. */
export const RANGE = {
  name: 'Saltmarsh Range',
  altitudeM: 6,
  bearingDeg: 240,
  firmness: 'medium',
  targets: [
    { name: 'white post', kind: 'sign', yd: 52, heightYd: 0, rightDeg: -4 },
    { name: 'the 75', kind: 'sign', yd: 73, heightYd: 0, rightDeg: 2 },
    { name: 'boat', kind: 'circle', yd: 88, heightYd: -1, rightDeg: 8 },
    { name: 'the 100', kind: 'sign', yd: 104, heightYd: 1, rightDeg: 0 },
    { name: 'far green', kind: 'green', yd: 131, heightYd: 2, rightDeg: -6 },
  ],
} as const

export interface DemoRung {
  label: string
  cue: string
  feels?: string
  fraction?: number
  school?: SchoolId
  flight?: SwingFlight
  trueFraction: number
}

/** What a player practised: the scatter is a share of the distance. */
export interface DemoPractice {
  goes: [drill: string, daysAgo: number, scatter: number][]
  homework: {
    daysAgo: number
    note: string
    drills: [drill: string, why: string][]
    done: [drill: string, scatter: number]
  }
}

/** Rounds of a player, days before today, oldest first; one stock shot lies twice as loose as the level's. */
export interface DemoRounds {
  days: number[]
  chances: number
  loose: string
}

export interface DemoPlayer {
  name: string
  level: Level
  note: string
  clubs: { label: string; name: string; loftDeg: number }[]
  school: SchoolId | null
  /** Shortest first. `trueFraction` is what the player really does; the program does not know it. */
  rungs: DemoRung[]
  struckOut: [club: string, rung: string][]
  /** What a full 52° really carries, yards. */
  full52Yd: number
  /** Scatter of one clean ball, share of carry + 33 yd. */
  scatter: number
  /** What the player said before the first ball, yards. */
  believed?: [club: string, rung: string, yd: number][]
  /** What the coach wrote by hand since the last publication, yards, and why. */
  written?: [club: string, rung: string, yd: number, why: string][]
  /** Days before today on which the chart was published, and the note that went along, oldest first. */
  published?: [daysAgo: number, note: string][]
  rounds?: DemoRounds
  practice?: DemoPractice
  /** Days before today and balls, oldest first. */
  sessions: {
    daysAgo: number
    balls: number
    method: 'monitor' | 'laser' | 'paces'
    ball: 'own' | 'range'
    surface: 'grass' | 'mat'
    running?: boolean
  }[]
}

const wedge = (loftDeg: number, name: string, label = `${loftDeg}°`) => ({ label, name, loftDeg })
const visit = (
  daysAgo: number,
  balls: number,
  method: 'monitor' | 'laser' | 'paces' = 'monitor',
  ball: 'own' | 'range' = 'own',
  surface: 'grass' | 'mat' = 'grass',
) => ({ daysAgo, balls, method, ball, surface })

export const PLAYERS: readonly DemoPlayer[] = [
  {
    name: 'Odile Harrow',
    level: 'good',
    note: 'Club captain, trusts her 56 too much',
    practice: {
      goes: [
        ['random-targets', 40, 0.062],
        ['stairs', 33, 0.048],
        ['random-targets', 26, 0.055],
        ['circles', 19, 0.042],
        ['random-targets', 12, 0.031],
        ['stairs', 6, 0.036],
      ],
      homework: {
        daysAgo: 4,
        note: 'Twice this week, and walk in afresh before each ball.',
        drills: [
          ['circles', 'Ten balls, three flags: four in is a fair aim.'],
          ['five-straight', 'The full 56 is yours: five in a row, however many balls it takes.'],
        ],
        done: ['circles', 0.04],
      },
    },
    rounds: { days: [76, 62, 48, 34, 20, 9], chances: 11, loose: '51° 9:00' },
    clubs: [
      wedge(60, 'lob wedge'),
      wedge(56, 'sand wedge'),
      wedge(51, 'gap wedge'),
      wedge(46, 'pitching wedge'),
      wedge(41.5, 'nine iron', '9 iron'),
    ],
    school: 'clock',
    rungs: [
      { label: '8:00', cue: 'hands at the ribs', trueFraction: 0.585 },
      { label: '9:00', cue: 'lead arm level', trueFraction: 0.735 },
      { label: '10:00', cue: 'hands by the ear', trueFraction: 0.885 },
      { label: 'full', cue: 'lead arm past the ear', trueFraction: 1 },
    ],
    struckOut: [
      ['60°', 'full'],
      ['9 iron', '8:00'],
    ],
    full52Yd: 111,
    scatter: 0.024,
    believed: [
      ['56°', 'full', 105],
      ['51°', 'full', 115],
      ['46°', 'full', 125],
      ['56°', '9:00', 75],
      ['60°', '9:00', 60],
    ],
    written: [['46°', '8:00', 73, 'plays it as a chip and run']],
    published: [
      [54, 'Two clubs less than you think with the 56.'],
      [11, 'Trust the 51 at 9:00.'],
    ],
    sessions: [
      visit(118, 44),
      visit(83, 38),
      visit(55, 30, 'laser'),
      visit(27, 42),
      visit(12, 24, 'monitor', 'range', 'mat'),
      { ...visit(0, 14), running: true },
    ],
  },
  {
    name: 'Bram Tolliver',
    level: 'expert',
    note: 'Plays for a living, lefty',
    clubs: [
      wedge(60, 'lob wedge'),
      wedge(56, 'sand wedge'),
      wedge(52, 'gap wedge'),
      wedge(48, 'pitching wedge'),
      wedge(44, 'nine iron', '9 iron'),
    ],
    school: 'feel',
    rungs: [
      { label: '50%', cue: 'half effort', trueFraction: 0.52 },
      { label: '60%', cue: 'soft hands', trueFraction: 0.615 },
      { label: '70%', cue: 'chest leads', trueFraction: 0.71 },
      { label: '80%', cue: 'smooth', trueFraction: 0.805 },
      { label: 'shoulder', cue: 'hands stop at the shoulder', school: 'body', trueFraction: 0.85 },
      { label: '90%', cue: 'full turn, quiet hands', trueFraction: 0.92 },
      { label: '100%', cue: 'everything in balance', trueFraction: 1 },
      { label: '105%', cue: 'a stretch, off a tight lie only', fraction: 1.05, trueFraction: 1.045 },
    ],
    struckOut: [
      ['60°', '105%'],
      ['60°', '100%'],
    ],
    full52Yd: 122,
    scatter: 0.016,
    sessions: [
      visit(171, 90),
      visit(150, 75),
      visit(131, 80),
      visit(110, 60),
      visit(92, 85),
      visit(71, 70),
      visit(49, 66),
      visit(33, 80),
      visit(19, 72),
      visit(6, 64),
    ],
  },
  {
    name: 'Ines Quarrick',
    level: 'improver',
    note: 'Off grass alone, no mats',
    clubs: [
      wedge(58, 'lob wedge'),
      wedge(54, 'sand wedge'),
      wedge(48, 'gap wedge', 'gap'),
      wedge(43, 'pitching wedge', 'pitch'),
    ],
    school: 'body',
    rungs: [
      { label: 'pocket', cue: 'hands to the pocket', trueFraction: 0.36 },
      { label: 'belt', cue: 'thumb over the buckle', feels: 'a pocket', trueFraction: 0.52 },
      { label: 'navel', cue: 'hands to the navel', trueFraction: 0.6 },
      { label: 'full', cue: 'turn, then go', trueFraction: 1 },
    ],
    struckOut: [],
    full52Yd: 92,
    scatter: 0.037,
    sessions: [visit(64, 36, 'paces'), visit(36, 40, 'laser'), visit(8, 30, 'laser')],
  },
  {
    name: 'Tobias Fenn',
    level: 'beginner',
    note: 'Started in spring',
    clubs: [wedge(56, 'sand wedge', 'sand'), wedge(50, 'gap wedge', 'gap'), wedge(44, 'pitching wedge', 'pitch')],
    school: 'half-full',
    rungs: [
      { label: 'half', cue: 'club to the fence post', trueFraction: 0.63 },
      { label: 'full', cue: 'all the way round', trueFraction: 1 },
    ],
    struckOut: [],
    full52Yd: 84,
    scatter: 0.056,
    sessions: [visit(30, 24, 'paces', 'range', 'mat'), visit(9, 30, 'laser', 'range', 'mat')],
  },
  {
    name: 'Maud Eskil',
    level: 'good',
    note: 'Wants a low one into the wind',
    clubs: [wedge(58, 'lob wedge'), wedge(52, 'gap wedge'), wedge(46, 'pitching wedge')],
    school: 'arm',
    rungs: [
      { label: 'quarter', cue: 'brush the grass', trueFraction: 0.37 },
      { label: 'half', cue: 'low and quiet', flight: 'low', trueFraction: 0.55 },
      { label: 'half', cue: 'lead arm halfway', trueFraction: 0.59 },
      { label: 'two thirds', cue: 'two of three', school: 'thirds', trueFraction: 0.68 },
      { label: 'three-quarter', cue: 'badge to the target', trueFraction: 0.81 },
      { label: 'full', cue: 'full turn', trueFraction: 1 },
    ],
    struckOut: [['58°', 'full']],
    full52Yd: 104,
    scatter: 0.028,
    sessions: [visit(96, 40), visit(68, 36), visit(41, 42), visit(22, 30), visit(3, 36)],
  },
  {
    name: 'Jory Quill',
    level: 'improver',
    note: 'One swing, four clubs',
    clubs: [wedge(60, 'lob wedge'), wedge(55, 'sand wedge'), wedge(50, 'gap wedge'), wedge(45, 'pitching wedge')],
    school: 'one-length',
    rungs: [{ label: 'stock', cue: 'always the same swing', trueFraction: 0.78 }],
    struckOut: [],
    full52Yd: 101,
    scatter: 0.034,
    sessions: [visit(15, 22, 'laser', 'range')],
  },
  {
    name: 'Sunniva Lark',
    level: 'unknown',
    note: 'Has names of her own for everything',
    clubs: [wedge(59, 'lob wedge'), wedge(54, 'sand wedge'), wedge(49, 'gap wedge'), wedge(45, 'pitching wedge')],
    school: 'custom',
    rungs: [
      { label: 'bump', cue: 'like sweeping a step', trueFraction: 0.42 },
      { label: 'hinge', cue: 'thumbs to the sky', trueFraction: 0.67 },
      { label: 'sail', cue: 'let it go', fraction: 1, trueFraction: 1 },
    ],
    struckOut: [['45°', 'bump']],
    full52Yd: 97,
    scatter: 0.031,
    sessions: [visit(74, 30), visit(52, 28), visit(25, 34), visit(16, 20)],
  },
  {
    name: 'Corin Ashdown',
    level: 'unknown',
    note: '',
    clubs: [],
    school: null,
    rungs: [],
    struckOut: [],
    full52Yd: 0,
    scatter: 0,
    sessions: [],
  },
]
