import { sql } from 'drizzle-orm'
import {
  bigint,
  boolean,
  char,
  customType,
  datetime,
  double,
  index,
  int,
  json,
  mysqlTable,
  primaryKey,
  smallint,
  uniqueIndex,
  varchar,
} from 'drizzle-orm/mysql-core'
import type { Firmness } from '../../core/flight/run-out'
import type { LockIn } from '../../core/session/lock-in'
import type { CoachSettings } from '../../shared/schemas/account'
import type { RemarkKind } from '../../core/history/coach-remarks'
import type { WhatIf } from '../../core/what-if/thought-of'
import type { PublishedChart } from '../../core/history/published'
import type { LinkStrength, Scope } from '../../shared/choices'
import type { DeviceBall } from '../../shared/device'
import type { SwingFlight } from '../../core/swing/scale'
import type { SchoolId } from '../../core/swing/schools'
import type { Readings } from '../../core/shot/readings'
import type { Method, Strike } from '../../core/shot/shot'
import type { ChangeOfRecord } from '../../core/history/record-change'
import type { GoRecord, HomeworkRecord, OwnDrill } from '../../shared/schemas/practice'
import type { HandedBag } from '../../shared/schemas/handed-bag'
import type { RangeTarget } from '../../shared/schemas/range'
import type { AirRecord, SessionPlan, TakenRecord } from '../../shared/schemas/session'
import type { FlagAnswerRecord } from '../../shared/schemas/flag-answer'
import type { Guardian, AcademyThresholds, Thresholds } from '../../shared/schemas/player'
import type { Level } from '../../core/level'
import type { PlayerSummary } from '../../shared/player'
import type { Hand } from '../../core/shot/hand'
import type { CoachesSee, Role } from '../../shared/rights'
import type { RoundRecord } from '../../shared/schemas/rounds'

/** A player's balls as the list tells them, as of the newest change of one and of the sessions. */
export interface ShotCount {
  changedAt: string
  sessions: string
  /** Rows, and the sum of their versions, deleted ones too. */
  stamp: string
  balls: number
  lastHitMs: number | null
}

/** MariaDB's own type: 16 bytes, where text would be 36 and compared by the rules of a language. */
const id = customType<{ data: string }>({ dataType: () => 'uuid' })
const createdAt = datetime('created_at', { mode: 'date', fsp: 3 })
  .notNull()
  .default(sql`current_timestamp(3)`)

export const academies = mysqlTable('academies', {
  id: id('id').primaryKey(),
  name: varchar('name', { length: 80 }).notNull(),
  // What flags are judged by for all players, unless a player has figures of their own.
  thresholds: json('thresholds').$type<AcademyThresholds>().notNull().default({}),
  // Whether a coach sees all players of the academy, or those alone who are their own.
  coachesSee: varchar('coaches_see', { length: 3 }).$type<CoachesSee>().notNull().default('all'),
  // Whether coaches who see their own players alone may change the ranges and drills that all use.
  coachesChange: boolean('coaches_change').notNull().default(false),
  // Players go for good so many months after they were archived; null until an owner erases them.
  keepMonths: int('keep_months'),
  // Since when that is so, and who chose it: nothing goes within a day of it.
  keepSetAt: datetime('keep_set_at', { mode: 'date', fsp: 3 }),
  keepSetBy: id('keep_set_by'),
  createdAt,
})

export const coaches = mysqlTable(
  'coaches',
  {
    id: id('id').primaryKey(),
    academyId: id('academy_id')
      .notNull()
      .references(() => academies.id),
    name: varchar('name', { length: 80 }).notNull(),
    email: varchar('email', { length: 254 }).notNull(),
    passwordHash: varchar('password_hash', { length: 255 }).notNull(),
    // Raised by a change of password, so that sealed cookies from before it open nothing.
    signInEpoch: int('sign_in_epoch').notNull().default(1),
    role: varchar('role', { length: 9 }).$type<Role>().notNull().default('owner'),
    // Set when somebody leaves the academy: their sign-in opens nothing, what they did stays.
    leftAt: datetime('left_at', { mode: 'date', fsp: 3 }),
    unit: varchar('unit', { length: 2 }).$type<'yd' | 'm'>().notNull().default('yd'),
    // One pace of this coach, metres; null until it was measured.
    paceM: double('pace_m'),
    // Marks beside the certainty that this coach wants; empty for none.
    lockIn: json('lock_in').$type<LockIn>().notNull().default({}),
    // Units, marks and block size of this coach; what is missing is what is usual.
    settings: json('settings').$type<CoachSettings>().notNull().default({}),
    createdAt,
  },
  t => [uniqueIndex('coaches_email').on(t.email)],
)

