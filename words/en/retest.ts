/** When to test again, why, and with which balls. */
export const RETEST = {
  dueBy: 'Retest by {date}: by then the numbers may have moved.',
  overdue: 'A retest has been due since {date}: by now the numbers may have moved.',
  changed:
    '{kind, select, swing {The swing was changed} clubs {The clubs are new} ball {The ball is a different one} ' +
    'other {The season began}} on {date}: older balls count for less, and a retest is due.',
  balls:
    '{balls, plural, one {# ball} other {# balls}} with {shots, plural, one {one stock shot} other {# stock shots}} ' +
    '{enough, select, yes {make the chart sure again} other {tell most of all the others}}.',
  ball: 'The retest: {balls, plural, one {# ball} other {# balls}} with it.',
  tells: 'tells you about {others} too',
  first: 'First the retest: {balls, plural, one {# ball} other {# balls}}, in the order that tells most.',
  none: 'Hit balls first: a retest needs numbers to test.',
} as const

/** What may be marked, and what it does. */
export const CHANGES = {
  swing: { name: 'Swing change', what: 'Every number may have changed.' },
  clubs: { name: 'New clubs', what: 'Each number may have changed by itself.' },
  ball: { name: 'New ball', what: 'All numbers may be a little longer or shorter.' },
  season: { name: 'Start of the season', what: 'Numbers of last season may have moved a little.' },
} as const

export const MARKED = {
  line: '{name}, {date}: balls hit before that day count for less since.',
} as const
