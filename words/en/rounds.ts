/** What rounds asked for, what it cost, and what to work on. */
export const ROUNDS = {
  // A line that was typed.
  distance: '"{part}" is no distance: {least} to {most} {unit} come first.',
  past: '"{part}" is too far past or short.',
  side: '"{part}" is too far to the side.',
  word: '"{part}" is not known: -8 is 8 short, 3r is 3 right; then rough, sand, par3, penalty, layup.',
  twice: '"{part}" says something a second time.',
  // What the course asks.
  most: '{tenths} in ten of your chances come from {from} to {to}.',
  chances: '{n, plural, one {# chance} other {# chances}} in {rounds, plural, one {one round} other {# rounds}}.',
  longest: 'None longer than {to}.',
  band: '{from} to {to}',
  from: 'From {list}.',
  par3: '{n, plural, one {one par 3} other {# par 3s}}',
  par4: '{n, plural, one {one par 4 that was driven at is} other {# par 4s that were driven at are}} counted apart.',
  tooFew: 'Fifteen chances are the least before a stretch is named: {n} so far.',
  orderByNeed: '{from} to {to} this week: rounds ask for it most, so of two that teach as much it comes first.',
  // Where a flag stands.
  askedThere: '{share} in 100 of your chances come from there.',
  notAskedThere: 'No chance of your rounds came from there.',
  // The course against the range.
  shift:
    '{off} {way, select, short {short} other {long}} on the course, on average: that is not luck ' +
    '(a false alarm in 1 player of 20).',
  noShift: 'No sign that the course plays longer or shorter than the range.',
  // The windows of the chart.
  windows:
    'Where the chart has 8 in 10, {held} of {balls} ordinary balls ended; with balls {times} times as wide as on the ' +
    'range, {usual} would be usual.',
  fewer: 'Fewer than that is not luck: on the course the windows are too narrow.',
  more: 'More than that is not luck: on the course the windows are wider than they need be.',
  // Strokes.
  toLevel:
    'Against the ball of the level: {strokes} strokes {way, select, more {more} other {fewer}} a ball ' +
    '({sure, select, yes {± {half}, 8 in 10 sure} other {± {half}: too few balls to tell}}).',
  toRange:
    'Against what your own spread on the range would cost: {strokes} strokes ' +
    '{way, select, more {more} other {fewer}} a ball ' +
    '({sure, select, yes {± {half}, 8 in 10 sure} other {± {half}: too few balls to tell}}).',
  // Scatter on the course.
  scatter:
    'On the course your balls lie {times} times as wide as on the range ' +
    '({least} to {most}, 8 in 10 sure; {usual} is usual).',
  // What to work on.
  loose: 'asked for by {share} in 100 chances, and costs {lost} strokes a ball more than the level does',
  offNumber: 'asked for by {share} in 100 chances, and ends {off} {way, select, short {short} other {long}} on average',
  worth: 'An hour on it may be worth {worth} strokes a round, as a guess.',
  nothing: 'No stock shot costs more than is usual for the level.',
  needsEnds: 'Say where approaches finished, and you see what they cost.',
  summary: '{n, plural, one {# approach} other {# approaches}}',
} as const
