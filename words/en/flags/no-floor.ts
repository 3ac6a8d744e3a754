import type { FlagMessages } from '../../flag-messages'

export default {
  title: 'Nothing under {fromM}',
  why: 'The shortest stock shot, {shorter}, is {shorterM}. Below it there is only touch.',
  remedies: [
    'Add a shorter swing length with the most lofted club.',
    'Or practise touch: 10, 20, 30 and 40, low and then high.',
  ],
  thresholds: {
    floorM: {
      label: 'Numbers down to',
      why: 'Inside about 50 it is touch for most players.',
    },
  },
} satisfies FlagMessages
