/** Puts the made-up academy into the database of DATABASE_URL, once. */
import mysql from 'mysql2/promise'
import { calibrate } from '../core/calibration/calibrate'
import { compareCharts } from '../core/history/compare'
import { publish, type PublishedChart } from '../core/history/published'
import { calibrationOptions, newestMethod, playerShots } from '../shared/calibration-input'
import { changesText } from '../words/changes'
import { DEMO_EMAIL } from '../shared/demo'
import { stockShotName } from '../words/stock-shot'
import { makeDice } from '../devices/dice'
import { drawPlayer } from './draw'
import { roundsOfDemo } from './rounds'
import { practiceOfDemo } from './practice'
import { bagOfDemo, recordOfDemo, type DrawnPlayer } from './record'
import { yardsToMetres } from '../core/units'
import type { StockShot } from '../core/bag/bag'
import { USUAL_LOCK_IN } from '../core/session/lock-in'
import { USUAL_PLAN } from '../shared/choices'
import { ACADEMY, COACH, PLAYERS, RANGE, type DemoPlayer } from './scenario'

const SEED = 20_261

const DAY_MS = 86_400_000

/** The charts that were published of a player, as the server would have made them on those days. */
function publications({ level, published = [] }: DemoPlayer, drawn: DrawnPlayer, nowMs: number): PublishedChart[] {
  const bag = bagOfDemo(drawn)
  const made: PublishedChart[] = []
  for (const [daysAgo, note] of published) {
    const atMs = nowMs - daysAgo * DAY_MS
    const { sessions, shots } = recordOfDemo(drawn, atMs)
    const calibrated = calibrate(
      playerShots({ level }, bag, sessions, shots, atMs),
      calibrationOptions({}, newestMethod(sessions)),
    )
    const earlier = made.at(-1) ?? null
    const bare = publish(calibrated, new Map(), {
      number: made.length + 1,
      publishedAtMs: atMs,
      unit: 'yd',
      note,
      changed: '',
    })
    const compared = earlier
      ? compareCharts(
          calibrated,
          earlier.cells.map(({ modelM, ...cell }) => ({ ...cell, carryM: modelM })),
          earlier.publishedAtMs,
        )
      : []
    const named = (cell: StockShot) =>
      stockShotName(
        drawn.clubs.find(club => club.id === cell.clubId)!.label,
        drawn.rungs.find(rung => rung.id === cell.rungId)!.label,
      )
    made.push({ ...bare, changed: changesText(earlier, { cells: bare.cells, compared }, 'yd', named) })
  }
  return made
}

