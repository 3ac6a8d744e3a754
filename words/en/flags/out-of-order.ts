import type { FlagMessages } from '../../flag-messages'

export default {
  title: '{longer} is no longer',
  why: '{longer} is {longerM} and {shorter} {shorterM}: the longer club should go further, and does ' + 'not.',
  remedies: [
    'Look at its strike: a thin or open face takes carry away.',
    'Measure both once more, one after the other.',
    'Let a club maker check the loft.',
  ],
  variants: {
    swing: {
      why: '{longer} is {longerM} and {shorter} {shorterM}: the longer swing should go further, and ' + 'does not.',
      remedies: [
        'Watch the length of both swings: the shorter one often goes too far.',
        'Measure both once more, one after the other.',
        'Stop using one of them.',
      ],
    },
  },
  open: '{longer} against {shorter}: out of order?',
} satisfies FlagMessages
