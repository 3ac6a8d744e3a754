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
  open: '{cells}: one number?',
} satisfies FlagMessages
