import type { FlagMessages } from '../../flag-messages'

export default {
  title: 'Wide step, {from} to {toM}',
  why:
    '{shorter} is {shorterM} and the next, {longer}, {longerM}: a step of {stepM}, more than ' +
    '{widestStepM}. Nothing in the chart lands in between.',
  remedies: [
    'Grip down an inch on {longer}: about {gripDownM} less.',
    'Add a swing length in between: What would help says which.',
  ],
  open: '{shorter} to {longer}, {stepM}: too wide?',
  thresholds: {
    widestStepM: {
      label: 'Widest step',
      why: 'About 4 to 5° of loft between full wedges; gripping down an inch bridges half of it.',
    },
  },
} satisfies FlagMessages
