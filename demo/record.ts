import type { Bag } from '../core/bag/bag'
import type { SchoolId } from '../core/swing/schools'
import { USUAL_PLAN } from '../shared/choices'
import type { SessionRecord, ShotRecord } from '../shared/schemas/session'
import type { Dice } from '../devices/dice'
import { drawPlayer } from './draw'
import type { DemoPlayer } from './scenario'

export type DrawnPlayer = ReturnType<typeof drawPlayer> & { school: SchoolId }

/** The bag of a player of the scenario, as the core reads it. */
export function bagOfDemo({ clubs, rungs, struckOut, school }: DrawnPlayer): Bag {
  const idOf = (list: { label: string; id: string }[], label: string) => list.find(one => one.label === label)!.id
  return {
    clubs: clubs.map(({ id, label, name, loftDeg }) => ({ id, label, name, loftDeg, retired: false })),
    scale: {
      school,
      rungs: rungs.map(({ id, label, cue, feels, school: own, flight = 'normal', fraction }) => ({
        id,
        label,
        cue,
        ...(feels && { feels }),
        flight,
        retired: false,
        school: own ?? school,
        ...(fraction !== undefined && { fraction }),
      })),
    },
    struckOut: struckOut.map(([club, rung]) => ({ clubId: idOf(clubs, club), rungId: idOf(rungs, rung) })),
  }
}

/** Sessions and balls of a player of the scenario until a moment, as the server holds them. */
export function recordOfDemo(
  { sessions }: DrawnPlayer,
  atMs: number,
): { sessions: SessionRecord[]; shots: ShotRecord[] } {
  const known: SessionRecord[] = sessions
    .filter(session => session.startedAtMs <= atMs)
    .map(({ id, startedAtMs, endedAtMs, visit, air }) => ({
      id,
      startedAtMs,
      endedAtMs,
      method: visit.method,
      ball: visit.ball,
      surface: visit.surface,
      air,
      plan: USUAL_PLAN,
      version: 1,
    }))
  const shots: ShotRecord[] = sessions.flatMap(session =>
    session.shots
      .filter(shot => shot.hitAtMs <= atMs)
      .map(shot => ({
        ...shot,
        sessionId: session.id,
        method: session.visit.method,
        balls: 1,
        strike: null,
        readings: shot.readings ?? null,
        taken: null,
        deleted: false,
        version: 1,
      })),
  )
  return { sessions: known, shots }
}

/** A player of the scenario as a record of today. */
export function demoRecord(player: DemoPlayer, nowMs: number, dice: Dice) {
  const drawn = { ...drawPlayer(player, nowMs, dice), school: player.school ?? 'clock' }
  return { level: player.level, bag: bagOfDemo(drawn), ...recordOfDemo(drawn, nowMs), thresholds: {}, words: [] }
}
