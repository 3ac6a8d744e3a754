import { sql } from 'drizzle-orm'
import { boolean, customType, datetime, double, index, int, json, mysqlTable, primaryKey, smallint, uniqueIndex, varchar } from 'drizzle-orm/mysql-core'
import type { Flight } from '../../core/swing/scale'
import type { SchoolId } from '../../core/swing/schools'
import type { Method, Strike } from '../../core/shot/shot'
import type { AirRecord } from '../../shared/session'
import type { Level, PlayerSummary, Thresholds } from '../../shared/player'

/** MariaDB's own type: 16 bytes, where text would be 36 and compared by the rules of a language. */
const id = customType<{ data: string }>({ dataType: () => 'uuid' })
const createdAt = datetime('created_at', { mode: 'date', fsp: 3 }).notNull().default(sql`current_timestamp(3)`)

export const academies = mysqlTable('academies', {
  id: id('id').primaryKey(),
  name: varchar('name', { length: 80 }).notNull(),
  createdAt,
})

export const coaches = mysqlTable('coaches', {
  id: id('id').primaryKey(),
  academyId: id('academy_id').notNull().references(() => academies.id),
  name: varchar('name', { length: 80 }).notNull(),
  email: varchar('email', { length: 254 }).notNull(),
  passwordHash: varchar('password_hash', { length: 255 }).notNull(),
  // Raised by a change of password, so that sealed cookies from before it open nothing.
  signInEpoch: int('sign_in_epoch').notNull().default(1),
  unit: varchar('unit', { length: 2 }).$type<'yd' | 'm'>().notNull().default('yd'),
  createdAt,
}, t => [uniqueIndex('coaches_email').on(t.email)])

export const players = mysqlTable('players', {
  id: id('id').primaryKey(),
  academyId: id('academy_id').notNull().references(() => academies.id),
  name: varchar('name', { length: 80 }).notNull(),
  level: varchar('level', { length: 12 }).$type<Level>().notNull().default('unknown'),
  note: varchar('note', { length: 300 }).notNull().default(''),
  thresholds: json('thresholds').$type<Thresholds>().notNull(),
  // The scale has no table of its own: a player has one, and it is a school and its rungs.
  school: varchar('school', { length: 16 }).$type<SchoolId>(),
  bagVersion: int('bag_version').notNull().default(1),
  archivedAt: datetime('archived_at', { mode: 'date', fsp: 3 }),
  version: int('version').notNull().default(1),
  // What the list tells of the player's chart, worked out after a change; null until it has been.
  summary: json('summary').$type<PlayerSummary>(),
  createdAt,
}, t => [index('players_academy').on(t.academyId)])

export const clubs = mysqlTable('clubs', {
  id: id('id').primaryKey(),
  playerId: id('player_id').notNull().references(() => players.id),
  label: varchar('label', { length: 16 }).notNull(),
  name: varchar('name', { length: 80 }).notNull().default(''),
  loftDeg: double('loft_deg').notNull(),
  position: smallint('position').notNull(),
  retired: boolean('retired').notNull().default(false),
}, t => [index('clubs_player').on(t.playerId)])

export const rungs = mysqlTable('rungs', {
  id: id('id').primaryKey(),
  playerId: id('player_id').notNull().references(() => players.id),
  label: varchar('label', { length: 16 }).notNull(),
  cue: varchar('cue', { length: 80 }).notNull().default(''),
  school: varchar('school', { length: 16 }).$type<SchoolId>(),
  flight: varchar('flight', { length: 6 }).$type<Flight>().notNull().default('normal'),
  fraction: double('fraction'),
  position: smallint('position').notNull(),
  retired: boolean('retired').notNull().default(false),
}, t => [index('rungs_player').on(t.playerId)])

export const struckOut = mysqlTable('struck_out', {
  clubId: id('club_id').notNull().references(() => clubs.id, { onDelete: 'cascade' }),
  rungId: id('rung_id').notNull().references(() => rungs.id, { onDelete: 'cascade' }),
  playerId: id('player_id').notNull().references(() => players.id),
}, t => [primaryKey({ columns: [t.clubId, t.rungId] }), index('struck_out_player').on(t.playerId)])

export const sessions = mysqlTable('sessions', {
  id: id('id').primaryKey(),
  playerId: id('player_id').notNull().references(() => players.id),
  coachId: id('coach_id').notNull().references(() => coaches.id),
  startedAt: datetime('started_at', { mode: 'date', fsp: 3 }).notNull(),
  endedAt: datetime('ended_at', { mode: 'date', fsp: 3 }),
  method: varchar('method', { length: 8 }).$type<Method>().notNull(),
  ball: varchar('ball', { length: 6 }).$type<'own' | 'range'>().notNull(),
  surface: varchar('surface', { length: 6 }).$type<'grass' | 'mat'>().notNull(),
  // Oldest first; read and written as one with its session.
  air: json('air').$type<AirRecord[]>().notNull().default([]),
  version: int('version').notNull().default(1),
  createdAt,
}, t => [index('sessions_player').on(t.playerId, t.startedAt)])

export const shots = mysqlTable('shots', {
  id: id('id').primaryKey(),
  playerId: id('player_id').notNull().references(() => players.id),
  sessionId: id('session_id').notNull().references(() => sessions.id),
  clubId: id('club_id').notNull().references(() => clubs.id),
  rungId: id('rung_id').notNull().references(() => rungs.id),
  carryM: double('carry_m').notNull(),
  method: varchar('method', { length: 8 }).$type<Method>().notNull(),
  balls: smallint('balls').notNull().default(1),
  hitAt: datetime('hit_at', { mode: 'date', fsp: 3 }).notNull(),
  leftOut: varchar('left_out', { length: 120 }),
  strike: varchar('strike', { length: 8 }).$type<Strike>(),
  deletedAt: datetime('deleted_at', { mode: 'date', fsp: 3 }),
  version: int('version').notNull().default(1),
  createdAt,
}, t => [index('shots_player').on(t.playerId, t.hitAt), index('shots_cell').on(t.clubId, t.rungId)])
