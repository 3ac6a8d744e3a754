import { NEUTRAL } from '../flight/air'
import { deliver, ownStrike, type OwnStrike } from '../flight/deliver'
import { fly, type Launch } from '../flight/fly'
import { correctFlight, type Landing, type Today } from '../flight/neutral'
import { todayOfAir, type AirEntry } from '../flight/session-air'
import { cellKey, type StockShot } from '../bag/bag'
import { groupBy } from '../group-by'
import { launchOf, type Readings } from '../shot/readings'
import { FLIGHT_LIMITS } from '../shot/strike-screens'
import type { Memo } from '../memo'
import type { AnyShot, ShotAt } from '../shot/shot'
import { groupByCell } from '../shot/by-cell'

/** Where a launch pitches; null when it does not come down at the target. */
const land = (launch: Launch, today: typeof NEUTRAL): Landing | null => {
  const flight = fly(launch, today)
  return flight.ok && flight.carryM > 0 ? { carryM: flight.carryM, sideM: flight.sideM } : null
}

interface Known {
  launch: Launch | null
  neutral?: Landing | null
  today?: { air: string; landing: Landing | null }
}

/** Readings do not change, and a flight costs as much as all else about a ball: each is flown once in each air. */
function knownOf(readings: Readings, memo: Memo): Known {
  return memo.about<Known>('flights', readings, () => ({ launch: launchOf(readings) }))
}

/** The launch that was read, and where it pitches in neutral air; null without a full launch. */
export function neutralFlight(
  readings: Readings | undefined,
  memo: Memo,
): { launch: Launch; landing: Landing | null } | null {
  if (!readings) return null
  const found = knownOf(readings, memo)
  if (!found.launch) return null
  found.neutral ??= land(found.launch, NEUTRAL)
  return { launch: found.launch, landing: found.neutral }
}

function todayOf(air: AirEntry, memo: Memo): { today: Today; key: string } {
  const { fromMs: _, ...rest } = air
  return memo.about('today', air, () => ({ today: todayOfAir(air), key: JSON.stringify(rest) }))
}

/**
 * A ball in neutral air by its own flight: what it was measured to do, times what its launch does there over what it
 * does today; its side by the difference. Null when its launch was not read in full, or cannot belong to what it did.
 */
export function byOwnFlight(
  { carryM, sideM, readings }: ShotAt<'level'>,
  loftDeg: number,
  air: AirEntry,
  memo: Memo,
): { carryM: number; sideM?: number } | null {
  const there = neutralFlight(readings, memo)
  if (!there?.landing) return null
  const { today, key } = todayOf(air, memo)
  const kept = knownOf(readings!, memo)
  if (kept.today?.air !== key) kept.today = { air: key, landing: land(there.launch, today) }
  const here = kept.today.landing
  if (!here) return null
  const { carryOverFlight, spinShare } = FLIGHT_LIMITS
  const share = there.launch.spinRpm / deliver(loftDeg, there.launch.speedMs).spinRpm
  if (
    !(
      carryM >= carryOverFlight[0] * here.carryM &&
      carryM <= carryOverFlight[1] * here.carryM &&
      share >= spinShare[0] &&
      share <= spinShare[1]
    )
  )
    return null
  return correctFlight({ carryM, sideM }, here, there.landing)
}

/**
 * A player's own way with each stock shot, or with its club, as far as enough launches were read; null where it is
 * usual.
 * @param shots in any order; those left out do not tell
 */
export function ownStrikes(
  lofts: ReadonlyMap<string, number>,
  shots: readonly AnyShot[],
  memo: Memo,
): (cell: StockShot) => OwnStrike | null {
  const seen = shots.filter(
    shot => shot.leftOut === null && shot.readings && knownOf(shot.readings, memo).launch !== null,
  )
  if (seen.length === 0) return () => null
  const byCell = groupByCell(seen)
  const byClub = groupBy(seen, shot => shot.clubId)
  const found = new Map<string, OwnStrike | null>()
  const of = (clubId: string, list: readonly AnyShot[] | undefined) =>
    list
      ? ownStrike(
          lofts.get(clubId) ?? 0,
          list.map(shot => knownOf(shot.readings!, memo).launch!),
        )
      : null
  return cell => {
    const key = cellKey(cell)
    if (!found.has(key)) found.set(key, of(cell.clubId, byCell.get(key)) ?? of(cell.clubId, byClub.get(cell.clubId)))
    return found.get(key)!
  }
}