/** A second thing that signing in asks for: figures of an app on the coach's phone. */
export const secondFactors = mysqlTable('second_factors', {
  coachId: id('coach_id')
    .primaryKey()
    .references(() => coaches.id),
  // Sealed with a key of the installation: figures cannot be worked out from a hash.
  sealed: varchar('sealed', { length: 255 }).notNull(),
  // Null until figures were typed once, so that nobody is locked out by an app that was not set up.
  confirmedAt: datetime('confirmed_at', { mode: 'date', fsp: 3 }),
  // Figures open once: those of this half minute and before it are used up.
  lastStep: bigint('last_step', { mode: 'number' }).notNull().default(0),
  // Hashes of the codes for a lost phone that are left.
  spare: json('spare').$type<string[]>().notNull().default([]),
})

/** Where people are signed in: a cookie opens only while its row has not ended. */
export const signIns = mysqlTable(
  'sign_ins',
  {
    id: id('id').primaryKey(),
    coachId: id('coach_id')
      .notNull()
      .references(() => coaches.id),
    device: varchar('device', { length: 80 }).notNull(),
    begunAt: datetime('begun_at', { mode: 'date', fsp: 3 }).notNull(),
    seenAt: datetime('seen_at', { mode: 'date', fsp: 3 }).notNull(),
    endedAt: datetime('ended_at', { mode: 'date', fsp: 3 }),
  },
  t => [index('sign_ins_coach').on(t.coachId, t.seenAt)],
)

/** A way into an academy for somebody who has no account yet; good once, and for some days. */
export const invitations = mysqlTable(
  'invitations',
  {
    id: id('id').primaryKey(),
    academyId: id('academy_id')
      .notNull()
      .references(() => academies.id),
    madeBy: id('made_by')
      .notNull()
      .references(() => coaches.id),
    role: varchar('role', { length: 9 }).$type<Role>().notNull(),
    forWhom: varchar('for_whom', { length: 80 }).notNull(),
    tokenHash: varchar('token_hash', { length: 64 }).notNull(),
    expiresAt: datetime('expires_at', { mode: 'date', fsp: 3 }).notNull(),
    // Used or taken back: it opens nothing any more.
    closedAt: datetime('closed_at', { mode: 'date', fsp: 3 }),
  },
  t => [uniqueIndex('invitations_token').on(t.tokenHash), index('invitations_academy').on(t.academyId)],
)

/** Players who were erased for good: their ids alone, so that nothing brings them back. */
export const erasures = mysqlTable('erasures', {
  playerId: id('player_id').primaryKey(),
  academyId: id('academy_id').notNull(),
  erasedBy: id('erased_by').notNull(),
  erasedAt: datetime('erased_at', { mode: 'date', fsp: 3 }).notNull(),
})

export const players = mysqlTable(
  'players',
  {
    id: id('id').primaryKey(),
    academyId: id('academy_id')
      .notNull()
      .references(() => academies.id),
    // Whose player it is; an owner hands one over.
    coachId: id('coach_id').references(() => coaches.id),
    name: varchar('name', { length: 80 }).notNull(),
    level: varchar('level', { length: 12 }).$type<Level>().notNull().default('unknown'),
    hand: varchar('hand', { length: 5 }).$type<Hand>().notNull().default('right'),
    note: varchar('note', { length: 300 }).notNull().default(''),
    thresholds: json('thresholds').$type<Thresholds>().notNull(),
    // The scale has no table of its own: a player has one, and it is a school and its rungs.
    school: varchar('school', { length: 16 }).$type<SchoolId>(),
    bagVersion: int('bag_version').notNull().default(1),
    // Of somebody under age; null for who is of age.
    guardian: json('guardian').$type<Guardian>(),
    archivedAt: datetime('archived_at', { mode: 'date', fsp: 3 }),
    version: int('version').notNull().default(1),
    // What the list tells of the player's chart, worked out after a change; null until it has been.
    summary: json('summary').$type<PlayerSummary>(),
    // How many balls there are, as of the newest change of one; counted anew after the next change.
    shotCount: json('shot_count').$type<ShotCount>(),
    createdAt,
  },
  t => [index('players_academy').on(t.academyId)],
)

