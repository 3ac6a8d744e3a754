import type { FlagMessages } from '../../flag-messages'

export default {
  title: 'Two ways to {toM}',
  why:
    '{shorter} is {shorterM} and {longer} {longerM}: a choice of flight, not a fault. {longer} ' +
    'comes in {flatterDeg} flatter.',
  remedies: ['Keep both: the flatter one into the wind and to a back pin, the steeper one to a front pin.'],
  open: '{shorter} and {longer}: two ways to one number?',
} satisfies FlagMessages
