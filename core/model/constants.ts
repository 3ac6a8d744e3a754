import { ln } from '../stats/exact'
import { CARRY_POWER_OF_SPEED } from '../swing/called-speed'

/**
 * Every number the pooled model rests on, each with where it comes from: [cp] common practice, [mem] from memory,
 * [sim] chosen in simulation. Lengths in metres, lofts in degrees, logs natural.
 */
export const MODEL = {
  /** Loft the prior is centred on, and the degrees that one unit of x stands for. */
  centreLoftDeg: 52,
  loftUnitDeg: 10,
  /** ln of the full carry of the centre loft; level of an unknown player, wide. [cp] */
  levelMean: ln(88),
  levelSd: 0.3,
  /** Slope of ln carry on loft at full, and how much steeper shorter swings are: read from measured grids. [cp] */
  slopeMean: -0.3,
  tiltMean: 0.2,
  curvatureMean: -0.06,
  /** Below 40° the curve goes on straight: to 33° it is what our flight gives a club that is swung 0.3 % faster a
   * degree, within half a standard deviation. [cp: full irons of a measured player] */
  straightFromX: -1.2,
  /**
   * How much players differ in slope, curvature, stretch of the ladder and tilt; wider than the best fit, so that
   * irregular players are not held to a rule. Chosen on one simulator, confirmed on another. [sim]
   */
  slopeSd: 0.07,
  curvatureSd: 0.045,
  stretchSd: 0.2,
  tiltSd: 0.15,
  /** Quirks of a swing length, a club and a cell; shorter swings are quirkier. [sim] */
  rungSd: 0.05,
  /** Factor on the variance of a swing length whose share of full nobody has said. [cp] */
  unknownRungDoubt: 4,
  clubSd: 0.028,
  cellSd: 0.018,
  cellSdPerLnFraction: -0.015,
  /**
   * A low or high flight of a swing length: it shares that length's quirk, lies a little shorter [cp], and is trusted
   * less: one doubt common to all swings of that flight, one of each alone. [mem]
   */
  lowFlightMean: -0.05,
  highFlightMean: -0.03,
  flightSd: 0.05,
  flightRungSd: 0.03,
  /** How regular a player may be: factor on the quirks, and what each is worth beforehand. [sim] */
  regularities: [0.5, 1, 2],
  regularityWeights: [0.2, 0.45, 0.35],
  /**
   * Form, mat and balls common to one session. Without it the 95 % interval covers 88 %. Paced and range-ball
   * sessions, and guessed ones, have more in common. [mem]
   */
  daySd: 0.012,
  roughDaySd: 0.02,
  guessedDaySd: 0.03,
  /** Drift in 30 days: of the whole player, and of each cell; old sessions count less by it. [mem] */
  driftSd: 0.012,
  driftCellSd: 0.01,
  driftDays: 30,
  /** After two years nothing more is forgotten. [mem] */
  longestGapDays: 730,
  /** Scatter of one clean ball is φ·(carry + this), metres. [sim, agrees with measured shots] */
  spreadOffsetM: 30,
  /** φ of an unknown player and how many balls that knowledge is worth. [cp: 9 % … 2.5 % of carry; sim] */
  spread: 0.033,
  spreadBalls: 4,
  /** Cells differ in looseness by about 20 %. [sim] */
  loosenessBalls: 12,
  /**
   * Shares of bad shots [cp] and how far they go in ln carry [mem]. The share of mishits is the player's own, learnt,
   * pulled to the usual one by so many balls, and never more than this. [sim]
   */
  mishitShare: 0.07,
  mishitBalls: 3,
  mostMishitShare: 0.6,
  /**
   * Where the balls leave that share open, others than the likeliest are carried beside it: so far apart, over the root
   * of the balls judged, at most so far, and none once it is less. [sim]
   */
  shareStep: 1,
  mostShareStep: 0.2,
  leastShareStep: 0.08,
  flyerShare: 0.03,
  misreadShare: 0.01,
  mishitFrom: -0.8,
  mishitTo: -0.05,
  flyerFrom: 0.04,
  flyerTo: 0.28,
  misreadSd: 0.6,
  /** What a strike call, a spin far below the club's, or an impossible spin makes of those shares. [mem] */
  calledMishitShare: 0.6,
  lowSpinFlyerShare: 0.4,
  impossibleSpinMisreadShare: 0.3,
  /** The middle of a pile of n balls scatters as one ball over n, this much wider than the mean. [mem] */
  pileFactor: 1.25,
  /**
   * Somebody walked to a pile, or aimed at it, and saw where it lies: it is misread, or taken for a good one, so much
   * more seldom than a ball in the air. [mem]
   */
  pileMisread: 0.07,
  pileBad: 0.1,
  /** No player scatters wider; what does is no scatter. Twice a beginner's. [cp: 9 % of carry; our choice] */
  mostSpread: 0.1,
  /**
   * A stock shot may be no relative of the others: real players have such halves. [cp] How often, and how far it may
   * lie from where the others have it, sd of ln carry. [sim]
   */
  oddShare: 0.02,
  oddSd: 0.35,
  /** It is tried from so many balls on, where it may be worth so much by a first look, in ln of the evidence, [sim] */
  oddBalls: 2,
  oddTried: -2,
  /** so many at a time, the furthest first and then all of them; held where that is worth so much, in ln. [sim] */
  oddTries: 3,
  oddWorth: 0.5,
  /** What it is worth shows after so many passes where there are so many balls; of fewer, at the end. [sim] */
  lookBalls: 300,
  lookPasses: 4,
  /**
   * A number is never beyond its own balls: where so many, and most of them, lie within so many of their scatters it is
   * within a yard of them. So many within a yard are a number by themselves: lock-in habits are a run of three or four
   * alike. [cp; the rest our choice]
   */
  leastTogether: 3,
  togetherSds: [2.5, 4],
  closeSds: 1.5,
  leastAlike: 4,
  /** So seldom may all be mishits that fell so near together: three short balls of a wild player prove little. */
  allMishit: 0.0005,
  /** Floor of the degrees of freedom behind an interval, and of a variance within a session. */
  leastDegrees: 3,
  leastVariance: 1e-10,
  /** Carries that cannot be; they are dropped before the fit. */
  leastCarryM: 2,
  mostCarryM: 300,
  /** Passes over all sessions, rounds within one in the first pass and in later ones, and when to stop. [sim] */
  mostPasses: 18,
  rounds: 4,
  laterRounds: 2,
  /** A session whose carries moved less than this since the last pass is gone over once. [sim] */
  stillLnCarry: 5e-4,
  stopLnCarry: 3e-4,
  stopLnSpread: 6e-3,
  stopMishitShare: 3e-3,
} as const

