import type { FlagMessages } from '../../flag-messages'

export default {
  title: '{stretch, select, point {Weak at {toM}} other {Weak, {from} to {toM}}}',
  why:
    '{cells} is the best there is for these yardages and is loose: at its own {carryM} it leaves {leaveM} on ' +
    'average, where you leave {couldM} at that distance.',
  remedies: ['Practise it in blocks of five before it is needed.', 'Until then leave another distance on purpose.'],
  variants: {
    mishits: {
      why:
        '{cells} is the best there is for these yardages and is mishit often, {mishitPercent} of its balls against ' +
        '{usualPercent} of all: it leaves {leaveM} on average, where you leave {couldM} at that distance.',
    },
    side: {
      why:
        '{cells} is the best there is for these yardages and lies {sideM} off line beyond your usual miss: it leaves ' +
        '{leaveM} on average, where you leave {couldM} at that distance.',
      remedies: ['Aim off for it by that much, or work on its start line.'],
    },
  },
} satisfies FlagMessages
