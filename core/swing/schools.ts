/**
 * The schools of swing length, and what each of their labels usually is as a share of the full carry.
 * All shares are common practice, rounded; a coach may put another on any rung.
 */

export const SCHOOL_IDS = [
  'clock',
  'body',
  'arm',
  'thirds',
  'feel',
  'speed',
  'half-full',
  'one-length',
  'custom',
] as const
export type SchoolId = (typeof SCHOOL_IDS)[number]

export interface SuggestedRung {
  label: string
  /** What the player looks or feels for. The player's own words replace it. */
  cue: string
  /** Share of the full carry; undefined where the school does not say. */
  fraction?: number
  /** True when a new scale of this school starts with this rung. */
  starter: boolean
}

export interface School {
  id: SchoolId
  title: string
  /** One line for the coach who chooses. */
  means: string
  /** Groups of suggestions, shortest swing first within each. */
  presets: { id: string; title: string; rungs: SuggestedRung[] }[]
}

const rung = (label: string, cue: string, fraction: number | undefined, starter = true): SuggestedRung => ({
  label,
  cue,
  fraction,
  starter,
})

export const SCHOOLS: readonly School[] = [
  {
    id: 'clock',
    title: 'Clock',
    means: 'The lead arm is the hand of a clock: 9:00 is level with the ground.',
    presets: [
      {
        id: 'clock',
        title: 'Clock',
        rungs: [
          rung('7:00', 'hands past the trail knee', 0.4, false),
          rung('7:30', 'hands by the trail thigh', 0.47),
          rung('8:00', 'hands by the trail hip', 0.58, false),
          rung('8:30', 'hands above the hip', 0.66, false),
          rung('9:00', 'lead arm level', 0.74),
          rung('9:30', 'hands by the armpit', 0.81, false),
          rung('10:00', 'hands by the shoulder', 0.87),
          rung('10:30', 'hands by the ear', 0.92, false),
          rung('11:00', 'hands above the ear', 0.96, false),
          rung('full', 'full turn', 1),
        ],
      },
    ],
  },
  {
    id: 'body',
    title: 'Body landmarks',
    means: 'How far back the swing goes, told by a place on the body.',
    presets: [
      {
        id: 'body-hands',
        title: 'By the hands',
        rungs: [
          rung('knee', 'hands to the trail knee', 0.24, false),
          rung('pocket', 'hands to the pocket', 0.34),
          rung('belt', 'hands to the belt', 0.5),
          rung('waist', 'hands to the waist', 0.5, false),
          rung('hip', 'hands to the hip', 0.5, false),
          rung('navel', 'hands to the navel', 0.56, false),
          rung('full', 'full turn', 1),
        ],
      },
      {
        id: 'body-top',
        title: 'By the top of the swing',
        rungs: [
          rung('chest', 'hands stop at the chest', 0.7),
          rung('shoulder', 'hands stop at the shoulder', 0.84),
          rung('head', 'hands stop at the head', 0.94),
          rung('full', 'full turn', 1),
        ],
      },
    ],
  },
  {
    id: 'arm',
    title: 'Arm fraction',
    means: 'Quarter, half and three-quarter swings of the lead arm.',
    presets: [
      {
        id: 'arm',
        title: 'Arm fraction',
        rungs: [
          rung('quarter', 'lead arm a quarter of the way', 0.36),
          rung('half', 'lead arm halfway', 0.58),
          rung('three-quarter', 'lead arm three quarters of the way', 0.8),
          rung('full', 'full turn', 1),
        ],
      },
    ],
  },
  {
    id: 'thirds',
    title: 'Thirds',
    means: 'A third, two thirds and all of the full distance.',
    presets: [
      {
        id: 'thirds',
        title: 'Thirds',
        rungs: [
          rung('one third', 'a third of the full distance', 0.33),
          rung('two thirds', 'two thirds of the full distance', 0.67),
          rung('full', 'all of it', 1),
        ],
      },
    ],
  },
  {
    id: 'feel',
    title: 'Feel %',
    means: 'How hard it feels, in per cent of a full swing.',
    presets: [
      {
        id: 'feel',
        title: 'Feel %',
        rungs: [
          rung('50%', 'half effort', 0.5),
          rung('60%', '', 0.6, false),
          rung('70%', '', 0.7),
          rung('80%', '', 0.8),
          rung('90%', 'full turn, quiet hands', 0.9),
          rung('100%', 'full effort', 1),
        ],
      },
    ],
  },
  {
    id: 'speed',
    title: 'Club speed',
    means: 'How fast the club goes, read by a monitor or a radar: the call is a speed.',
    presets: [
      {
        id: 'speed-mph',
        title: 'Miles an hour',
        rungs: [
          rung('55 mph', '', undefined, false),
          rung('60 mph', '', undefined),
          rung('65 mph', '', undefined),
          rung('69 mph', '', undefined, false),
          rung('70 mph', '', undefined),
          rung('72 mph', '', undefined, false),
          rung('75 mph', '', undefined),
          rung('80 mph', '', undefined, false),
        ],
      },
      {
        id: 'speed-kmh',
        title: 'Kilometres an hour',
        rungs: [
          rung('90 km/h', '', undefined, false),
          rung('95 km/h', '', undefined),
          rung('105 km/h', '', undefined),
          rung('110 km/h', '', undefined),
          rung('115 km/h', '', undefined, false),
          rung('120 km/h', '', undefined),
          rung('130 km/h', '', undefined, false),
        ],
      },
    ],
  },
  {
    id: 'half-full',
    title: 'Half and full',
    means: 'Two swings only.',
    presets: [
      {
        id: 'half-full',
        title: 'Half and full',
        rungs: [rung('half', 'lead arm halfway', 0.58), rung('full', 'full turn', 1)],
      },
    ],
  },
  {
    id: 'one-length',
    title: 'One length',
    means: 'One swing for all clubs; the loft makes the difference.',
    presets: [{ id: 'one-length', title: 'One length', rungs: [rung('stock', 'always the same swing', 1)] }],
  },
  {
    id: 'custom',
    title: 'Custom',
    means: 'Names of your own.',
    presets: [
      {
        id: 'custom',
        title: 'Custom',
        rungs: [rung('short', '', undefined), rung('middle', '', undefined), rung('long', '', undefined)],
      },
    ],
  },
]

