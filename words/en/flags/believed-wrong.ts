import type { FlagMessages } from '../../flag-messages'

export default {
  title: '{shorter} believed too short',
  why: '{shorter} is believed to be {believedM} and is {isM}: trusted, it lands {offM} over the back.',
  remedies: ['Look at its balls together, and say the new number aloud.'],
  variants: {
    'long': {
      title: '{shorter} believed too long',
      why: '{shorter} is believed to be {believedM} and is {isM}: trusted, it lands {offM} short.',
    },
    'span': {
      title: '{shorter} believed too short',
      why: '{shorter} is believed to be {believedM} at most and is {isM}: trusted, it lands {offM} over the back.',
    },
    'span-long': {
      title: '{shorter} believed too long',
      why: '{shorter} is believed to be {believedM} at least and is {isM}: trusted, it lands {offM} short.',
    },
  },
} satisfies FlagMessages
