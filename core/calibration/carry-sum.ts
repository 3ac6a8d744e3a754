import { cellKey, type StockShot } from '../bag/bag'
import { doesCount, type AnyShot, type Shot } from '../shot/shot'

/** What is done to a figure that was typed, on its way to the number. */
export const SUM_PARTS = ['run', 'height', 'air', 'speed', 'ball', 'plus'] as const
export type SumPart = (typeof SUM_PARTS)[number]

/** From what was typed to where the balls lie for the number, of one stock shot: averages of the balls that count. */
export interface CarrySum extends StockShot {
  typedM: number
  parts: { part: SumPart; byM: number }[]
}

/** Nobody reads less than this, metres. */
const SEEN_M = 0.1

/**
 * What every correction adds on average, stock shot by stock shot; no parts where nothing was done to what was typed.
 * @param measured in any order: what is summed goes by the order of `used`
 * @param stages the record as it was measured, and after each of the corrections in their order
 * @param used as the numbers are made from it: what counts there is summed
 */
export function carrySums(
  measured: readonly Shot[],
  stages: readonly { part: SumPart; shots: readonly AnyShot[] }[],
  used: readonly AnyShot[],
): CarrySum[] {
  const after = stages.map(({ part, shots }) => ({ part, carryM: new Map(shots.map(shot => [shot.id, shot.carryM])) }))
  const typed = new Map(measured.map(shot => [shot.id, shot]))
  const sums = new Map<string, CarrySum & { balls: number }>()
  for (const { id } of used.filter(doesCount)) {
    const shot = typed.get(id)!
    const { clubId, rungId, balls } = shot
    const sum = sums.get(cellKey(shot)) ?? {
      clubId,
      rungId,
      typedM: 0,
      balls: 0,
      parts: stages.map(({ part }) => ({ part, byM: 0 })),
    }
    sums.set(cellKey(shot), sum)
    sum.balls += balls
    sum.typedM += balls * shot.carryM
    let before = shot.carryM
    after.forEach(({ carryM }, i) => {
      const now = carryM.get(shot.id) ?? before
      sum.parts[i]!.byM += balls * (now - before)
      before = now
    })
  }
  return [...sums.values()].map(({ balls, typedM, parts, ...at }) => ({
    ...at,
    typedM: typedM / balls,
    parts: parts.map(({ part, byM }) => ({ part, byM: byM / balls })).filter(one => Math.abs(one.byM) >= SEEN_M),
  }))
}
