import { yardsToMetres } from './units'

/** What the program takes for possible. One home, so that the form, the server, the file reader and the words agree. */

/**
 * A carry or total, in the unit it is read in: 1 to 400 yd, 1 to 365 m. Above it is a driver or a slip of the finger.
 */
export const CARRY_LIMITS = { yd: { min: 1, max: 400 }, m: { min: 1, max: 365 } } as const

/** The same in metres: the wider of both units, so that what one form takes the server does not refuse. */
export const CARRY_MIN_M = yardsToMetres(CARRY_LIMITS.yd.min)
export const CARRY_MAX_M = yardsToMetres(CARRY_LIMITS.yd.max)

/** In a file, metres may come from yards, whose ends lie between whole metres. */
export const CARRY_LIMITS_IN_FILE = { yd: CARRY_LIMITS.yd, m: { min: CARRY_MIN_M, max: CARRY_MAX_M } } as const

/** Loft of a club, degrees: from a driver to the steepest wedge that is sold (common practice). */
export const LOFT_MIN_DEG = 8
export const LOFT_MAX_DEG = 70

/** Lofts the pooled model knows: wedges and short irons. Other clubs have a plain record of their own. */
export const GRID_LOFT_MIN_DEG = 33
export const GRID_LOFT_MAX_DEG = 62

/** Share of the full carry of one swing length. Above 1 is a stretch beyond full. */
export const FRACTION_MIN = 0.05
export const FRACTION_MAX = 1.3

/** The rules of golf allow 14 clubs in a round; a coach's record may hold spare ones. */
export const CLUBS_MAX = 30
export const RUNGS_MAX = 20

export const NAME_MAX = 80
export const LABEL_MAX = 16
export const CUE_MAX = 80
export const REASON_MAX = 120

/** One long pace of a grown person, metres: about one (common practice). */
export const PACE_MIN_M = 0.5
export const PACE_MAX_M = 1.5

/** How far a landing place may lie above or below the tee, metres. */
export const HEIGHT_RANGE_M = [-60, 60] as const

/** Marks of a coach's own: how long one may be, and how many there may be. */
export const MARK_MAX = 24
export const OWN_MARKS_MAX = 12
/** In a table they stand in one cell with this between them; so none has it in itself. */
export const BETWEEN_MARKS = ';'

/** Balls at one stock shot before the next. */
export const BLOCK_RANGE = [1, 50] as const

/** A called plus or minus, metres: up to 20 yd either way. */
export const PLUS_RANGE_M = [-yardsToMetres(20), yardsToMetres(20)] as const

/** Days on which something was changed, of a player: swing, clubs, ball, season. */
export const CHANGES_MAX = 20

/** A pile measured as one. */
export const BALLS_MAX = 1000

/** Flag thresholds a coach may choose, in metres: 1 to 40 yd. */
export const THRESHOLD_MIN_M = yardsToMetres(1)
export const THRESHOLD_MAX_M = yardsToMetres(40)

/** Other figures of the flags, by name: least and most. Metres, degrees, balls, days, percent. */
export const THRESHOLD_LIMITS = {
  leaveM: [THRESHOLD_MIN_M, THRESHOLD_MAX_M],
  widestStepM: [THRESHOLD_MIN_M, THRESHOLD_MAX_M],
  closestM: [THRESHOLD_MIN_M, THRESHOLD_MAX_M],
  unevenM: [THRESHOLD_MIN_M, THRESHOLD_MAX_M],
  floorM: [yardsToMetres(10), yardsToMetres(120)],
  flightDeg: [0.5, 20],
  leastBalls: [1, 50],
  staleDays: [7, 730],
  biasPercent: [0.5, 20],
} as const

/** How much wider balls lie on the course than on the range, at least and at most; and rules a coach keeps. */
/** What a plus that is called comes to, times: beyond this it is no plus. Our choice. */
export const PLUS_WORTH_RANGE = [0.5, 2] as const
export const COURSE_SCATTER_RANGE = [0.5, 4] as const
/** Stock shots of a player with a launch or spin goal. */
export const GOALS_MAX = 120
export const PICK_RULES_MAX = 20

/** How surely a number is wanted, either way, metres: 1 to 20 yd. */
export const WITHIN_MIN_M = yardsToMetres(1)
export const WITHIN_MAX_M = yardsToMetres(20)