/**
 * What a coach who states the player's level tells of the scatter: φ, worth six balls. [cp: 9 % … 2.5 % of carry;
 * sim]
 */
export const SPREAD_OF_LEVEL = { unknown: 0.033, beginner: 0.055, improver: 0.042, good: 0.03, expert: 0.021 } as const
export const SPREAD_BALLS_OF_LEVEL = 6

/** Side scatter of one ball as a share of its carry, by level. From memory. */
export const SIDE_OF_LEVEL = { unknown: 0.05, beginner: 0.08, improver: 0.06, good: 0.045, expert: 0.035 } as const

/**
 * How sure a statement must be before it is said, with coaches looking after every ball. Each was set on choosing
 * seeds so that at most 3 charts in 100 ever hold a false one, and checked on others: docs/model.md, (d). [sim]
 */
export const SAY = {
  gapSure: 0.97,
  /** Of three steps that should be alike: a grid has many such threes. */
  unevenSure: 0.985,
  /** Of the gaps listed as likely, so many may be false on average. */
  likelyFalseShare: 0.05,
  overlap: 0.94,
  /**
   * By the e-value: a chart has some fifteen cells that can say it, and all rules together may be wrong in one chart
   * of ten.
   */
  moved: 150,
  /** Likely enough to be listed, and surely. */
  looser: 0.93,
  looserSure: 0.97,
  /**
   * A ball tells so much of what it would of scatter if strikes were normal: they have longer tails. Taken whole, a
   * third of what was said for sure was false. [sim]
   */
  scatterWorth: 0.6,
  /** Looser means this many times the player's usual scatter. */
  looserRatio: 1.25,
  /** The player's scatter beyond the stated level's, along or across: one statement a chart. Our choice. */
  looserThanLevel: 0.95,
  looserThanLevelSure: 0.99,
  /** A bias (to a side, short, to flyers) likely enough to be listed, and surely. Our choice. */
  bias: 0.9,
  biasSure: 0.998,
  /** Strikes fall short more than they run long: a bias to that side is likely later. [sim] */
  shortBias: 0.995,
} as const

