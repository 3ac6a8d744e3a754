import type { FlagMessages } from '../../flag-messages'

export default {
  title: 'Loose at {fromM}',
  why: '{shorter} scatters wider than your other stock shots: 8 clean balls in 10 lie from {near} to {farM}.',
  remedies: [
    'Practise it in blocks of five before it is needed on the course.',
    'Until then prefer another stock shot for that yardage.',
  ],
  variants: {
    level: {
      title: 'Looser than the level',
      why: 'Clean balls scatter {wideTimes} as wide as is usual for the player’s level.',
      remedies: ['Block practice over all swing lengths, or choose another level: it only changes what is expected.'],
    },
  },
} satisfies FlagMessages
