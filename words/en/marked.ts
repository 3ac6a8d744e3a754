/** Marks of a stock shot's balls, counted. */
export const MARKED = {
  counts: 'Marked: {marks}, of {n, plural, one {# ball} other {# balls}}; {clubMarks} of {clubN} with this club.',
  mark: '{n} {mark}',
  without: 'Without {n, plural, one {the one} other {the {n}}} face open or closed: {carry} ± {plusMinus} {unit}.',
} as const