/** From here on a number is said to have moved: falsely for at most 1 cell in 20, however often one looks. */
export const MOVED_EVIDENCE = 20
/** One ball moves nothing, however far it lies off. */
export const MOVED_LEAST_BALLS = 2

/** How a real change of a stock carry is looked for. */
export const MOVE = {
  /** How far it may go, in ln carry: about 8 %. [mem] */
  shiftSd: 0.08,
  /** The grid that its likelihood is worked out on, in ln carry, and the points of the day effect either side. [sim] */
  gridStep: 0.005,
  gridHalf: 121,
  dayTaps: 8,
} as const

/** What may change a player's numbers on a day: what a coach marks. */
export const CHANGE_KINDS = ['swing', 'clubs', 'ball', 'season'] as const
export type ChangeKind = (typeof CHANGE_KINDS)[number]

/**
 * How far numbers may move on such a day, sd of ln carry: the whole player, and each cell by itself. Our choice; what
 * a swing's mark brings and costs is in the table of `npm run seasons`.
 */
export const MOVED_BY: Record<ChangeKind, readonly [togetherSd: number, aloneSd: number]> = {
  swing: [0.05, 0.03],
  clubs: [0.02, 0.03],
  ball: [0.015, 0.005],
  season: [0.02, 0.01],
}

/** What to hit next, when it is enough, and when to test again. */
export const NEXT = {
  /** Nine balls in ten are clean, so a ball tells a little less than its scatter says. [cp] */
  cleanOfAll: 0.9,
  /** A forecast beyond this says "many". Our choice. */
  mostBallsForecast: 400,
  /** Good enough: this share of the cells in use within the wanted certainty. Our choice. */
  goodEnoughShare: 0.8,
  /** A cell is said to learn from a ball when this share of the ball's whole gain is its. Our choice. */
  learnsFrom: 0.05,
  /** Retest at the earliest and at the latest so many days after the last session: about once a month. [cp] */
  retestDaysLeast: 14,
  retestDaysMost: 45,
  /** By then this much more doubt than good enough may have crept in. Our choice. */
  retestSlack: 1.5,
  /** Balls of a retest: a ball or two each of a few stock shots (common practice). Our choice. */
  retestBallsLeast: 6,
  retestBallsMost: 18,
} as const

/** Which balls the coach is asked about. */
export const ASK = {
  /** A ball less likely clean than this. Balls are down-weighted long before; this is for asking. [sim] */
  below: 0.3,
  /** Of a cell's last four balls, so many off to the same side are no accident: the swing may have changed. [cp] */
  lastBalls: 4,
  sameSide: 3,
} as const

/** What a number leans on: lighter than this is not worth a word, and so many are named. Our choice. */
export const LEANING = { leastShare: 0.04, mostOthers: 3 } as const

/**
 * Side over carry: scatter of one ball, and how much bias differs between players and between a player's cells. [mem]
 */
export const SIDE = {
  sd: 0.05,
  playerSd: 0.03,
  cellSd: 0.012,
  priorBalls: 4,
  clipSds: 2.5,
  /** A side is said from so many balls on. [cp] */
  leastTold: 5,
  clipFactor: 1.05,
  rounds: 20,
} as const

/** Prior of ln carry = a + b·ln(v / 70 mph) of one club: 100 yd at 70 mph [cp], and carry growing with v^1.5 [mem]. */
export const SPEED = {
  atMph: 70,
  a: ln(91.44),
  aSd: 0.35,
  b: CARRY_POWER_OF_SPEED,
  bSd: 0.25,
  shotSd: 0.03,
} as const
