/** Table (f): clubs longer than the grid, by their own balls alone: do they lie longer or broader than usual. */
import { cellKey, type Bag } from '../../../core/bag/bag'
import { calibrate } from '../../../core/calibration/calibrate'
import { USUAL_OPTIONS } from '../../../core/calibration/calibration'
import { withParts } from '../../../core/gaps/one-fact'
import { SAY, SIDE_OF_LEVEL, SPREAD_OF_LEVEL } from '../../../core/model/constants'
import { usualScatterM } from '../../../core/model/usual-scatter'
import type { Session, Shot } from '../../../core/shot/shot'
import { yardsToMetres } from '../../../core/units'
import { makeDice } from './dice'
import { drawDay, drawLevel, strike } from './player'

/** How many times as far as is usual the balls of one of the clubs lie apart: along the line, and across it. */
export interface LongerFault {
  along: number
  across: number
}

export interface LongerWatched {
  /** Balls with each club when the faulty one was listed, and when it was said for sure; null when never. */
  listedWith: number | null
  foundWith: number | null
  /** Something false was ever said for sure, or listed, of any of them. */
  falselySure: boolean
  falselyListed: boolean
}

const LOFTS = [30, 26, 22]
const YARDS = [150, 165, 180]
const OF_LEVEL = { beginner: 0.8, improver: 0.9, good: 1, expert: 1.1 }
const MISHITS = 0.06
/** Clubs differ by so much in how far apart their balls lie, where nothing is wrong. */
const DIFFER = [0.85, 1.15] as const
const ROUND = 3
const DAY_MS = 86_400_000
const FIRST_MS = Date.UTC(2026, 3, 1)

const id = (club: number) => ({ clubId: `c${club}`, rungId: 'full' })
const bag: Bag = {
  clubs: LOFTS.map((loftDeg, i) => ({ id: `c${i}`, label: `${loftDeg}°`, name: '', loftDeg, retired: false })),
  scale: {
    school: 'custom',
    rungs: [{ id: 'full', label: 'full', cue: '', flight: 'normal', fraction: 1, retired: false }],
  },
  struckOut: [],
}

/** Three clubs, so many balls with each in rounds of three over visits of fifteen each, looked at after every round. */
export function watchLonger(seed: number, balls: number, fault?: LongerFault): LongerWatched {
  const dice = makeDice(seed)
  const level = drawLevel(dice)
  const clubs = LOFTS.map((_, i) => ({
    carryM: yardsToMetres(YARDS[i]! * OF_LEVEL[level] + 4 * dice.normal()),
    along: dice.between(...DIFFER) * (fault && i === 1 ? fault.along : 1),
    across: dice.between(...DIFFER) * (fault && i === 1 ? fault.across : 1),
  }))
  const [bias, sessions, shots]: [number, Session[], Shot[]] = [0.01 * dice.normal(), [], []]
  let day = 0
  const out: LongerWatched = { listedWith: null, foundWith: null, falselySure: false, falselyListed: false }
  for (let n = 0; n < balls; n += ROUND) {
    if (n % 15 === 0) {
      day = drawDay(dice)
      sessions.push({
        id: `s${n}`,
        startedAtMs: FIRST_MS + (sessions.length + 1) * DAY_MS,
        method: 'monitor',
        ball: 'own',
      })
    }
    const { id: sessionId, startedAtMs } = sessions.at(-1)!
    clubs.forEach(({ carryM, along, across }, i) => {
      for (let k = 0; k < ROUND; k++) {
        const sdM = along * usualScatterM(SPREAD_OF_LEVEL[level], carryM)
        const mishit = dice.uniform() < MISHITS ? 1 - dice.between(0.08, 0.55) : 1
        const readM = Math.max(5, (carryM * Math.exp(day) + sdM * strike(dice)) * mishit)
        shots.push({
          id: `b${shots.length}`,
          sessionId,
          ...id(i),
          carryM: readM,
          method: 'monitor',
          balls: 1,
          hitAtMs: startedAtMs + shots.length * 1000,
          leftOut: null,
          strike: null,
          sideM: readM * (bias + across * SIDE_OF_LEVEL[level] * dice.normal()),
        })
      }
    })
    const { findings } = calibrate({ bag, level, sessions, shots, nowMs: shots.at(-1)!.hitAtMs + 1 }, USUAL_OPTIONS)
    for (const { flag, variant, cells, sureness } of withParts(findings)) {
      if (flag !== 'wide' || !variant) continue
      const club = clubs[clubs.findIndex((_, i) => cellKey(id(i)) === cellKey(cells[0]!))]!
      const isLong = club.along > SAY.looserRatio
      const isBroad = club.across > SAY.looserRatio
      const isTrue = { 'club-long': isLong, 'club-broad': isBroad, 'club-both': isLong && isBroad }[variant]!
      if (!isTrue) {
        out.falselyListed = true
        out.falselySure ||= sureness === 'sure'
        continue
      }
      out.listedWith ??= n + ROUND
      if (sureness === 'sure') out.foundWith ??= n + ROUND
    }
  }
  return out
}
