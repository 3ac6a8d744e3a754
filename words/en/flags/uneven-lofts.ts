import type { FlagMessages } from '../../flag-messages'

export default {
  title: 'Uneven steps, {from} to {toM}',
  why:
    '{shorter} to {middle} is {belowM}, {middle} to {longer} {aboveM}, from the same {loftDeg} of loft ' +
    'each. That is this player, not chance.',
  remedies: [
    'No fault in itself. If one of the steps leaves a hole, bending the middle club a degree or two evens ' +
      'them out.',
  ],
  open: '{shorter}, {middle}, {longer}: uneven steps?',
  thresholds: {
    unevenM: {
      label: 'Uneven from',
      why: "Four is what a good player's ball can tell apart: less is seldom noticed.",
    },
  },
} satisfies FlagMessages