export const clubs = mysqlTable(
  'clubs',
  {
    id: id('id').primaryKey(),
    playerId: id('player_id')
      .notNull()
      .references(() => players.id),
    label: varchar('label', { length: 16 }).notNull(),
    name: varchar('name', { length: 80 }).notNull().default(''),
    loftDeg: double('loft_deg').notNull(),
    position: smallint('position').notNull(),
    retired: boolean('retired').notNull().default(false),
  },
  t => [index('clubs_player').on(t.playerId)],
)

export const rungs = mysqlTable(
  'rungs',
  {
    id: id('id').primaryKey(),
    playerId: id('player_id')
      .notNull()
      .references(() => players.id),
    label: varchar('label', { length: 16 }).notNull(),
    cue: varchar('cue', { length: 80 }).notNull().default(''),
    feels: varchar('feels', { length: 80 }).notNull().default(''),
    school: varchar('school', { length: 16 }).$type<SchoolId>(),
    flight: varchar('flight', { length: 6 }).$type<SwingFlight>().notNull().default('normal'),
    fraction: double('fraction'),
    position: smallint('position').notNull(),
    retired: boolean('retired').notNull().default(false),
  },
  t => [index('rungs_player').on(t.playerId)],
)

export const struckOut = mysqlTable(
  'struck_out',
  {
    clubId: id('club_id')
      .notNull()
      .references(() => clubs.id, { onDelete: 'cascade' }),
    rungId: id('rung_id')
      .notNull()
      .references(() => rungs.id, { onDelete: 'cascade' }),
    playerId: id('player_id')
      .notNull()
      .references(() => players.id),
  },
  t => [primaryKey({ columns: [t.clubId, t.rungId] }), index('struck_out_player').on(t.playerId)],
)

export const sessions = mysqlTable(
  'sessions',
  {
    id: id('id').primaryKey(),
    playerId: id('player_id')
      .notNull()
      .references(() => players.id),
    coachId: id('coach_id')
      .notNull()
      .references(() => coaches.id),
    startedAt: datetime('started_at', { mode: 'date', fsp: 3 }).notNull(),
    endedAt: datetime('ended_at', { mode: 'date', fsp: 3 }),
    method: varchar('method', { length: 8 }).$type<Method>().notNull(),
    ball: varchar('ball', { length: 6 }).$type<'own' | 'range'>().notNull(),
    surface: varchar('surface', { length: 6 }).$type<'grass' | 'mat'>().notNull(),
    // Oldest first; read and written as one with its session.
    air: json('air').$type<AirRecord[]>().notNull().default([]),
    // Empty where a session is older than its plan: the usual one then.
    plan: json('plan').$type<Partial<SessionPlan>>().notNull().default({}),
    version: int('version').notNull().default(1),
    createdAt,
  },
  t => [index('sessions_player').on(t.playerId, t.startedAt)],
)

/** What is said of a stock shot beside what was measured. Rows are only added: the newest of a kind holds. */
export const cellRemarks = mysqlTable(
  'cell_words',
  {
    id: id('id').primaryKey(),
    playerId: id('player_id')
      .notNull()
      .references(() => players.id),
    clubId: id('club_id')
      .notNull()
      .references(() => clubs.id, { onDelete: 'cascade' }),
    rungId: id('rung_id')
      .notNull()
      .references(() => rungs.id, { onDelete: 'cascade' }),
    coachId: id('coach_id')
      .notNull()
      .references(() => coaches.id),
    kind: varchar('kind', { length: 8 }).$type<RemarkKind>().notNull(),
    carryM: double('carry_m'),
    carryToM: double('carry_to_m'),
    why: varchar('why', { length: 300 }).notNull().default(''),
    saidAt: datetime('said_at', { mode: 'date', fsp: 3 }).notNull(),
    holds: boolean('holds').notNull().default(true),
    createdAt,
  },
  t => [index('cell_words_player').on(t.playerId, t.saidAt)],
)

/** A dated copy of a carry chart that never changes: a newer number replaces it, nothing edits it. */
export const publishedCharts = mysqlTable(
  'published_charts',
  {
    id: id('id').primaryKey(),
    playerId: id('player_id')
      .notNull()
      .references(() => players.id),
    coachId: id('coach_id')
      .notNull()
      .references(() => coaches.id),
    number: int('number').notNull(),
    publishedAt: datetime('published_at', { mode: 'date', fsp: 3 }).notNull(),
    body: json('body').$type<PublishedChart>().notNull(),
  },
  t => [uniqueIndex('published_charts_number').on(t.playerId, t.number)],
)

