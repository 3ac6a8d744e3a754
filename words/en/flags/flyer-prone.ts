import type { FlagMessages } from '../../flag-messages'

export default {
  title: '{club} throws flyers',
  why: 'About {flyersN} of {ballsN} balls flew far beyond their number, as flyers do.',
  remedies: [
    'Clean the grooves and the ball, and hit from short grass or a clean mat.',
    'If it stays, let a club maker look at the grooves.',
  ],
} satisfies FlagMessages