async function load(url: string): Promise<void> {
  const connection = await mysql.createConnection({ uri: url, timezone: 'Z' })
  try {
    const [there] = await connection.query('select 1 from coaches where email = ?', [DEMO_EMAIL])
    if ((there as unknown[]).length > 0) return
    await connection.beginTransaction()
    const nowMs = Date.now()
    const dice = makeDice(SEED)
    // Of their own, so that what is said and published changes no ball.
    const ids = makeDice(SEED + 1)
    const practiceDice = makeDice(SEED + 2)
    const roundsDice = makeDice(SEED + 3)
    const [academyId, coachId] = [dice.id(nowMs), dice.id(nowMs)]
    const insert = (table: string, columns: string, rows: unknown[][]) =>
      rows.length > 0 ? connection.query(`insert into ${table} (${columns}) values ?`, [rows]) : undefined
    await insert('academies', 'id, name', [[academyId, ACADEMY]])
    // No password opens this account: the demo's button does, where there is one.
    await insert('coaches', 'id, academy_id, name, email, password_hash, lock_in', [
      [coachId, academyId, COACH, DEMO_EMAIL, '', JSON.stringify({ alike: USUAL_LOCK_IN.alike })],
    ])
    const rangeId = dice.id(nowMs)
    await insert('ranges', 'id, academy_id, name, altitude_m, bearing_deg, firmness, targets', [
      [
        rangeId,
        academyId,
        RANGE.name,
        RANGE.altitudeM,
        RANGE.bearingDeg,
        RANGE.firmness,
        JSON.stringify(
          RANGE.targets.map(({ yd, heightYd, ...target }) => ({
            id: dice.id(nowMs),
            ...target,
            distanceM: yardsToMetres(yd),
            heightM: yardsToMetres(heightYd),
          })),
        ),
      ],
    ])
    for (const player of PLAYERS) {
      const drawn = drawPlayer(player, nowMs, dice)
      const { playerId, clubs, rungs, struckOut, sessions } = drawn
      await insert('players', 'id, academy_id, name, level, note, thresholds, school', [
        [playerId, academyId, player.name, player.level, player.note, '{}', player.school],
      ])
      await insert(
        'clubs',
        'id, player_id, label, name, loft_deg, position',
        clubs.map(c => [c.id, playerId, c.label, c.name, c.loftDeg, c.position]),
      )
      await insert(
        'rungs',
        'id, player_id, label, cue, feels, school, flight, fraction, position',
        rungs.map(r => [
          r.id,
          playerId,
          r.label,
          r.cue,
          r.feels ?? '',
          r.school ?? null,
          r.flight ?? 'normal',
          r.fraction ?? null,
          r.position,
        ]),
      )
      await insert(
        'struck_out',
        'player_id, club_id, rung_id',
        struckOut.map(([club, rung]) => [
          playerId,
          clubs.find(c => c.label === club)!.id,
          rungs.find(r => r.label === rung)!.id,
        ]),
      )
      await insert(
        'sessions',
        'id, player_id, coach_id, started_at, ended_at, method, ball, surface, air, plan',
        sessions.map(s => [
          s.id,
          playerId,
          coachId,
          new Date(s.startedAtMs),
          s.endedAtMs === null ? null : new Date(s.endedAtMs),
          s.visit.method,
          s.visit.ball,
          s.visit.surface,
          JSON.stringify(s.air),
          JSON.stringify({ ...USUAL_PLAN, rangeId }),
        ]),
      )
      await insert(
        'shots',
        'id, player_id, session_id, club_id, rung_id, carry_m, method, hit_at, left_out, readings',
        sessions.flatMap(s =>
          s.shots.map(shot => [
            shot.id,
            playerId,
            s.id,
            shot.clubId,
            shot.rungId,
            shot.carryM,
            s.visit.method,
            new Date(shot.hitAtMs),
            shot.leftOut,
            shot.readings && JSON.stringify(shot.readings),
          ]),
        ),
      )
      const [firstMs] = sessions.map(session => session.startedAtMs)
      const said = (kind: string, words: readonly [string, string, number, string?][], atMs: number) =>
        insert(
          'cell_words',
          'id, player_id, coach_id, club_id, rung_id, kind, carry_m, why, said_at',
          words.map(([club, rung, yd, why = '']) => [
            ids.id(nowMs),
            playerId,
            coachId,
            clubs.find(c => c.label === club)!.id,
            rungs.find(r => r.label === rung)!.id,
            kind,
            yardsToMetres(yd),
            why,
            new Date(atMs),
          ]),
        )
      await said('believed', player.believed ?? [], (firstMs ?? nowMs) - 600_000)
      await said('written', player.written ?? [], nowMs - DAY_MS)
      if (player.school) {
        const charts = publications(player, { ...drawn, school: player.school }, nowMs)
        await insert(
          'published_charts',
          'id, player_id, coach_id, number, published_at, body',
          charts.map(chart => [
            ids.id(nowMs),
            playerId,
            coachId,
            chart.number,
            new Date(chart.publishedAtMs),
            JSON.stringify(chart),
          ]),
        )
        if (player.rounds) {
          const played = roundsOfDemo(player.rounds, charts.at(-1)!, player.level, nowMs, roundsDice)
          await insert(
            'rounds',
            'id, player_id, coach_id, played_at, body, version',
            played.map(round => [
              round.id,
              playerId,
              coachId,
              new Date(round.playedAtMs),
              JSON.stringify(round),
              round.version,
            ]),
          )
        }
        if (player.practice) {
          const practised = practiceOfDemo(player.practice, charts.at(-1)!, player.level, nowMs, practiceDice)
          await insert(
            'goes',
            'id, player_id, coach_id, started_at, body, version',
            practised.goes.map(go => [
              go.id,
              playerId,
              go.homeworkId ? null : coachId,
              new Date(go.startedAtMs),
              JSON.stringify(go),
              go.version,
            ]),
          )
          await insert(
            'homework',
            'id, player_id, coach_id, body, created_at',
            practised.homework.map(set => [set.id, playerId, coachId, JSON.stringify(set), new Date(set.setAtMs)]),
          )
        }
      }
    }
    await connection.commit()
  } finally {
    await connection.end()
  }
}

const url = process.env.DATABASE_URL
if (!url) throw new Error('DATABASE_URL is not set')
await load(url)