/** @throws RangeError for an id that is no school. */
export function schoolById(id: SchoolId): School {
  const school = SCHOOLS.find(s => s.id === id)
  if (!school) throw new RangeError(`"${id}" is no school of swing length; allowed: ${SCHOOL_IDS.join(', ')}`)
  return school
}

/** Labels are matched without regard to case, inner spaces and the words coaches add to them. */
function plain(label: string): string {
  return label
    .toLowerCase()
    .replace(/o['’]?clock/, ':00')
    .replace(/[\s-]+/g, '')
}

/** Names that mean the same to every coach, whatever else the scale goes by. */
const IN_EVERY_SCHOOL: ReadonlyMap<string, number> = new Map([
  ['quarter', 0.36],
  ['half', 0.58],
  ['three-quarter', 0.8],
  ['full', 1],
])

/**
 * The usual share of the full carry of a label in its school.
 * @returns a share from 0 to 1, or undefined when the school does not know the label
 * @example knownFraction('clock', '9:00') // => 0.74
 * @example knownFraction('feel', '85%') // => 0.85
 * @example knownFraction('clock', 'half') // => 0.58
 * @example knownFraction('custom', 'bump') // => undefined
 */
export function knownFraction(school: SchoolId, label: string): number | undefined {
  const wanted = plain(label)
  if (school === 'feel') {
    const percent = /^(\d{1,3})\s*%?$/.exec(label.trim())
    if (percent) return Number(percent[1]) >= 5 && Number(percent[1]) <= 130 ? Number(percent[1]) / 100 : undefined
  }
  for (const preset of schoolById(school).presets) {
    const hit = preset.rungs.find(r => plain(r.label) === wanted)
    if (hit) return hit.fraction
  }
  return IN_EVERY_SCHOOL.get(wanted)
}
