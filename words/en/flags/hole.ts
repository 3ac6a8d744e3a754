import type { FlagMessages } from '../../flag-messages'

export default {
  title: '{stretch, select, point {Hole at {toM}} other {Hole, {from} to {toM}}}',
  why:
    'No stock shot serves these yardages, gripped down an inch or not: the best, {cells}, leaves ' +
    '{leaveM} on average, where a shot made for it would leave {couldM}.',
  remedies: [],
  open: '{stretch, select, point {{toM}} other {{from} to {toM}}}: a hole?',
} satisfies FlagMessages
