/**
 * Table (f): every rule that can say something for sure, through the whole program, looked at after every ball. The
 * players have true sides, say what they believe, and carry a chart that was published a month before; the truth is
 * theirs.
 */
import { calibrate } from '../../../core/calibration/calibrate'
import { USUAL_OPTIONS } from '../../../core/calibration/calibration'
import type { CellRemark } from '../../../core/history/coach-remarks'
import { lnVariances } from '../../../core/history/published'
import type { PublishedNumbers } from '../../../core/history/published-numbers'
import { SAY, SIDE_OF_LEVEL, SPREAD_OF_LEVEL } from '../../../core/model/constants'
import type { Finding } from '../../../core/gaps/flag'
import { USUAL_THRESHOLDS } from '../../../core/gaps/flags'
import { coverOf, grippedDown } from '../../../core/gaps/cover'
import { WEAK_TIMES } from '../../../core/gaps/flags/weak'
import { meanLeaveM } from '../../../core/gaps/leave'
import { withParts } from '../../../core/gaps/one-fact'
import type { CoverShot } from '../../../core/gaps/stretches'
import { cellKey, type Bag, type StockShot } from '../../../core/bag/bag'
import { groupBy } from '../../../core/group-by'
import type { Session, Shot } from '../../../core/shot/shot'
import { yardsToMetres } from '../../../core/units'
import type { PlayerShots } from '../../../core/shot/player-shots'
import { drawDay, drawPlayer, hitM, type PlayerOptions, type SimulatedLevel, type SimulatedPlayer } from './player'

/** What is made wrong on purpose, to see how often it is found. */
export type Fault = 'side-bias' | 'wide' | 'short-bias' | 'believed-wrong' | 'flyer-prone' | 'weak'

/**
 * A true bias that anybody would name, share of the carry; sides that are half as wide again; beliefs 10 yd long;
 * misses short; flyers off every fourth ball; one stock shot with more than twice the scatter.
 */
const FAULTS = { bias: 0.05, wider: 1.6, believedM: yardsToMetres(10), short: 0.94, flyers: 0.25, weak: 2.2 } as const

export const FAULT_WORDS: Record<Fault, string> = {
  'side-bias': 'a twentieth of the carry to one side',
  'wide': "sides six tenths wider than the level's",
  'short-bias': 'every ball 6 % short of the number that was published',
  'believed-wrong': 'believed 10 yd too long, every stock shot',
  'flyer-prone': 'every fourth ball a flyer',
  'weak': 'one stock shot with 2.2 times its scatter',
}

const DAY_MS = 86_400_000
const FIRST_MS = Date.UTC(2026, 3, 1)
const MONTH_MS = 30 * DAY_MS
const VISITS = 4
const BALLS_A_VISIT = 10
/** More than so many of the misses are short: the rule's own. */
const SHORT_SHARE = 2 / 3
interface Truth {
  player: SimulatedPlayer
  level: SimulatedLevel
  keys: string[]
  sideBias: number
  sideShare: number
  isHole: (atM: number) => boolean
  /** Of the balls that truly miss the published numbers by more than is wanted, how many are short. */
  shortShare: number
}

const median = (values: number[]) => [...values].sort((a, b) => a - b)[values.length >> 1]!

function truthOf(
  player: SimulatedPlayer & { level: SimulatedLevel },
  keys: string[],
  sideBias: number,
  sideShare: number,
): Omit<Truth, 'shortShare'> {
  const looks = player.scatter.map((s, i) => (s * player.truthM[i]!) / (player.truthM[i]! + 30))
  const shots = player.truthM.flatMap((carryM, i): CoverShot[] => {
    const shot: CoverShot = {
      clubId: String(i),
      rungId: '',
      grippedDown: false,
      predicted: false,
      carryM,
      certaintySdM: 0,
      scatterSdM: carryM * player.scatter[i]!,
      // Aimed off: all of it is the player's.
      sideBiasM: 0,
      sideSdM: sideShare * carryM,
    }
    return [shot, grippedDown(shot)]
  })
  const ways = { mishitShare: player.mishits, spread: median(looks), sideShare, sideBias: 0 }
  return {
    player,
    level: player.level,
    keys,
    sideBias,
    sideShare,
    isHole: atM => coverOf(shots, ways, [atM])[0]!.hole !== null,
  }
}

