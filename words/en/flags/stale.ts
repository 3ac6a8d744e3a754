import type { FlagMessages } from '../../flag-messages'

export default {
  title: 'Old numbers',
  why:
    '{cells}: the last ball is more than {staleDays} ago, the oldest {oldestDays}. Players drift by ' +
    'about a yard a month.',
  remedies: ['A retest of a ball or two each tells whether they still hold.'],
  thresholds: {
    staleDays: {
      label: 'Old after',
      why: "About once a month is the habit; after two the drift is as wide as the number's own doubt.",
    },
  },
} satisfies FlagMessages
