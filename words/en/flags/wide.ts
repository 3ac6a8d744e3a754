import type { FlagMessages } from '../../flag-messages'

const OTHER_CLUB =
  'Look at strike and start line first; then try another club or loft that reaches it, by a few balls of each.'

export default {
  title: 'Wide to the sides',
  why:
    'At 100 of carry 8 clean balls in 10 lie within {eitherPercent} of it to either side of their ' +
    'middle; {usualPercent} is usual for the level.',
  remedies: ['Aim at the middle of the green, and practise one start line with two clubs set down beside the ball.'],
  variants: {
    'club-long': {
      title: 'Wide in length at {fromM}',
      why:
        '{shorter}: 8 clean balls in 10 lie from {near} to {farM}, {longerPercent} further apart than is usual for ' +
        'the level.',
      remedies: [OTHER_CLUB],
    },
    'club-broad': {
      title: 'Wide to the sides at {fromM}',
      why: 'Balls of {shorter} lie {broaderPercent} further to the sides than is usual for the level.',
      remedies: [OTHER_CLUB],
    },
    'club-both': {
      title: 'Wide both ways at {fromM}',
      why:
        '{shorter}: 8 clean balls in 10 lie from {near} to {farM}, {longerPercent} further apart than is usual for ' +
        'the level, and {broaderPercent} further to the sides.',
      remedies: [OTHER_CLUB],
    },
  },
} satisfies FlagMessages
