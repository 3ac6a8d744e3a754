import { cellKey, type Bag } from '../../core/bag/bag'
import type { AnyStageShot } from './players'
import { yardsToMetres } from '../../core/units'
import { makeDice } from '../bench/simulation/dice'
import { bagOf } from './players'

/** Nineteen stock shots: the full lob wedge is not used. */
export const EXPERT_BAG: Bag = bagOf(
  { '60°': 60, '56°': 56, '52°': 52, '48°': 48, '44°': 44 },
  ['7:30', '9:00', '10:30', 'full'],
  'clock',
  [['60°', 'full']],
)
const WEEK_MS = 7 * 86_400_000

/**
 * An expert with a day of their own, seeded: 20 balls in each cell at the first visit, then so many a week; the full
 * 52° may move.
 */
export function expertVisits(
  bag: Bag,
  seed: number,
  movedYd: number,
  later: number,
  ballsEach: number,
  fromMs: number,
) {
  const dice = makeDice(seed)
  const cells = bag.clubs
    .flatMap((club, c) =>
      bag.scale.rungs.map((rung, r) => ({
        clubId: club.id,
        rungId: rung.id,
        yd: (78 + 15 * c) * [0.52, 0.72, 0.88, 1][r]!,
      })),
    )
    .filter(cell => !(cell.clubId === '60°' && cell.rungId === 'full'))
  const moved = cells.find(cell => cell.clubId === '52°' && cell.rungId === 'full')!
  const shots: AnyStageShot[] = []
  for (let visit = 0; visit <= later; visit++) {
    const day = 0.01 * dice.normal()
    for (const cell of cells) {
      const truth = cell.yd + (visit > 0 && cell === moved ? movedYd : 0)
      for (let n = 0; n < (visit === 0 ? 20 : ballsEach); n++) {
        const carryYd = truth * Math.exp(day) + 0.026 * (truth + 33) * dice.normal()
        shots.push({
          id: `${visit} ${cellKey(cell)} ${n}`,
          sessionId: `v${visit}`,
          clubId: cell.clubId,
          rungId: cell.rungId,
          carryM: yardsToMetres(carryYd),
          method: 'monitor',
          balls: 1,
          hitAtMs: fromMs + visit * WEEK_MS + shots.length,
          leftOut: null,
          strike: null,
        })
      }
    }
  }
  const sessions = Array.from({ length: later + 1 }, (_, v) => ({
    id: `v${v}`,
    startedAtMs: fromMs + v * WEEK_MS,
    method: 'monitor' as const,
    ball: 'own' as const,
  }))
  return { shots, sessions }
}
