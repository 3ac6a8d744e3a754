import type { FlagMessages } from '../../flag-messages'

export default {
  title: 'Unequal steps, {from} to {toM}',
  why:
    '{shorter} to {middle} is {belowM}, {middle} to {longer} {aboveM}, from the same {loftDeg} of loft ' +
    'each. That is this player, not chance.',
  remedies: [
    'Nothing to mend by itself. Bending the middle club a degree or two evens it out, if one of the ' +
      'steps leaves a hole.',
  ],
  open: '{shorter}, {middle}, {longer}: uneven steps?',
  thresholds: {
    unevenM: {
      label: 'Uneven from',
      why: "Four is what a good player's ball can tell apart: less is seldom noticed.",
    },
  },
} satisfies FlagMessages
