/** What to hit for a target, and how. */
export const PICK = {
  exact: 'the number',
  plus: 'plus {n}',
  minus: 'minus {n}',
  grip: '{n, plural, one {grip down an inch} other {grip down # inches}}',
  worth: '{one} more is worth {worth}.',
  oneSpeed: 'One {unit}',
  tenPerCent: 'Ten per cent',
  aim: 'aim {off} {way}',
  left: 'left',
  right: 'right',
  wind: 'wind',
  heavyAir: 'cold or heavy air',
  lightAir: 'warm or thin air',
  up: 'up',
  down: 'down',
  troubleWord: 'trouble',
  troubleAt: '{at} {side}: {cost}',
  halfShot: 'half a shot',
  aShot: 'a shot',
  outOfBounds: 'out of bounds',
  yours: 'Your {n}.',
  yoursTotal: 'Your {n}, run counted.',
  sideUnknown: 'Its side is not recorded: drawn as wide as is usual for the level.',
  lowWay: 'The low way: for wind, a branch, or a green with room to run.',
  highWay: 'The high way: for a near pin, or over trouble.',
  usual: 'Usually {off} {way}.',
  usualOfClub: 'Usually {off} {way} ({n} balls).',
  usualOfPlayer: 'Usually {off} {way}, as all your clubs ({n} balls).',
  leaves: 'Leaves {mean} on average; one in ten ends {bad} off.',
  trouble: 'Leaves {mean} on average; one in ten ends {bad} off; {share} the trouble.',
  never: 'hardly ever finds',
  oneIn: 'one in {n} finds',
  mostly: 'mostly finds',
  back: 'Comes down steeply and spins back.',
  stops: 'Comes down steeply and stops.',
  bit: 'Runs {run} on.',
  runs: 'Comes in low and runs {run} on.',
  // Why this one.
  rule: 'Your coach’s choice for this distance.',
  tieNearer: 'As good as the next; its bad ball ends nearer.',
  tie: 'As good as the next: take the one you like.',
  avoids: 'It keeps out of the trouble best.',
  own: 'This is your number.',
  best: 'It leaves least.',
  // What no stock shot does.
  tooShort: 'Nearer than your shortest number: {shot} held back as far as it goes lands {off} past.',
  tooLong: 'Beyond your longest number: {shot} stretched as far as it goes ends {off} short.',
  between: 'Between your numbers: {shot} ends {off} {way}.',
  blocked: 'No shot of yours clears that: go round it, or play out to the side.',
  nearer: 'Its bad ball ends nearer: {bad} against {other}.',
  newer:
    '{n, plural, one {One number of today’s chart differs} other {# numbers of today’s chart differ}} ' +
    'from what the player carries.',
  served: 'In practice at {at} these left the least: {list}.',
  servedShot: '{shot} ({leave} over {n, plural, one {# ball} other {# balls}})',
  layUp: 'Leave {leave}: {gain} strokes better than going as far as you can ({least}).',
  layUpFar: 'Go as far as you can: leave {leave}.',
  scatter:
    'On the course balls scatter {times} times as wide as on the range (fitted to a published table of experts).',
} as const

/** What is changed first between two numbers. */
export const HABIT_WORDS = {
  club: 'the club, with the same swing',
  swing: 'the swing, with the same club',
  grip: 'the grip, an inch down',
} as const

/** What a lie asks for. Common practice. */
export const LIE_WORDS = {
  'fairway': '',
  'light rough':
    'Grass between face and ball takes spin off: some fly and run further. Common practice.' +
    '{flyers, select, none {} other { Off a clean lie {flyers} of yours were flyers: here it is more.}}',
  'heavy rough':
    'It comes out shorter and lower, and turns left: take more loft, and the way out first. Common practice.',
  'uphill': 'It starts higher and pulls: a club more, aim off. Common practice.',
  'downhill': 'It starts lower, runs more and pushes: less club, swing down the slope. Common practice.',
  'sand': 'From sand a full number is a guess: ball first, a club more, trouble first. Common practice.',
  'wet': 'Wet grass takes spin off: it flies a little further and stops less. Common practice.',
} as const
