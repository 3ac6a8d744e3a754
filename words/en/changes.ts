/** What changed between two published charts. */
export const CHANGES = {
  first: 'The first published chart.',
  none: 'No number has moved for sure.',
  moved: 'Moved: {list}',
  fresh: 'New: {list}',
  written: 'Written: {list}',
  struckOut: 'Not used: {list}',
  move: 'from {from} to {to}, by {balls} new balls: {sure, select, certain {certain} other {likely}}',
} as const
