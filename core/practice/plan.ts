import { cellKey, type StockShot } from '../bag/bag'
import type { Finding } from '../gaps/flag'
import { flagRule } from '../gaps/flags'
import { ballSdM, type ChartCell } from '../chart/chart-cell'
import { usualScatterM } from '../model/usual-scatter'
import type { Level } from '../level'
import { SIDE_OF_LEVEL, SPREAD_OF_LEVEL } from '../model/constants'
import { Z_80 } from '../stats/quantiles'
import { drillById } from './drills'
import type { DrillMaker } from './drill'
import type { DrillSpec } from './drill-spec'

/** Why a block is in the plan. Metres, days. */
export type PlanReason =
  | { kind: 'flag'; rule: string; atM: number }
  | { kind: 'needed'; atM: number; share: number }
  | { kind: 'loose'; atM: number; times: number; shot: StockShot }
  | { kind: 'least liked'; atM: number }
  | { kind: 'least practised'; atM: number; days: number | null; shot: StockShot }
  | { kind: 'two near'; atM: number; shots: [StockShot, StockShot] }
  | { kind: 'mixed' }

/** A block of a plan: a drill, its balls, why, and what it may be worth. */
export interface PlanBlock {
  spec: DrillSpec
  balls: number
  reason: PlanReason
  /** Nearer on average, metres, once so many balls were hit: a guess. 0 where nothing is too wide. */
  worthM: number
}

/** What a plan is made from. */
export interface PlanFacts {
  chart: readonly ChartCell[]
  /** Open flags, those that matter most first. */
  flags: readonly Pick<Finding, 'flag' | 'cells' | 'fromM' | 'toM'>[]
  level: Level
  nowMs: number
  /** When a stock shot was hit last, by `cellKey`; those never hit are not in it. */
  lastHitMs: ReadonlyMap<string, number>
  /** The yardage that the player likes least, metres. */
  leastLikedM: number | null
  /** What rounds ask for: a distance and the share of approaches from about there. */
  needed: readonly { atM: number; share: number }[]
}

/** Balls in a block at one thing are no more than this: after a few alike the next ones teach less. Our choice. */
const MOST_ALIKE = 12
/** A block of fewer teaches nothing. */
const LEAST_BALLS = 6
/** So many balls halve what can be gained. A guess of ours. */
const HALVES_AFTER = 60
/** Of what is too much in a scatter, practice takes away at most so much. A guess of ours. */
const MOST_GAIN = 0.5
/** Scatter beyond the level's usual by this is loose enough to be worked on. Our choice. */
const LOOSE_TIMES = 1.15
const DAY_MS = 86_400_000
/** Not hit for so long is little practised. Our choice. */
const STALE_DAYS = 14

/** Balls that so many minutes hold: one every 75 seconds, with the walk in before each. Our choice. */
export const ballsIn = (minutes: number): number => Math.floor((minutes * 60) / 75)

interface Candidate {
  weight: number
  reason: PlanReason & { atM: number }
  worthM: number
}

const gain = (tooMuchM: number, balls: number) => MOST_GAIN * Math.max(0, tooMuchM) * (balls / (balls + HALVES_AFTER))

/**
 * How much wider a stock shot's balls lie than is usual for the level, and by how many metres of its mean leave. The
 * doubt about its number is no looseness, and where no ball was hit nobody knows.
 */
function looseness(cell: ChartCell, level: Level): { times: number; tooMuchM: number } {
  const longSdM = ballSdM(cell)
  const { carryM, sideWindow80M } = cell
  if (longSdM === null || carryM === null) return { times: 1, tooMuchM: 0 }
  const sideSdM = sideWindow80M && (sideWindow80M[1] - sideWindow80M[0]) / 2 / Z_80
  const usual = [usualScatterM(SPREAD_OF_LEVEL[level], carryM), SIDE_OF_LEVEL[level] * carryM] as const
  const own = [longSdM, sideSdM ?? usual[1]] as const
  const [a, b] = [Math.hypot(...own), Math.hypot(...usual)]
  // The mean distance of a round normal from its middle is √(π/2)/√2 of its root mean square.
  return { times: a / b, tooMuchM: (Math.sqrt(Math.PI) / 2) * (a - b) }
}

