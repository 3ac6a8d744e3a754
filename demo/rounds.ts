/** Rounds of the made-up academy. */
import type { Level } from '../core/level'
import { SIDE_OF_LEVEL, SPREAD_OF_LEVEL } from '../core/model/constants'
import { usualScatterM } from '../core/model/usual-scatter'
import { COURSE_SCATTER } from '../core/pick/strokes'
import type { PublishedChart } from '../core/history/published'
import { yardsToMetres } from '../core/units'
import type { Dice } from '../devices/dice'
import type { ApproachRecord, RoundRecord } from '../shared/schemas/rounds'
import type { DemoRounds } from './scenario'

const DAY_MS = 86_400_000
/** Where most approaches of the home course come from, and how wide about it. */
const [MIDDLE_YD, WIDE_YD] = [82, 24]
const MISHITS = 0.08
const MISHIT_SHORT = 0.2
/** To whole yards, as people tell it afterwards. */
const told = (metres: number) => yardsToMetres(Math.round(metres / yardsToMetres(1)))

/** Rounds of a player: approaches with the nearest published number; one stock shot lies looser than the others. */
export function roundsOfDemo(
  { days, chances, loose }: DemoRounds,
  chart: PublishedChart,
  level: Level,
  nowMs: number,
  dice: Dice,
): RoundRecord[] {
  const numbers = chart.cells.flatMap(({ clubId, rungId, club, swing, modelM, carry }) =>
    carry && modelM !== null ? [{ clubId, rungId, name: `${club} ${swing}`, carryM: modelM }] : [],
  )
  const approach = (atMs: number): ApproachRecord => {
    const distanceM = told(yardsToMetres(Math.min(145, Math.max(30, MIDDLE_YD + WIDE_YD * dice.normal()))))
    const shot = numbers.reduce((a, b) => (Math.abs(b.carryM - distanceM) < Math.abs(a.carryM - distanceM) ? b : a))
    const times = COURSE_SCATTER * (shot.name === loose ? 2 : 1)
    const short = dice.uniform() < MISHITS ? MISHIT_SHORT * distanceM : 0
    return {
      id: dice.id(atMs),
      chance: true,
      distanceM,
      clubId: shot.clubId,
      rungId: shot.rungId,
      offM: told(usualScatterM(SPREAD_OF_LEVEL[level], distanceM) * times * dice.normal() - short),
      sideM: told(SIDE_OF_LEVEL[level] * distanceM * times * dice.normal()),
      version: 1,
    }
  }
  return days.map((daysAgo, i) => {
    const playedAtMs = nowMs - daysAgo * DAY_MS
    return {
      id: dice.id(playedAtMs),
      name: i % 3 === 2 ? 'Club match' : 'Home course',
      kind: i % 3 === 2 ? 'competition' : 'casual',
      playedAtMs,
      approaches: Array.from({ length: chances }, () => approach(playedAtMs)),
      gone: false,
      version: 1,
    }
  })
}
