/** How much of what may be sent, kept and told at once: our choices, each far above what anybody needs. */

export const INVITATIONS_MAX = 50

export const WHY_MAX = 300
export const ANSWER_NOTE_MAX = 300

export const OWN_BALLS_AT_ONCE = 200
/**
 * Most balls that a player may log alone in a day, and most that wait for the coach. Our choice: ten buckets, and a
 * fortnight of them.
 */
export const OWN_BALLS_A_DAY = 500
export const OWN_BALLS_WAITING = 2000
/** So many of those that wait are told at once. */
export const OWN_BALLS_A_PAGE = 50

export const GO_BALLS_MAX = 300
export const GO_TASKS_MAX = 40
export const GO_NAME_MAX = 60
export const NOTE_MAX = 300
/** Goes of a player that are told at once, newest first. */
export const GOES_TOLD = 400
export const HOMEWORK_BLOCKS_MAX = 12
export const HOMEWORK_MAX = 50
export const OWN_DRILLS_MAX = 100
/** Every distance of a stretch; a page has room for so many. */
export const YARDS_MOST = 120
/** More keys than anybody keeps apart. */
export const PROGRAMS_MAX = 30

export const PUBLISHED_NOTE_MAX = 300
export const TARGETS_MAX = 60

export const APPROACHES_MAX = 80
export const ROUND_NAME_MAX = 60
/** Rounds of a player that are told at once, newest first. */
export const ROUNDS_TOLD = 200

/** So many rounds of a player may wait for the coach. */
export const ROUNDS_WAITING = 20

/** A name of a sign, a target or a session. */
export const LABEL_LINE = 40
export const BUCKET_MAX = 500
/** Stock shots that one open question, or a retest, is about. */
export const SETTLE_MAX = 18

/** Lines of what a session taught, and the length of each. */
export const TOLD_LINES = 12
export const TOLD_LINE = 600

/** Times that the air of one session may change. */
export const AIRS_MAX = 50

/** Most shots that one request may bring. */
export const SHOTS_PER_REQUEST = 500

/** Most balls that a device may send at once. */
export const MOST_SENT = SHOTS_PER_REQUEST

export const WHAT_IF_NAME_MAX = 60
export const WHAT_IFS_MAX = 50
