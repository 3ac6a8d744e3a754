import { cellKey } from '../../bag/bag'
import { exp } from '../../stats/exact'
import { yardsToMetres } from '../../units'
import { usualScatterM } from '../../model/usual-scatter'
import { couldLeaveM, type PlayerScatter } from '../cover'
import { plainCell, type Finding, type FlagMeta, type FlagRule, type GapFacts } from '../flag'
import { meanLeaveM } from '../leave'
import type { OwnScatter } from '../own-scatter'
import { stretches, type CoverAt, type CoverShot } from '../stretches'

export const meta = {
  id: 'weak',
  kind: 'weak',
  weight: 2,
  about: 'record',
  speaksOf: 'stretch',
  practised: true,
  shows: 'scatter',
  variants: ['mishits', 'side'],
  settledWithin: yardsToMetres(2),
} as const satisfies FlagMeta

export const defaults = {}

/** A shot that leaves more than so many times what the player leaves at like distances is weak. */
export const WEAK_TIMES = 1.25
/** By odds, and when it is said for sure. [sim] */
const LIKELY = 0.95
const SURE = 0.995
/** Narrower stretches are the seams between two good shots. */
const LEAST_TARGETS = 3
/** A stock shot's share of mishits is pulled to the player's by so many balls. Our choice. */
const MISHIT_PRIOR_BALLS = 12

/** Five points that stand for a normal, each a fifth of it: the middles of its fifths. */
const FIFTHS = [-1.2816, -0.5244, 0, 0.5244, 1.2816]

/** One way a stock shot may be: its scatter over the usual, its miss to a side, its share of mishits. */
interface Ways {
  looseness: number
  sideBias: number
  mishitShare: number
}

/** What a stock shot of these ways leaves at its own number, over what the player leaves with any at that distance. */
function timesUsual(carryM: number, player: PlayerScatter, { looseness, sideBias, mishitShare }: Ways): number {
  const leaveM = meanLeaveM(carryM, {
    carryM,
    longSdM: usualScatterM(player.spread, carryM) * Math.sqrt(looseness),
    sideBiasM: sideBias * carryM,
    sideSdM: player.sideShare * carryM,
    mishitShare,
  })
  return leaveM / couldLeaveM(carryM, player)
}

/** Mean and standard deviation of the share of a stock shot's balls that are mishit: a Beta about the player's. */
function shareOf({ balls, mishits }: OwnScatter, { mishitShare }: PlayerScatter): { mean: number; sd: number } {
  const all = MISHIT_PRIOR_BALLS + balls
  const mean = (MISHIT_PRIOR_BALLS * mishitShare + mishits) / all
  return { mean, sd: Math.sqrt((mean * (1 - mean)) / (all + 1)) }
}

interface Judged {
  /** As it reads. */
  times: number
  /** That it truly leaves more than so many times what is usual. */
  probability: number
  variant: 'mishits' | 'side' | undefined
  ways: Ways
}

/** How weak a stock shot is, by the posterior of its leave: scatter, side and mishits together; and most of all why. */
function judge(carryM: number, own: OwnScatter, player: PlayerScatter): Judged | null {
  const share = shareOf(own, player)
  const ways: Ways = { looseness: own.looseness, sideBias: own.sideBias, mishitShare: share.mean }
  const times = timesUsual(carryM, player, ways)
  if (times <= WEAK_TIMES) return null
  // ln of a variance known from so many degrees of freedom has about this standard deviation.
  const lnSd = Math.sqrt(2 / own.degrees)
  let over = 0
  for (const a of FIFTHS)
    for (const b of FIFTHS)
      for (const c of FIFTHS)
        over += Number(
          timesUsual(carryM, player, {
            looseness: own.looseness * exp(a * lnSd),
            sideBias: own.sideBias + b * own.sideBiasSd,
            mishitShare: Math.min(1, Math.max(0, share.mean + c * share.sd)),
          }) > WEAK_TIMES,
        )
  const usual: Ways = { looseness: 1, sideBias: player.sideBias, mishitShare: player.mishitShare }
  const causes: [variant: Judged['variant'], times: number][] = [
    [undefined, timesUsual(carryM, player, { ...usual, looseness: ways.looseness })],
    ['mishits', timesUsual(carryM, player, { ...usual, mishitShare: ways.mishitShare })],
    ['side', timesUsual(carryM, player, { ...usual, sideBias: ways.sideBias })],
  ]
  const [variant] = causes.reduce((most, one) => (one[1] > most[1] ? one : most))
  return { times, probability: over / FIFTHS.length ** 3, variant, ways }
}

/**
 * Yardages whose best shot leaves clearly more than this player leaves at like distances, because it is loose, mishit
 * more often, or off line beyond the usual miss, by odds. A number that is thin or old is unproven, which is no fault;
 * a shot that is nowhere the best costs nothing. Mutates nothing.
 */
export function find({ cover, scatter, ownScatter }: GapFacts): Finding[] {
  const known = new Map<string, Judged | null>()
  const judged = (shot: CoverShot) => {
    const key = cellKey(shot)
    if (!known.has(key)) {
      const own = ownScatter(shot)
      known.set(key, own && judge(shot.carryM, own, scatter))
    }
    return known.get(key) ?? null
  }
  const weakShot = (one: CoverAt) => {
    const shot = cover.shots[one.best]!
    return !shot.grippedDown && (judged(shot)?.probability ?? 0) >= LIKELY ? cellKey(shot) : null
  }
  return stretches(cover.at, weakShot)
    .filter(({ all }) => all.length >= LEAST_TARGETS)
    .map(({ all }): Finding => {
      const shot = cover.shots[all[0]!.best]!
      const { times, probability, variant, ways } = judged(shot)!
      const { carryM } = shot
      return {
        flag: meta.id,
        ...(variant && { variant }),
        sureness: probability >= SURE ? 'sure' : 'likely',
        probability,
        cells: [plainCell(shot)],
        data: {
          carryM,
          leaveM: times * couldLeaveM(carryM, scatter),
          couldM: couldLeaveM(carryM, scatter),
          overTimes: times,
          mishitPercent: 100 * ways.mishitShare,
          usualPercent: 100 * scatter.mishitShare,
          practised: ownScatter(shot)!.practised,
          sideM: Math.abs(ways.sideBias - scatter.sideBias) * carryM,
        },
        fromM: all[0]!.atM,
        toM: all.at(-1)!.atM,
        figure: times * couldLeaveM(carryM, scatter),
      }
    })
}

export default { meta, defaults, find } satisfies FlagRule