/** Of clubs that are said to do one job: how far the furthest two of them truly are apart on average, metres. */
function meanApartM(cells: readonly StockShot[], carries: readonly number[]): number {
  const clubs = [...groupBy(cells, cell => cell.clubId).keys()]
  const of = (clubId: string, rungId: string) =>
    carries[cells.findIndex(cell => cell.clubId === clubId && cell.rungId === rungId)]
  const apart = clubs.flatMap((one, i) =>
    clubs.slice(i + 1).map(other => {
      const steps = [...new Set(cells.map(({ rungId }) => rungId))].flatMap(rungId => {
        const [a, b] = [of(one, rungId), of(other, rungId)]
        return a === undefined || b === undefined ? [] : [b - a]
      })
      return Math.abs(steps.reduce((sum, m) => sum + m, 0)) / Math.max(1, steps.length)
    }),
  )
  return Math.max(...apart)
}

/**
 * Whether what a finding says for sure is not so; null where it is a count, or the truth is not one of the
 * simulation's.
 */
function isFalse(
  { flag, variant, cells, fromM, toM }: Finding,
  { player, level, keys, sideBias, sideShare, isHole, shortShare }: Truth,
  fault: Fault | undefined,
): boolean | null {
  const at = cells.map(cell => keys.indexOf(cellKey(cell)))
  const carries = at.map(i => player.truthM[i]!)
  const apart = () => Math.max(...carries) - Math.min(...carries)
  const loose = player.scatter.map((s, i) => s / (1 + 30 / player.truthM[i]!))
  switch (flag) {
    case 'hole': {
      const yards = Array.from({ length: Math.round((toM - fromM) / 0.9144) + 1 }, (_, i) => fromM + i * 0.9144)
      return yards.filter(isHole).length < yards.length / 2
    }
    case 'step':
      return carries[1]! - carries[0]! <= USUAL_THRESHOLDS.widestStepM!
    case 'crowded': {
      if (variant === 'clubs') return meanApartM(cells, carries) > USUAL_THRESHOLDS.closestM!
      const inOrder = [...carries].sort((a, b) => a - b)
      return inOrder.slice(1).some((m, k) => m - inOrder[k]! > USUAL_THRESHOLDS.closestM!)
    }
    case 'overlap':
      return apart() > USUAL_THRESHOLDS.closestM!
    case 'out-of-order':
      return carries[1]! > carries[0]!
    case 'uneven-lofts':
      return Math.abs(carries[1]! - carries[0]! - (carries[2]! - carries[1]!)) <= USUAL_THRESHOLDS.unevenM!
    case 'loose':
      return variant === 'level'
        ? median(loose) <= SPREAD_OF_LEVEL[level] * SAY.looserRatio
        : loose[at[0]!]! <= SAY.looserRatio * median(loose)
    case 'weak': {
      // Sides and mishits are alike for all stock shots: only the scatter can be its own.
      const [carryM, i] = [carries[0]!, at[0]!]
      const of = (sd: number) =>
        meanLeaveM(carryM, {
          carryM,
          longSdM: sd * carryM,
          sideBiasM: 0,
          sideSdM: sideShare * carryM,
          mishitShare: player.mishits,
        })
      return of(player.scatter[i]!) / of(median(loose) * (1 + 30 / carryM)) <= WEAK_TIMES
    }
    case 'moved':
      return true
    case 'wide':
      return sideShare / SIDE_OF_LEVEL[level] <= SAY.looserRatio
    case 'side-bias':
      return Math.abs(sideBias) * 100 <= USUAL_THRESHOLDS.biasPercent!
    case 'short-bias':
      return shortShare <= SHORT_SHARE
    case 'believed-wrong':
    case 'flyer-prone':
      return fault !== flag
    default:
      return null
  }
}

export interface AllWatched {
  /** Rules that ever said something false for sure, each with the highest odds it gave such a thing. */
  falseRules: Map<string, number>
  /** Balls after which the fault made on purpose was listed, and was said for sure; null when never. */
  listedAfter: number | null
  foundAfter: number | null
  /** Of what is listed as likely after the last ball, by rule: how much, and how much of it is false. */
  likely: Map<string, { said: number; false: number }>
}

/** A stock shot that scatters more, when the player goes on with it alone. */
export interface LooseWatched {
  /** Balls in it when it was listed as weak or as loose, and when it was said for sure; null when never. */
  listedWith: number | null
  foundWith: number | null
}

/** What kind of player is watched. */
export interface WatchOptions extends PlayerOptions {
  /** A true bias to one side, share of the carry; a little either way when left away. */
  bias?: number
}

/** A belief that is off by its own noise is not held against the rule. */
const rightlySaid = ({ flag, cells: [cell] }: Finding, rightly: ReadonlySet<string>) =>
  flag === 'believed-wrong' && rightly.has(cellKey(cell!))
const ruleName = ({ flag, variant }: Finding) => (variant === 'level' ? 'looser than the level' : flag)

