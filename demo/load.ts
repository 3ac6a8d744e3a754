/** Puts the made-up academy into the database of DATABASE_URL, once. */
import mysql from 'mysql2/promise'
import { DEMO_EMAIL } from '../shared/demo'
import { drawPlayer, makeDice } from './draw'
import { ACADEMY, COACH, PLAYERS } from './scenario'

const SEED = 20_261

async function load(url: string): Promise<void> {
  const connection = await mysql.createConnection({ uri: url, timezone: 'Z' })
  try {
    const [there] = await connection.query('select 1 from coaches where email = ?', [DEMO_EMAIL])
    if ((there as unknown[]).length > 0) return
    await connection.beginTransaction()
    const nowMs = Date.now()
    const dice = makeDice(SEED)
    const [academyId, coachId] = [dice.id(nowMs), dice.id(nowMs)]
    const insert = (table: string, columns: string, rows: unknown[][]) => rows.length > 0 ? connection.query(`insert into ${table} (${columns}) values ?`, [rows]) : undefined
    await insert('academies', 'id, name', [[academyId, ACADEMY]])
    // No password opens this account: the demo's button does, where there is one.
    await insert('coaches', 'id, academy_id, name, email, password_hash', [[coachId, academyId, COACH, DEMO_EMAIL, '']])
    for (const player of PLAYERS) {
      const { playerId, clubs, rungs, struckOut, sessions } = drawPlayer(player, nowMs, dice)
      await insert('players', 'id, academy_id, name, level, note, thresholds, school', [[playerId, academyId, player.name, player.level, player.note, '{}', player.school]])
      await insert('clubs', 'id, player_id, label, name, loft_deg, position', clubs.map(c => [c.id, playerId, c.label, c.name, c.loftDeg, c.position]))
      await insert('rungs', 'id, player_id, label, cue, school, flight, fraction, position',
        rungs.map(r => [r.id, playerId, r.label, r.cue, r.school ?? null, r.flight ?? 'normal', r.fraction ?? null, r.position]))
      await insert('struck_out', 'player_id, club_id, rung_id',
        struckOut.map(([club, rung]) => [playerId, clubs.find(c => c.label === club)!.id, rungs.find(r => r.label === rung)!.id]))
      await insert('sessions', 'id, player_id, coach_id, started_at, ended_at, method, ball, surface, air', sessions.map(s =>
        [s.id, playerId, coachId, new Date(s.startedAtMs), s.endedAtMs === null ? null : new Date(s.endedAtMs), s.visit.method, s.visit.ball, s.visit.surface, JSON.stringify(s.air)]))
      await insert('shots', 'id, player_id, session_id, club_id, rung_id, carry_m, method, hit_at, left_out', sessions.flatMap(s => s.shots.map(shot =>
        [shot.id, playerId, s.id, shot.clubId, shot.rungId, shot.carryM, s.visit.method, new Date(shot.hitAtMs), shot.leftOut])))
    }
    await connection.commit()
  } finally {
    await connection.end()
  }
}

const url = process.env.DATABASE_URL
if (!url) throw new Error('DATABASE_URL is not set')
await load(url)
