import type { DrillId } from '../../core/practice/drills/index'

export interface DrillWords {
  title: string
  trains: string
  how: string
}

/** Title of each drill, what it trains and how it goes, by its id. */
export const DRILL_WORDS = {
  'random-targets': {
    title: 'Random targets',
    trains: 'Any distance, first ball.',
    how: 'A new distance for each ball, drawn over all your numbers. Walk in afresh each time.',
  },
  'stairs': {
    title: 'Stairs',
    trains: 'Every number you own, from short to long.',
    how: 'Four balls at each number. Nearer is more points, five at most; one wild ball costs the number all of them.',
  },
  'circles': {
    title: 'Circles',
    trains: 'Nearness, with the flag changing.',
    how: 'Ten balls to three flags, mixed. How many stop inside the circle? Four of ten are a fair aim.',
  },
  'two-clubs': {
    title: 'Two clubs, one target',
    trains: 'Which of two shots to trust.',
    how: 'The same target with either, mixed. Whose bad ball ends nearer?',
  },
  'leapfrog': {
    title: 'Leapfrog',
    trains: 'The steps between neighbours.',
    how: 'Two shots to one target; then the longer one moves on to the next.',
  },
  'block-then-switch': {
    title: 'Block, then switch',
    trains: 'A number first, then finding it again.',
    how: 'Three good ones at each of three numbers, then all of them mixed.',
  },
  'five-straight': {
    title: 'Five straight',
    trains: 'One number under pressure.',
    how: 'Five good ones one after the other. A miss, and the count starts again.',
  },
  'on-call-ten': {
    title: 'On-call ten',
    trains: 'Every shot, once, on call.',
    how: 'Ten stock shots, one ball each, none again. Say the shot first, then hit it.',
  },
  'call-before-you-look': {
    title: 'Call before you look',
    trains: 'Feel for distance.',
    how: 'As the ball leaves, say short, good or long. How often are you right?',
  },
  'same-number-other-flight': {
    title: 'Same number, other flight',
    trains: 'Low and high at one distance.',
    how: 'One number, low and high by turns, mixed.',
  },
  'speed-calls': {
    title: 'Speed calls',
    trains: 'Club speed on call.',
    how: 'Three speeds, mixed. One mph out is two to three yards.',
  },
  'shape-on-demand': {
    title: 'Shape on demand',
    trains: 'Curve both ways.',
    how: 'Five draws, five fades, five straight. Any club, the driver too.',
  },
  'touch-ladder': {
    title: 'Touch ladder',
    trains: 'Short shots, low and high.',
    how: '10, 20, 30 and 40, low and then high, twice over. Where it stops counts. It never tells the chart anything.',
  },
  'down-the-line': {
    title: 'Down the line',
    trains: 'Direction, from the longest club down.',
    how: 'Pick a line. Two balls with each club: how far off it do they end?',
  },
  'low-runner': {
    title: 'Low runner',
    trains: 'The shot under the wind.',
    how: 'Ten balls that start low and run.',
  },
  'benchmark': {
    title: 'Benchmark',
    trains: 'Nothing: it measures.',
    how: 'The same nine distances in the same order, every month. Warm up first.',
  },
} satisfies Record<DrillId, DrillWords>

/** What is asked, what came of it, and what it adds up to. */
export const PRACTICE = {
  low: 'low',
  high: 'high',
  draw: 'draw',
  fade: 'fade',
  straight: 'straight',
  turns: 'turns {way, select, left {left} other {right}}',
  turned: '{far, select, yes {far } other {}}{way, select, left {left} other {right}}, a {shape}',
  lowRunner: 'low and running',
  anyShot: 'any shot',
  withShot: '{at} with {shot}',
  asksCurve: 'a {shape} to the {way}',
  andMore: '{asked} and so on',
  // What came of a ball.
  on: 'on the number',
  short: '{off} short',
  long: '{off} long',
  onLine: 'on line',
  left: '{off} left',
  right: '{off} right',
  points: '{n, plural, =0 {no point} one {one point} other {# points}}',
  wild: 'off the map: this target counts nothing',
  good: 'good',
  notGood: 'not good',
  inIt: 'in',
  out: 'out',
  fast: '{off} fast, about {cost}',
  slow: '{off} slow, about {cost}',
  onSpeed: 'on the speed',
  calledRight: 'called right',
  calledWrong: 'you said {call}',
  launched: 'started at {deg}°',
  curved: 'it went {turn}',
  asked: '{what}: {good} of {balls}.',
  natural: 'Ordinary balls: {draw} of {n} draw, {fade} fade, {straight} go straight.',
  overPar: 'it cost more than par',
  flyer: 'a flyer: shown apart',
  notTheShot: 'not the shot: shown apart',
  // Scores.
  strokes: '{value} strokes a ball',
  pointsOf: '{n} of {most} points',
  share: '{good} of {balls}',
  ballsNeeded: '{n, plural, one {# ball} other {# balls}}',
  running: '{n} running',
  notYet: 'not in {n} balls',
  error: '{off} off on average',
  nothing: 'no score yet',
  // Beside the score.
  leave: '{n, plural, one {One ball} other {# balls}}, left {mean} on average.',
  within: '{good} of {n} within {within}.',
  lengthOnly: 'The side was not recorded: scored by length only.',
  someSides: 'The side was recorded for {share} in 100; the others count by length only.',
  shot: '{shot}: {mean} left on average of {n, plural, one {one ball} other {# balls}}, best {best}, worst {worst}.',
  parCost: '{n, plural, one {One} other {#}} cost more than par.',
  apart: '{n, plural, one {One ball} other {# balls}} shown apart.',
  level: '{player} usually: {score}.',
  worst: 'Worst at {target}.',
  // History.
  better: 'Better than at first, and not by luck (a false alarm in 1 player of 20).',
  worse: 'Not as good as at first, and not by luck (a false alarm in 1 player of 20).',
  nothingSure: 'No change beyond what luck alone would make.',
  band: 'Luck alone makes {least} to {most}, 8 times in 10.',
  // Why it is in the plan.
  flag: 'Gaps has a flag about {at}.',
  needed: '{share} in 100 of your approaches come from about {at}.',
  loose: '{shot} lies {times} times as wide as is usual for the level.',
  leastLiked: '{at} is the one you like least.',
  neverHit: '{shot} has never been hit.',
  longAgo: '{shot} was last hit {days} days ago.',
  twoNear: '{a} and {b} do one job: see whose bad ball ends nearer.',
  mixed: 'Mixed at the end: one ball each is what the course asks.',
  worth: 'About {by} nearer on average, as a guess.',
  holds: 'It keeps what you have.',
  // What is liked least.
  reallyWorst: 'It really is your worst: {mean} left on average there.',
  notWorst: 'The record says otherwise: {mean} left there, but {worst} at {at}.',
  noRecord: 'No ball of practice near it yet.',
} as const

/** A player of each level, as a sentence begins. */
export const PLAYERS_OF_LEVEL = {
  expert: 'An expert',
  good: 'A good player',
  improver: 'An improver',
  beginner: 'A beginner',
} as const