/** A private address for the player's phone. Only the hash of its token is kept. */
export const playerLinks = mysqlTable(
  'player_links',
  {
    id: id('id').primaryKey(),
    playerId: id('player_id')
      .notNull()
      .references(() => players.id),
    coachId: id('coach_id')
      .notNull()
      .references(() => coaches.id),
    strength: varchar('strength', { length: 4 }).$type<LinkStrength>().notNull(),
    tokenHash: char('token_hash', { length: 64 }).notNull(),
    revokedAt: datetime('revoked_at', { mode: 'date', fsp: 3 }),
    openedAt: datetime('opened_at', { mode: 'date', fsp: 3 }),
    createdAt,
  },
  t => [uniqueIndex('player_links_token').on(t.tokenHash), index('player_links_player').on(t.playerId)],
)

/** Balls that the player logged alone: they wait here for the coach's nod, and count for nothing until then. */
export const ownBalls = mysqlTable(
  'own_balls',
  {
    id: id('id').primaryKey(),
    playerId: id('player_id')
      .notNull()
      .references(() => players.id),
    linkId: id('link_id')
      .notNull()
      .references(() => playerLinks.id),
    // No cascade: what waits is never deleted by tidying.
    clubId: id('club_id')
      .notNull()
      .references(() => clubs.id),
    rungId: id('rung_id')
      .notNull()
      .references(() => rungs.id),
    carryM: double('carry_m').notNull(),
    method: varchar('method', { length: 8 }).$type<Method>().notNull(),
    hitAt: datetime('hit_at', { mode: 'date', fsp: 3 }).notNull(),
    // Null while it waits; then what became of it.
    taken: boolean('taken'),
    createdAt,
  },
  t => [index('own_balls_player').on(t.playerId, t.taken)],
)

/**
 * What coaches said to flags. Only ever added to: a later answer to the same flag takes the place of an earlier one.
 */
export const flagAnswers = mysqlTable(
  'flag_answers',
  {
    id: id('id').primaryKey(),
    playerId: id('player_id')
      .notNull()
      .references(() => players.id),
    coachId: id('coach_id')
      .notNull()
      .references(() => coaches.id),
    saidAt: datetime('said_at', { mode: 'date', fsp: 3 }).notNull(),
    // The flag as it stood, with the answer: read and written as one.
    body: json('body').$type<FlagAnswerRecord>().notNull(),
    createdAt,
  },
  t => [index('flag_answers_player').on(t.playerId, t.saidAt)],
)

/** Bags that were only thought of, kept under a name. */
export const whatIfs = mysqlTable(
  'what_ifs',
  {
    id: id('id').primaryKey(),
    playerId: id('player_id')
      .notNull()
      .references(() => players.id),
    coachId: id('coach_id')
      .notNull()
      .references(() => coaches.id),
    name: varchar('name', { length: 60 }).notNull(),
    body: json('body').$type<WhatIf>().notNull(),
    // As the player gets it, from the moment it was handed over; null when it was not, or was taken back.
    page: json('page').$type<HandedBag>(),
    handedAt: datetime('handed_at', { mode: 'date', fsp: 3 }),
    createdAt,
  },
  t => [index('what_ifs_player').on(t.playerId, t.createdAt)],
)

/** One go at a drill; its balls stand with it. */
export const goes = mysqlTable(
  'goes',
  {
    id: id('id').primaryKey(),
    playerId: id('player_id')
      .notNull()
      .references(() => players.id),
    // Null for what the player did alone.
    coachId: id('coach_id').references(() => coaches.id),
    startedAt: datetime('started_at', { mode: 'date', fsp: 3 }).notNull(),
    body: json('body').$type<GoRecord>().notNull(),
    version: int('version').notNull(),
    createdAt,
  },
  t => [index('goes_player').on(t.playerId, t.startedAt)],
)

