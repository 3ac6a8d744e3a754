import type { FlagMessages } from '../../flag-messages'

export default {
  title: 'Few balls',
  why: '{cells}: fewer than {leastBalls} balls each. Such numbers lean on the others.',
  remedies: ['Hit them first at the next visit.'],
  thresholds: {
    leastBalls: {
      label: 'Fewest balls',
      why: "Three is a coach's quick look; five and more is what is usually written down.",
    },
  },
} satisfies FlagMessages
