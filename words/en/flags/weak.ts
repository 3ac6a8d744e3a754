import type { FlagMessages } from '../../flag-messages'

export default {
  title: '{stretch, select, point {Weak at {toM}} other {Weak, {from} to {toM}}}',
  why:
    '{cells} is the best there is for these yardages and leaves {leaveM} on average: {overTimes} what a ' +
    'number of its own would leave.',
  remedies: ['Practise it before it is needed, or keep another shot for that yardage.'],
} satisfies FlagMessages