/** A round's approaches, as they are known by now. */
export const rounds = mysqlTable(
  'rounds',
  {
    id: id('id').primaryKey(),
    playerId: id('player_id')
      .notNull()
      .references(() => players.id),
    coachId: id('coach_id').references(() => coaches.id),
    playedAt: datetime('played_at', { mode: 'date', fsp: 3 }).notNull(),
    body: json('body').$type<RoundRecord>().notNull(),
    version: int('version').notNull(),
    createdAt,
  },
  t => [index('rounds_player').on(t.playerId, t.playedAt)],
)

/** What a coach sets a player to practise alone. */
export const homework = mysqlTable(
  'homework',
  {
    id: id('id').primaryKey(),
    playerId: id('player_id')
      .notNull()
      .references(() => players.id),
    coachId: id('coach_id')
      .notNull()
      .references(() => coaches.id),
    body: json('body').$type<HomeworkRecord>().notNull(),
    withdrawn: boolean('withdrawn').notNull().default(false),
    createdAt,
  },
  t => [index('homework_player').on(t.playerId, t.createdAt)],
)

/** Drills that a coach of the academy built. */
export const drills = mysqlTable(
  'drills',
  {
    id: id('id').primaryKey(),
    academyId: id('academy_id')
      .notNull()
      .references(() => academies.id),
    name: varchar('name', { length: 60 }).notNull(),
    spec: json('spec').$type<OwnDrill['spec']>().notNull(),
    createdAt,
  },
  t => [index('drills_academy').on(t.academyId, t.createdAt)],
)

/** A place where balls are hit: its signs and targets are measured once and used for ever. */
export const ranges = mysqlTable(
  'ranges',
  {
    id: id('id').primaryKey(),
    academyId: id('academy_id')
      .notNull()
      .references(() => academies.id),
    name: varchar('name', { length: 40 }).notNull(),
    altitudeM: double('altitude_m').notNull().default(0),
    // Compass bearing from the tee down the middle, degrees; null when nobody said.
    bearingDeg: double('bearing_deg'),
    firmness: varchar('firmness', { length: 6 }).$type<Firmness>().notNull().default('soft'),
    targets: json('targets').$type<RangeTarget[]>().notNull(),
    archived: boolean('archived').notNull().default(false),
    version: int('version').notNull().default(1),
    createdAt,
  },
  t => [index('ranges_academy').on(t.academyId)],
)

/** What may send balls by itself: a launch monitor, known by its token, of which only the hash is kept. */
export const devices = mysqlTable(
  'devices',
  {
    id: id('id').primaryKey(),
    coachId: id('coach_id')
      .notNull()
      .references(() => coaches.id),
    name: varchar('name', { length: 80 }).notNull(),
    tokenHash: char('token_hash', { length: 64 }).notNull(),
    revokedAt: datetime('revoked_at', { mode: 'date', fsp: 3 }),
    heardAt: datetime('heard_at', { mode: 'date', fsp: 3 }),
    createdAt,
  },
  t => [uniqueIndex('devices_token').on(t.tokenHash), index('devices_coach').on(t.coachId)],
)

/** Keys for programs that work in a coach's name, as far as their scope goes. Only the hash of a key is kept. */
export const programs = mysqlTable(
  'programs',
  {
    id: id('id').primaryKey(),
    coachId: id('coach_id')
      .notNull()
      .references(() => coaches.id),
    name: varchar('name', { length: 80 }).notNull(),
    scope: varchar('scope', { length: 5 }).$type<Scope>().notNull(),
    tokenHash: char('token_hash', { length: 64 }).notNull(),
    revokedAt: datetime('revoked_at', { mode: 'date', fsp: 3 }),
    usedAt: datetime('used_at', { mode: 'date', fsp: 3 }),
    createdAt,
  },
  t => [uniqueIndex('programs_token').on(t.tokenHash), index('programs_coach').on(t.coachId)],
)

/**
 * What a device's balls were for, from a moment on: the stock shot that was chosen on the screen. No session ends it.
 */
export const deviceAims = mysqlTable(
  'device_aims',
  {
    deviceId: id('device_id')
      .notNull()
      .references(() => devices.id),
    fromAt: datetime('from_at', { mode: 'date', fsp: 3 }).notNull(),
    playerId: id('player_id').references(() => players.id),
    sessionId: id('session_id').references(() => sessions.id),
    clubId: id('club_id').references(() => clubs.id, { onDelete: 'cascade' }),
    rungId: id('rung_id').references(() => rungs.id, { onDelete: 'cascade' }),
  },
  t => [primaryKey({ columns: [t.deviceId, t.fromAt] })],
)

