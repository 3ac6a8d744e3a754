/**
 * Every number the pooled model rests on, each with where it comes from: [cp] common practice, [mem] from memory,
 * [sim] chosen in simulation. Lengths in metres, lofts in degrees, logs natural.
 */
export const MODEL = {
  /** Loft the prior is centred on, and the degrees that one unit of x stands for. */
  centreLoftDeg: 52,
  loftUnitDeg: 10,
  /** ln of the full carry of the centre loft; level of an unknown player, wide. [cp] */
  levelMean: Math.log(88),
  levelSd: 0.3,
  /** Slope of ln carry on loft at full, and how much steeper shorter swings are: read from measured grids. [cp] */
  slopeMean: -0.30,
  tiltMean: 0.20,
  curvatureMean: -0.06,
  /** How much players differ in slope, curvature, stretch of the ladder and tilt; left wider than the best fit. [sim] */
  slopeSd: 0.07,
  curvatureSd: 0.03,
  stretchSd: 0.20,
  tiltSd: 0.10,
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
  regularityWeights: [0.25, 0.5, 0.25],
  /** Form, mat and balls common to one session. Without it the 95 % interval covers 88 %. Paced and range-ball sessions, and guessed ones, have more in common. [mem] */
  daySd: 0.012,
  roughDaySd: 0.02,
  guessedDaySd: 0.03,
  /** Drift in 30 days: of the whole player, and of each cell; old sessions count less by it. [mem] */
  driftSd: 0.012,
  driftCellSd: 0.010,
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
  /** Shares of bad shots [cp] and how far they go in ln carry [mem]. */
  mishitShare: 0.07,
  flyerShare: 0.03,
  misreadShare: 0.01,
  mishitFrom: -0.80,
  mishitTo: -0.05,
  flyerFrom: 0.04,
  flyerTo: 0.28,
  misreadSd: 0.6,
  /** What a strike call, a spin far below the club's, or an impossible spin makes of those shares. [mem] */
  calledMishitShare: 0.60,
  lowSpinFlyerShare: 0.40,
  impossibleSpinMisreadShare: 0.30,
  /** The middle of a pile of n balls scatters as one ball over n, this much wider than the mean. [mem] */
  pileFactor: 1.25,
  /** Floor of the degrees of freedom behind an interval, and of a variance within a session. */
  leastDegrees: 3,
  leastVariance: 1e-10,
  /** Carries that cannot be; they are dropped before the fit. */
  leastCarryM: 2,
  mostCarryM: 300,
  /** Passes over all sessions, rounds within one, and when to stop. [sim] */
  mostPasses: 12,
  rounds: 4,
  stopLnCarry: 3e-4,
  stopLnSpread: 6e-3,
} as const

/** What a coach who states the player's level tells of the scatter: φ, worth six balls. [cp: 9 % … 2.5 % of carry; sim] */
export const SPREAD_OF_LEVEL = { unknown: 0.033, beginner: 0.055, improver: 0.042, good: 0.030, expert: 0.021 } as const
export const SPREAD_BALLS_OF_LEVEL = 6
