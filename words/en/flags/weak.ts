import type { FlagMessages } from '../../flag-messages'

/** Where balls of practice speak in it. */
const PRACTISED =
  '{practised, select, 0 {} other { {practised} practice balls are in this, each for half a ball of a chart.}}'

export default {
  title: '{stretch, select, point {Weak at {toM}} other {Weak, {from} to {toM}}}',
  why:
    '{cells} is the best there is for these yardages and is loose: at its own {carryM} it leaves {leaveM} on ' +
    `average, where you leave {couldM} at that distance.${PRACTISED}`,
  remedies: ['Practise it in blocks of five before it is needed.', 'Until then leave another distance on purpose.'],
  variants: {
    mishits: {
      why:
        '{cells} is the best there is for these yardages and is mishit often, {mishitPercent} of its balls against ' +
        `{usualPercent} of all: it leaves {leaveM} on average, where you leave {couldM} at that distance.${PRACTISED}`,
    },
    side: {
      why:
        '{cells} is the best there is for these yardages and lies {sideM} off line beyond your usual miss: it leaves ' +
        `{leaveM} on average, where you leave {couldM} at that distance.${PRACTISED}`,
      remedies: ['Aim off for it by that much, or work on its start line.'],
    },
  },
} satisfies FlagMessages
