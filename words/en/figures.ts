/** Figures with what belongs to them. */
export const FIGURES = {
  times: '{n} times',
  degrees: '{n}°',
  percent: '{n} %',
  days: '{n, plural, one {# day} other {# days}}',
  andMore: '{named} and {n} more',
} as const

export const ODDS = {
  most: 'more than 99 in 100',
  least: 'less than 1 in 100',
  inHundred: '{n} in 100',
  withSureness: '{sureness}: {odds}',
} as const

/** How surely a flag is said. */
/** What is still open, and what decides it. */
export const STILL_OPEN = {
  decided: '{question} About {n, plural, one {# ball} other {# balls}} more{each, select, each { with each} other {}}.',
  atLimit: '{question} Right at the limit: no number of balls decides it.',
} as const

export const SURENESS = {
  sure: 'Sure',
  likely: 'Likely',
  /** Likely by odds that leave hardly a doubt, short of what is asked before it is said for sure. */
  nearly: 'Nearly sure',
  open: 'Not enough balls to tell',
  counted: 'Counted',
  written: 'By the written number',
} as const
