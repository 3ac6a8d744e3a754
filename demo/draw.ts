import { airOf, CALM, stationPressurePa, type Conditions } from '../core/flight/air'
import { toToday } from '../core/flight/neutral'
import type { AirEntry } from '../core/flight/session-air'
import { metresToYards, yardsToMetres } from '../core/units'
import type { Dice } from '../devices/dice'
import { hit, makeGolfer, type Golfer, type SkillName } from '../devices/golfer'
import { read } from '../devices/monitor'
import type { Readings } from '../core/shot/readings'
import type { DemoPlayer } from './scenario'

const HOUR_MS = 3_600_000
const DAY_MS = 24 * HOUR_MS
const SECONDS_A_BALL = 50
const MISHITS = 0.06
const MISHIT_REASONS = ['mishit', 'heavy', 'thin', 'toe'] as const
const ROUND_TO = { laser: 1, paces: 1 } as const
const SKILL_OF = {
  expert: 'pro',
  good: 'good',
  improver: 'club',
  beginner: 'club',
  unknown: 'good',
} as const satisfies Record<DemoPlayer['level'], SkillName>
const MISREADS = 0.02
/** What looks odd the coach has sorted out by the end of a visit, mostly; of the last ones it is still open. */
const SORTED = 0.85
const OPEN_DAYS = 10

/** What this player truly carries with each cell, yards: the loft, the swing, and a quirk of each club and cell. */
function truth(player: DemoPlayer, dice: Dice): number[][] {
  return player.clubs.map(club => {
    const quirk = 1 + 0.02 * dice.normal()
    return player.rungs.map(rung => {
      // Shorter swings lose more for each degree of loft: common practice.
      const perDegree = -0.028 - 0.016 * (1 - rung.trueFraction)
      return (
        player.full52Yd *
        Math.exp(perDegree * (club.loftDeg - 52)) *
        rung.trueFraction *
        quirk *
        (1 + 0.012 * dice.normal())
      )
    })
  })
}

/**
 * A links day: the air as it is, and as the coach reads it; no air is taken where paces or a laser do for the number.
 */
function drawAir(dice: Dice, startedAtMs: number, taken: boolean): { stated: AirEntry[]; real: Conditions } {
  const speedMs = Math.abs(1.3 + 0.9 * dice.normal())
  const clock = 12 * dice.uniform()
  const tempC = Math.round(12 + 5 * dice.normal())
  const real = {
    air: airOf(tempC, stationPressurePa(6), 0.75),
    wind: { ...CALM, speedMs: taken ? speedMs : 0.4 * speedMs, clock, readAtM: 2 },
    targetHeightM: 0,
  }
  const read = Math.max(0, Math.round(2 * (speedMs + 0.5 * dice.normal())) / 2)
  const entry: AirEntry = {
    fromMs: startedAtMs,
    tempC,
    humidity: 0.75,
    altitudeM: 6,
    qnhPa: null,
    ground: 'open',
    wind: { speedMs: read, clock: Math.max(1, Math.round(clock)), judged: read === 0 ? 'calm' : 'felt' },
  }
  return { stated: taken ? [entry] : [], real }
}

/** The time a visit begins: mid-morning to afternoon some days back, or a while ago for the one that runs. */
function startOf(visit: DemoPlayer['sessions'][number], nowMs: number, dice: Dice): number {
  if (visit.running) return nowMs - Math.round(visit.balls * SECONDS_A_BALL * 1000 * 1.3)
  const day = nowMs - visit.daysAgo * DAY_MS
  return day - (day % DAY_MS) + Math.round((9.5 + 6 * dice.uniform()) * HOUR_MS)
}

type Cell = { club: { loftDeg: number }; trueYd: number }
type Ball = { carryM: number; leftOut: string | null; readings: Readings | null }