function candidatesOf(facts: PlanFacts): Candidate[] {
  const { chart, flags, level, nowMs, lastHitMs, leastLikedM, needed } = facts
  const numbers = chart.filter(cell => cell.carryM !== null && !cell.plain)
  const tooMuchAt = (atM: number) => {
    const near = numbers.reduce<ChartCell | null>(
      (a, b) => (!a || Math.abs(b.carryM! - atM) < Math.abs(a.carryM! - atM) ? b : a),
      null,
    )
    return near ? looseness(near, level).tooMuchM : 0
  }
  const found: Candidate[] = []
  for (const [i, { flag, fromM, toM }] of flags.entries()) {
    if (!flagRule(flag).meta.practised) continue
    const atM = (fromM + toM) / 2
    found.push({ weight: 3 - 0.1 * i, reason: { kind: 'flag', rule: flag, atM }, worthM: tooMuchAt(atM) })
  }
  if (leastLikedM !== null)
    found.push({ weight: 2.5, reason: { kind: 'least liked', atM: leastLikedM }, worthM: tooMuchAt(leastLikedM) })
  for (const { atM, share } of needed)
    found.push({ weight: 1 + 4 * share, reason: { kind: 'needed', atM, share }, worthM: tooMuchAt(atM) })
  for (const cell of numbers) {
    const shot = { clubId: cell.clubId, rungId: cell.rungId }
    const { times, tooMuchM } = looseness(cell, level)
    const atM = cell.carryM!
    if (times >= LOOSE_TIMES)
      found.push({ weight: Math.min(2.4, times), reason: { kind: 'loose', atM, times, shot }, worthM: tooMuchM })
    const last = lastHitMs.get(cellKey(cell))
    const days = last === undefined ? null : (nowMs - last) / DAY_MS
    if (days === null || days >= STALE_DAYS)
      found.push({
        weight: days === null ? 0.9 : Math.min(0.9, days / 100),
        reason: { kind: 'least practised', atM, days, shot },
        worthM: tooMuchM,
      })
  }
  return found.sort((a, b) => b.weight - a.weight || b.worthM - a.worthM)
}

/** Two candidates about one yardage are one block. Share of the distance. */
const SAME_PLACE = 0.08

/** The reason of a block, or what makes it of the drill that was made. */
type Why = PlanReason | ((made: DrillSpec) => PlanReason)

/** Two that do one job: those that are hit against each other, also where more than two do. */
const whichTwo = ({ tasks: [a, b] }: DrillSpec): PlanReason => ({
  kind: 'two near',
  atM: a!.targetM!,
  shots: [a, b].map(task => ({ clubId: task!.clubId!, rungId: task!.rungId! })) as [StockShot, StockShot],
})

/**
 * So many balls as blocks: what is open, needed, loose or disliked first, in blocks of a few, then mixed. Never more
 * balls than there are, never one drill twice.
 * @param maker what drills are made for; its `aboutM` is set by each block
 * @returns nothing for fewer balls than a block has, or without a number
 */
export function planOf(facts: PlanFacts, maker: DrillMaker, balls: number): PlanBlock[] {
  const blocks: PlanBlock[] = []
  const used = new Set<string>()
  let left = balls
  const add = (id: string, wanted: number, why: Why, tooMuchM: number, about: Partial<DrillMaker> = {}): boolean => {
    const most = Math.min(wanted, left)
    if (most < LEAST_BALLS || used.has(id)) return false
    const made = drillById(id).make({ ...maker, ...about, seed: maker.seed + blocks.length })
    if (!made) return false
    used.add(id)
    const reason = typeof why === 'function' ? why(made) : why
    blocks.push({ spec: { ...made, balls: most }, balls: most, reason, worthM: gain(tooMuchM, most) })
    left -= most
    return true
  }
  const candidates = candidatesOf(facts)
  const taken: number[] = []
  const isNew = (atM: number) => taken.every(other => Math.abs(other - atM) > SAME_PLACE * atM)
  // Half of it in blocks at what matters most, the rest mixed.
  const BLOCKED = ['block-then-switch', 'five-straight', 'same-number-other-flight']
  for (const { reason, worthM } of candidates) {
    const id = BLOCKED[taken.length]
    if (!id || balls - left >= balls / 2) break
    if (!isNew(reason.atM)) continue
    if (add(id, Math.min(MOST_ALIKE, Math.ceil(balls / 3)), reason, worthM, { aboutM: reason.atM }))
      taken.push(reason.atM)
  }
  const overlap = facts.flags.find(({ flag, cells }) => flagRule(flag).meta.kind === 'overlap' && cells.length >= 2)
  if (overlap) {
    const aboutM = (overlap.fromM + overlap.toM) / 2
    const ofThese = new Set(overlap.cells.map(cellKey))
    const numbers = maker.numbers.filter(number => ofThese.has(cellKey(number)))
    add('two-clubs', 8, whichTwo, 0, { aboutM, numbers })
  }
  const worst = candidates[0]?.worthM ?? 0
  for (const [id, wanted] of MIXED) add(id, wanted, { kind: 'mixed' }, worst)
  return blocks
}

/** What the rest of the balls go into, in this order. */
const MIXED = [
  ['random-targets', 12],
  ['on-call-ten', 10],
  ['circles', 10],
  ['stairs', 24],
  ['call-before-you-look', 12],
] as const