/** @param wrong null where the truth is not one of the simulation's */
function countLikely(
  counts: AllWatched['likely'],
  said: readonly Finding[],
  wrong: (finding: Finding) => boolean | null,
): void {
  for (const finding of said.filter(({ sureness }) => sureness === 'likely')) {
    const isWrong = wrong(finding)
    if (isWrong === null) continue
    const counted = counts.get(ruleName(finding)) ?? { said: 0, false: 0 }
    counts.set(ruleName(finding), { said: counted.said + 1, false: counted.false + Number(isWrong) })
  }
}

/** A player with a chart that was published a month ago, 75 balls, and a fault made on purpose. */
function published(seed: number, fault: Fault | undefined, options: WatchOptions) {
  const player = drawPlayer(seed, options)
  const { cells, truthM, dice, level } = player
  const clubs = [...new Map(cells.map(cell => [cell.club, cell.loftDeg]))]
  const rungs = [...new Map(cells.map(cell => [cell.rung, Math.exp(cell.lnFraction)]))]
  const bag: Bag = {
    clubs: clubs.map(([club, loftDeg]) => ({
      id: `c${club}`,
      label: `${loftDeg}°`,
      name: '',
      loftDeg,
      retired: false,
    })),
    scale: {
      school: 'custom',
      rungs: rungs.map(([rung, fraction]) => ({
        id: `r${rung}`,
        label: `r${rung}`,
        cue: '',
        flight: 'normal',
        fraction,
        retired: false,
      })),
    },
    struckOut: [],
  }
  const ids = cells.map(cell => ({ clubId: `c${cell.club}`, rungId: `r${cell.rung}` }))
  const ownBias = 0.008 * dice.normal()
  const eitherWay = dice.uniform() < 0.5 ? -1 : 1
  const sideBias = fault === 'side-bias' ? eitherWay * FAULTS.bias : (options.bias ?? ownBias)
  const sideShare = SIDE_OF_LEVEL[level] * (fault === 'wide' ? FAULTS.wider : dice.between(0.85, 1.15))
  const all = ids.map((_, i) => i)
  const hit = dice.shuffle(all).slice(0, 15)
  if (fault === 'weak') player.scatter[hit[0]!]! *= FAULTS.weak
  const known = truthOf(player, ids.map(cellKey), sideBias, sideShare)

  let n = 0
  const ball = (cell: number, day: number, sessionId: string, atMs: number): Shot => {
    const readM = hitM(player, cell, day) * (fault === 'short-bias' && sessionId !== 's0' ? FAULTS.short : 1)
    const carryM = fault === 'flyer-prone' && dice.uniform() < FAULTS.flyers ? readM * dice.between(1.06, 1.16) : readM
    return {
      id: `b${++n}`,
      sessionId,
      ...ids[cell]!,
      carryM,
      method: 'monitor',
      balls: 1,
      hitAtMs: atMs,
      leftOut: null,
      strike: null,
      sideM: carryM * (sideBias + sideShare * dice.normal()),
    }
  }
  const session = (v: number): Session => ({
    id: `s${v}`,
    startedAtMs: FIRST_MS + (v === 0 ? 0 : MONTH_MS + v * DAY_MS),
    method: 'monitor',
    ball: 'own',
  })
  const sessions = [session(0)]
  const firstDay = drawDay(dice)
  const shots = hit.flatMap(cell => Array.from({ length: 5 }, () => ball(cell, firstDay, 's0', FIRST_MS + n * 1000)))
  const record = (nowMs: number): PlayerShots => ({ bag, level, sessions: [...sessions], shots, nowMs })
  const before = calibrate(record(FIRST_MS + DAY_MS), USUAL_OPTIONS)
  const variances = lnVariances(before.grid)
  const numbers: PublishedNumbers = {
    publishedAtMs: FIRST_MS + DAY_MS,
    cells: before.chart.map(({ clubId, rungId, carryM }) => ({
      clubId,
      rungId,
      carryM,
      modelM: carryM,
      lnVariance: variances.get(cellKey({ clubId, rungId })) ?? null,
    })),
  }
  // The published numbers have errors of their own, and strikes fall short more than they run long: both are truly so.
  let [missed, short] = [0, 0]
  for (const cell of hit) {
    const numberM = before.chart.find(other => cellKey(other) === cellKey(ids[cell]!))!.carryM!
    for (let i = 0; i < 100; i++) {
      const offM = hitM(player, cell, drawDay(dice)) * (fault === 'short-bias' ? FAULTS.short : 1) - numberM
      if (Math.abs(offM) > USUAL_OPTIONS.withinM) missed++
      if (offM < -USUAL_OPTIONS.withinM) short++
    }
  }
  const truth: Truth = { ...known, shortShare: short / missed }
  const words: CellRemark[] = all.map(i => ({
    id: `w${i}`,
    ...ids[i]!,
    kind: 'believed',
    carryM: truthM[i]! + (fault === 'believed-wrong' ? FAULTS.believedM : yardsToMetres(2) * dice.normal()),
    why: '',
    saidAtMs: FIRST_MS,
    holds: true,
  }))
  // Belief within what is wanted of the truth is right; one that is off by its own noise is not held against the rule.
  const rightly = new Set(
    all.filter(i => Math.abs(words[i]!.carryM! - truthM[i]!) > USUAL_OPTIONS.withinM).map(i => cellKey(ids[i]!)),
  )

  return {
    dice,
    hit,
    truth,
    rightly,
    /** A visit, in its form of the day. @returns what hits its next ball */
    visit(v: number) {
      const day = drawDay(dice)
      sessions.push(session(v))
      const startMs = sessions[v]!.startedAtMs
      let k = 0
      return (cell: number): void => {
        shots.push(ball(cell, day, `s${v}`, startMs + k++ * 30_000))
      }
    },
    /** All that is said after the last ball. */
    said(): Finding[] {
      const { findings } = calibrate(record(shots.at(-1)!.hitAtMs + 1), {
        ...USUAL_OPTIONS,
        words,
        published: numbers,
      })
      return withParts(findings).filter(({ sureness }) => sureness !== 'open')
    },
    ballsIn: (cell: number) => shots.filter(shot => cellKey(shot) === cellKey(ids[cell]!)).length,
    idOf: (cell: number) => cellKey(ids[cell]!),
  }
}