/** A ball that a launch monitor read, odd ones among them. */
function readBall(
  golfer: Golfer,
  { club, trueYd }: Cell,
  form: number,
  { surface, daysAgo }: DemoPlayer['sessions'][number],
  real: Conditions,
  dice: Dice,
): Ball {
  for (;;) {
    const strike = hit(golfer, club.loftDeg, yardsToMetres(trueYd), surface, dice, form)
    const seen = read(strike, real, MISREADS, dice)
    if (!seen) continue
    const short = strike.kind !== 'clean' && strike.kind !== 'flyer' && metresToYards(seen.carryM) < 0.86 * trueYd
    const called = strike.kind === 'flyer' || short ? strike.kind : null
    const odd = seen.misread ? 'misread' : called
    return {
      carryM: seen.carryM,
      readings: seen.readings,
      leftOut: odd && daysAgo > OPEN_DAYS && dice.uniform() < SORTED ? odd : null,
    }
  }
}

/** A ball that was lasered or paced: a carry alone. */
function paceBall(
  { scatter }: DemoPlayer,
  { club, trueYd }: Cell,
  form: number,
  method: 'laser' | 'paces',
  real: Conditions,
  dice: Dice,
): Ball {
  const mishit = dice.uniform() < MISHITS
  const cleanYd = trueYd * form + scatter * (trueYd + 33) * dice.normal()
  const stillYd = Math.max(3, mishit ? cleanYd * (0.62 + 0.28 * dice.uniform()) : cleanYd)
  const blown = toToday(club.loftDeg, yardsToMetres(stillYd), real)
  const carryYd = blown.ok ? metresToYards(blown.carryM) : stillYd
  return {
    carryM: yardsToMetres(Math.round(carryYd / ROUND_TO[method]) * ROUND_TO[method]),
    leftOut: mishit && stillYd < trueYd * 0.86 ? dice.pick(MISHIT_REASONS) : null,
    readings: null,
  }
}

/** A player of the scenario with bag, sessions and balls, as rows for the tables. */
export function drawPlayer(player: DemoPlayer, nowMs: number, dice: Dice) {
  const firstMs = nowMs - ((player.sessions[0]?.daysAgo ?? 0) + 1) * DAY_MS
  const playerId = dice.id(firstMs)
  const clubs = player.clubs.map((club, position) => ({ id: dice.id(firstMs), ...club, position }))
  const rungs = player.rungs.map(({ trueFraction, ...rung }, position) => ({
    id: dice.id(firstMs),
    ...rung,
    position,
    trueFraction,
  }))
  const carriesYd = truth(player, dice)
  const out = new Set(player.struckOut.map(([club, rung]) => `${club}/${rung}`))
  const cells = clubs
    .flatMap((club, c) => rungs.map((rung, r) => ({ club, rung, trueYd: carriesYd[c]![r]! })))
    .filter(({ club, rung }) => !out.has(`${club.label}/${rung.label}`))

  const golfer = makeGolfer(SKILL_OF[player.level], dice)

  const sessions = player.sessions.map(visit => {
    const startedAtMs = startOf(visit, nowMs, dice)
    const form = 1 + 0.01 * dice.normal() - (visit.ball === 'range' ? 0.04 : 0)
    const { stated, real } = drawAir(dice, startedAtMs, visit.method === 'monitor')
    const sessionId = dice.id(startedAtMs)
    // Coaches go cell by cell: a few balls with one, then the next.
    let cell = dice.pick(cells)
    const shots = Array.from({ length: visit.balls }, (_, i) => {
      if (i % 4 === 0) cell = dice.pick(cells)
      const hitAtMs = startedAtMs + Math.round(i * SECONDS_A_BALL * 1000 * (0.8 + 0.4 * dice.uniform()))
      const told =
        visit.method === 'monitor'
          ? readBall(golfer, cell, form, visit, real, dice)
          : paceBall(player, cell, form, visit.method, real, dice)
      return { id: dice.id(hitAtMs), clubId: cell.club.id, rungId: cell.rung.id, hitAtMs, ...told }
    })
    return {
      id: sessionId,
      startedAtMs,
      endedAtMs: visit.running ? null : startedAtMs + Math.round(visit.balls * SECONDS_A_BALL * 1000),
      visit,
      air: stated,
      shots,
    }
  })
  return { playerId, clubs, rungs, struckOut: player.struckOut, sessions }
}
