import type { FlagMessages } from '../../flag-messages'

export default {
  title: 'Overlap at {fromM}',
  why: '{shorter} is {shorterM} and {longer} {longerM}: {apartM} apart, within {closestM}, and they ' + 'fly alike.',
  remedies: [
    'Stop using one, or hit more balls with the one that has fewer.',
    'If you know one to fly lower, keep both: say which is for what.',
  ],
  open: '{shorter} and {longer}, {apartM} apart: one number?',
  thresholds: {
    closestM: {
      label: 'Closest pair',
      why: "Closer than a good player's own scatter with a wedge: the ball cannot tell them apart.",
    },
    flightDeg: {
      label: 'Another flight from',
      why: 'Angles of descent as far apart as this stop differently on the green.',
    },
  },
} satisfies FlagMessages