/** One chart, so many balls over four visits, every rule read after every ball. */
export function watchAll(seed: number, balls: number, fault?: Fault, options: WatchOptions = {}): AllWatched {
  const { dice, hit, truth, rightly, visit, said: saidNow } = published(seed, fault, options)
  const out: AllWatched = { falseRules: new Map(), listedAfter: null, foundAfter: null, likely: new Map() }
  let looked = 0
  for (let v = 1; v <= VISITS; v++) {
    const next = visit(v)
    for (let k = 0; k < Math.ceil(balls / VISITS); k++) {
      next(dice.pick(hit))
      looked++
      const said = saidNow()
      for (const finding of said) {
        if (finding.flag === fault) out.listedAfter ??= looked
        if (finding.sureness !== 'sure') continue
        if (finding.flag === fault) out.foundAfter ??= looked
        if (rightlySaid(finding, rightly) || !isFalse(finding, truth, fault)) continue
        const rule = ruleName(finding)
        out.falseRules.set(rule, Math.max(out.falseRules.get(rule) ?? 0, finding.probability ?? 0))
      }
      const last = v === VISITS && k === Math.ceil(balls / VISITS) - 1
      if (last)
        countLikely(out.likely, said, finding =>
          rightlySaid(finding, rightly) ? false : isFalse(finding, truth, fault),
        )
    }
  }
  return out
}

/** One chart, looked at once, after the last of so many balls over four visits: what is listed as likely, by rule. */
export function lookOnce(seed: number, balls: number, options: WatchOptions): AllWatched['likely'] {
  const { dice, hit, truth, rightly, visit, said } = published(seed, undefined, options)
  for (let v = 1; v <= VISITS; v++) {
    const next = visit(v)
    for (let k = 0; k < Math.ceil(balls / VISITS); k++) next(dice.pick(hit))
  }
  const likely: AllWatched['likely'] = new Map()
  countLikely(likely, said(), finding => (rightlySaid(finding, rightly) ? false : isFalse(finding, truth, undefined)))
  return likely
}

/** The loose stock shot alone, visit after visit, until it is said for sure or has so many balls. */
export function watchLoose(seed: number, mostBalls: number): LooseWatched {
  const { hit, visit, said, ballsIn, idOf } = published(seed, 'weak', {})
  const [cell] = hit as [number]
  const out: LooseWatched = { listedWith: null, foundWith: null }
  for (let v = 1; out.foundWith === null && ballsIn(cell) < mostBalls; v++) {
    const next = visit(v)
    for (let k = 0; k < BALLS_A_VISIT && out.foundWith === null; k++) {
      next(cell)
      const about = said().filter(
        ({ flag, cells: [one] }) => (flag === 'weak' || flag === 'loose') && one && cellKey(one) === idOf(cell),
      )
      if (about.length > 0) out.listedWith ??= ballsIn(cell)
      if (about.some(({ sureness }) => sureness === 'sure')) out.foundWith = ballsIn(cell)
    }
  }
  return out
}
