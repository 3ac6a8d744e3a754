/** Table (c): balls until eight tenths of the cells are truly within ± 3 yd, by hand and by the model. */
import { fitModel, type ModelShot } from '../../../core/model/fit'
import { goodEnough, hitNext } from '../../../core/model/next-shot'
import { metresToYards, yardsToMetres } from '../../../core/units'
import { drawDay, drawPlayer, hitM, type SimulatedLevel } from './player'
import { median, trimmed } from './usual'

const WITHIN_YD = 3
const SHARE = 0.8
const OPTIONS = { measSdM: 0.9144, balls: 1 }

export interface Race {
  /**
   * Balls until it is true, by hand and by the model, in the same round and by what teaches most; the most when
   * never.
   */
  usual: number
  round: number
  next: number
  /** The model's own stop: balls, and whether it was true then. */
  stopBalls: number
  stopTrue: boolean
}

/** One player hits cell after cell. The same balls in the same order serve the usual way and the model. */
export function race(seed: number, level: SimulatedLevel, most: number): Race {
  const player = drawPlayer(seed, { level })
  const { cells, truthM } = player
  const n = cells.length
  const day = drawDay(player.dice)
  const supply = cells.map(() => [] as number[])
  const ball = (cell: number, k: number): number => {
    while (supply[cell]!.length <= k) supply[cell]!.push(hitM(player, cell, day))
    return supply[cell]![k]!
  }
  const near = (carriesM: readonly (number | null)[]) =>
    carriesM.filter((c, i) => c !== null && Math.abs(metresToYards(c - truthM[i]!)) <= WITHIN_YD).length >= SHARE * n
  const carriesOf = (shots: ModelShot[]) => [...fitModel(cells, [{ day: 0, shots }], 0).mean].map(Math.exp)
  const shot = (cell: number, k: number): ModelShot => ({ cell, carryM: ball(cell, k), measSdM: 0.9144, balls: 1 })

  // A moment of luck is no arrival: it must still be true at the next two looks.
  const HOLDS = 3
  const arrive = (truths: () => boolean, state: { run: number; at: number }, balls: number) => {
    state.run = truths() ? state.run + 1 : 0
    if (state.run >= HOLDS && state.at === 0) state.at = balls - HOLDS + 1
  }
  const order = player.dice.shuffle(cells.map((_, i) => i))
  const usual = { run: 0, at: 0 }
  const round = { run: 0, at: 0 }
  const shots: ModelShot[] = []
  for (let balls = 1; balls <= most && (usual.at === 0 || round.at === 0); balls++) {
    const cell = order[(balls - 1) % n]!
    shots.push(shot(cell, Math.floor((balls - 1) / n)))
    if (usual.at === 0) {
      const piles = cells.map((_, i) => shots.filter(s => s.cell === i).map(s => s.carryM))
      arrive(
        () => near(piles.map(pile => (pile.length === 0 ? null : pile.length < 3 ? median(pile) : trimmed(pile)))),
        usual,
        balls,
      )
    }
    if (round.at === 0) arrive(() => near(carriesOf(shots)), round, balls)
  }
  const next = { run: 0, at: 0 }
  let stop = 0
  let stopTrue = false
  const need = cells.map(() => 1)
  const led: ModelShot[] = []
  const counts = cells.map(() => 0)
  for (let balls = 1; balls <= most && (next.at === 0 || stop === 0); balls++) {
    const cell = hitNext(fitModel(cells, [{ day: 0, shots: led }], 0), { ...OPTIONS, need })!.cell
    led.push(shot(cell, counts[cell]!++))
    const fit = fitModel(cells, [{ day: 0, shots: led }], 0)
    const carries = [...fit.mean].map(Math.exp)
    if (next.at === 0) arrive(() => near(carries), next, balls)
    if (stop === 0 && goodEnough(fit, { need }, yardsToMetres(WITHIN_YD))) {
      stop = balls
      stopTrue = near(carries)
    }
  }
  return { usual: usual.at || most, round: round.at || most, next: next.at || most, stopBalls: stop || most, stopTrue }
}
