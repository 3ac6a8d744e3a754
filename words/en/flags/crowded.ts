import type { FlagMessages } from '../../flag-messages'

export default {
  title: 'Crowded at {fromM}',
  why:
    '{cells} go {from} to {toM} with the same swing, each within {closestM} of the next: one of them has no job, ' +
    'or is badly struck.',
  remedies: [
    'Look at the strike of the longest club first: launch and spin tell.',
    'Then leave one of them at home, or bend one.',
  ],
  variants: {
    clubs: {
      title: '{clubs} do one job',
      why:
        'Taken over {lengths} swing lengths, {clubs} carry the same to within {closestM}: one of them has no job, ' +
        'or is badly struck.',
      remedies: [
        'Look at the strike of the longer club first: launch and spin tell.',
        'Then leave one of them at home, or have one bent.',
      ],
    },
  },
  open: '{cells}: one number?',
} satisfies FlagMessages
