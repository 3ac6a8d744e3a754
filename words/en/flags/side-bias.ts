import type { FlagMessages } from '../../flag-messages'

export default {
  title: 'Finishes right',
  why: 'The middle of all balls lies {biasPercent} of the carry right of the line; {sideN} of {sidesN} finish right.',
  remedies: ['Check the aim first, with a club along the toes.', 'On the course aim that much left.'],
  variants: {
    left: {
      title: 'Finishes left',
      why: 'The middle of all balls lies {biasPercent} of the carry left of the line; {sideN} of {sidesN} finish left.',
      remedies: ['Check the aim first, with a club along the toes.', 'On the course aim that much right.'],
    },
  },
  thresholds: {
    biasPercent: {
      label: 'Bias from',
      why: 'Two yards in a hundred: less is lost in the scatter.',
    },
  },
} satisfies FlagMessages
