/** What to hit next, and how ready the chart is. */
export const NEXT = {
  most: 'Nothing else tells you more.',
  others: 'Nothing else tells you more: it also sharpens {others}.',
  mostAsked: '{share} in 100 of your chances come from about there.',
  gains: 'Known to ± {now}; {n, plural, one {# ball makes} other {# balls make}} it about ± {after}.',
  gainsLittle: 'Known to ± {now}; {n, plural, one {# ball more changes} other {# balls more change}} little.',
  settle: 'To settle what is open: {n} balls with each.',
  within: '{within} of {all} within ± {limit}',
  enough: 'Good enough: {within}.',
  ballsToGo: '{within}, about {n, plural, one {# more ball} other {# more balls}}.',
  manyToGo: '{within}, many more balls.',
  ownToGo:
    '{within}. More range balls make it no surer: about {n, plural, one {# ball} other {# balls}} of the ball you ' +
    'play would.',
  ownFirst: '{within}. More range balls make it no surer; a few of your own do.',
} as const

/** When a block ends. */
export const BLOCK_ENDS = {
  count: 'after so many balls',
  alike: 'until some are alike',
  enough: 'until good enough',
} as const

/** What an order of work is called, and why it proposes what it does. */
export const ORDERS = {
  'teach': { name: 'What teaches most', why: '' },
  'club': { name: 'One club through its lengths', why: 'One club through all its lengths, then the next club.' },
  'length': { name: 'One length across the clubs', why: 'One swing length across all clubs, then the next length.' },
  'full-first': {
    name: 'Full first, then fill down',
    why: 'Full swings first, then fill down to about 50 yd; inside that it is touch.',
  },
  'free': { name: 'Free', why: 'You choose.' },
} as const

/** What is asked about a ball that stands out. */
export const QUESTIONS = {
  short: '{off} short',
  past: '{off} past',
  asUsual: 'as far as usual',
  shortOfUsual: '{off} short of what this stock shot does',
  pastUsual: '{off} past what this stock shot does',
  changed: '{way}, and so were others of the last few. Has this swing changed?',
  fault: '{way}: {fault, select, mishit {a poor strike} flyer {a flyer} other {a misread}}?',
  otherClub: 'It is an ordinary {cell}: another club?',
  otherUnit: '{read} would be an ordinary ball of this stock shot, {meant}: read in the other unit?',
} as const

/** What a launch shows, with the figures; `whose` is the player's own usual, or that of the loft. */
export const LAUNCHES = {
  whose: '{whose, select, own {this stock shot usually has} other {a club of that loft usually has}}',
  spin: 'Spin {spin} where {usual} {usualSpin}',
  flyer: '{spin}, and it went {way}: grass or dirt between face and ball?',
  misreadSpin: '{spin}: a misread?',
  misread: 'Its launch and its carry do not go together, {way}: a misread?',
  thin: 'It left at {launch}° where {usual} {usualLaunch}°: thin?',
  heavy: 'Ball speed {speed} where {usual} {usualSpeed}, and it went {way}: heavy?',
  heavyForClub: 'Little ball speed for the speed of the club, and it went {way}: heavy?',
} as const
