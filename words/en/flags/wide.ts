import type { FlagMessages } from '../../flag-messages'

export default {
  title: 'Wide to the sides',
  why:
    'At 100 of carry 8 clean balls in 10 lie within {eitherPercent} of it to either side of their ' +
    'middle; {usualPercent} is usual for the level.',
  remedies: ['Aim at the middle of the green, and practise one start line with two clubs set down beside the ball.'],
} satisfies FlagMessages