/**
 * Balls of a device that was aimed at somebody its coach sees no longer: they wait for the coach, and say nothing of
 * whom they were meant for.
 */
export const deviceBalls = mysqlTable(
  'device_balls',
  {
    id: id('id').primaryKey(),
    deviceId: id('device_id')
      .notNull()
      .references(() => devices.id),
    coachId: id('coach_id')
      .notNull()
      .references(() => coaches.id),
    hitAt: datetime('hit_at', { mode: 'date', fsp: 3 }).notNull(),
    // Read and written as one: nothing is asked about a part of it.
    ball: json('ball').$type<DeviceBall>().notNull(),
    createdAt,
  },
  t => [index('device_balls_coach').on(t.coachId, t.createdAt)],
)

export const shots = mysqlTable(
  'shots',
  {
    id: id('id').primaryKey(),
    playerId: id('player_id')
      .notNull()
      .references(() => players.id),
    sessionId: id('session_id')
      .notNull()
      .references(() => sessions.id),
    clubId: id('club_id')
      .notNull()
      .references(() => clubs.id),
    rungId: id('rung_id')
      .notNull()
      .references(() => rungs.id),
    carryM: double('carry_m').notNull(),
    method: varchar('method', { length: 8 }).$type<Method>().notNull(),
    balls: smallint('balls').notNull().default(1),
    hitAt: datetime('hit_at', { mode: 'date', fsp: 3 }).notNull(),
    leftOut: varchar('left_out', { length: 120 }),
    strike: varchar('strike', { length: 8 }).$type<Strike>(),
    // Read and written as one with its ball; nothing is asked about a part of it.
    readings: json('readings').$type<Readings>(),
    taken: json('taken').$type<TakenRecord>(),
    deletedAt: datetime('deleted_at', { mode: 'date', fsp: 3 }),
    version: int('version').notNull().default(1),
    createdAt,
    // Set anew by the database with every change of the row ("on update", in the migration): a player's balls are
    // counted again only where one is newer than the last count.
    changedAt: datetime('changed_at', { mode: 'date', fsp: 3 })
      .notNull()
      .default(sql`current_timestamp(3)`),
  },
  t => [
    index('shots_changed').on(t.playerId, t.changedAt),
    // Holds all that the list of players counts, so that a player's thousands of rows are not read for it.
    index('shots_of_player').on(t.playerId, t.hitAt, t.deletedAt, t.balls, t.version),
    index('shots_cell').on(t.clubId, t.rungId),
  ],
)

/** Tries at passwords and the like, counted here so that a restart forgets none. The limiter's own columns. */
export const limits = mysqlTable(
  'limits',
  {
    key: varchar('key', { length: 255 }).primaryKey(),
    points: int('points').notNull().default(0),
    expire: bigint('expire', { mode: 'number', unsigned: true }),
  },
  t => [index('limits_expire').on(t.expire)],
)

/** Who changed what of a player, and when: told, not undone. */
export const changes = mysqlTable(
  'changes',
  {
    id: bigint('id', { mode: 'number', unsigned: true }).autoincrement().primaryKey(),
    playerId: id('player_id')
      .notNull()
      .references(() => players.id),
    // Null for a device, or for the player.
    coachId: id('coach_id').references(() => coaches.id),
    kind: varchar('kind', { length: 24 }).notNull().$type<ChangeOfRecord>(),
    times: int('times').notNull(),
    beganAt: datetime('began_at', { mode: 'date', fsp: 3 }).notNull(),
    lastAt: datetime('last_at', { mode: 'date', fsp: 3 }).notNull(),
  },
  t => [index('changes_player').on(t.playerId, t.id)],
)

/** A way to a new password for somebody of the academy: good once, and for a day. */
export const resets = mysqlTable(
  'resets',
  {
    id: id('id').primaryKey(),
    coachId: id('coach_id')
      .notNull()
      .references(() => coaches.id),
    madeBy: id('made_by')
      .notNull()
      .references(() => coaches.id),
    tokenHash: varchar('token_hash', { length: 64 }).notNull(),
    expiresAt: datetime('expires_at', { mode: 'date', fsp: 3 }).notNull(),
    closedAt: datetime('closed_at', { mode: 'date', fsp: 3 }),
  },
  t => [uniqueIndex('resets_token').on(t.tokenHash), index('resets_coach').on(t.coachId)],
)
