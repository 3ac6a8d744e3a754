import { describe, expect, it } from 'vitest'
import { MODEL } from '../../core/model/constants'
import { cellEstimate } from '../../core/model/estimate'
import { fitModel, fitWithPrior, USUAL_SPREAD, type FitOptions } from '../../core/model/fit'
import { ballShares, kindsDensity } from '../../core/model/kinds'
import { openShares } from '../../core/model/open-shares'
import { normalDensity } from '../../core/stats/normal'
import { drawPlayer } from '../bench/simulation/player'
import { visit } from '../bench/simulation/errors'

const CARRY_M = 80
const [MEAN, SD] = [Math.log(CARRY_M), 0.1]
const DAY_SD = 1e-6
/** So well known that no ball moves it. */
const SPREAD = { spread: 0.04, spreadBalls: 1e9 }
const options: FitOptions = { ...USUAL_SPREAD, ...SPREAD }

const fitOf = (carriesM: readonly number[]) =>
  fitWithPrior(
    () => ({ mean: Float64Array.of(MEAN), covariance: Float64Array.of(SD * SD) }),
    1,
    [{ day: 0, daySd: DAY_SD, shots: carriesM.map(carryM => ({ cell: 0, carryM, measSdM: 0, balls: 1 })) }],
    0,
    options,
  )

/**
 * The same by another way, without sites: the likelihood of a share as a sum over all carries there may be, the share's
 * own density before the first ball a Beta, both on the points that the model carries.
 */
function bySummation(carriesM: readonly number[], shares: readonly number[], noise: number) {
  const weights = shares.map(share => {
    let likelihood = 0
    for (let ln = MEAN - 8 * SD; ln < MEAN + 8 * SD; ln += SD / 20)
      likelihood += carriesM.reduce(
        (product, m) => product * kindsDensity(Math.log(m) - ln, noise, ballShares(share)),
        normalDensity(ln - MEAN, SD * SD),
      )
    const mishits = options.mishitShare * options.mishitBalls
    return likelihood * share ** (mishits - 0.5) * (1 - share) ** (options.mishitBalls - mishits - 0.5)
  })
  const total = weights.reduce((a, b) => a + b, 0)
  return shares.reduce((mean, share, i) => mean + (share * weights[i]!) / total, 0)
}

describe('how often a player mishits, while the balls leave it open', () => {
  it.each([
    ['one clean ball', [80], 1e-3],
    ['one short ball', [62], 0.02],
    ['five, one of them short', [79, 82, 80, 55, 83], 0.01],
    ['six, three of them short', [79, 50, 80, 58, 83, 64], 0.02],
  ])('%s: as summed over all carries', (_, carriesM, within) => {
    const fit = fitOf(carriesM)
    const carry = Math.exp(fit.mean[0]!)
    const noise = (SPREAD.spread * (1 + MODEL.spreadOffsetM / carry)) ** 2
    // The fixed point that the model starts from, found here by going round.
    let share: number = options.mishitShare
    for (let i = 0; i < 60; i++) {
      let mishits = 0
      for (const m of carriesM) {
        const others = carriesM.filter(one => one !== m)
        let [bad, all] = [0, 0]
        for (let ln = MEAN - 8 * SD; ln < MEAN + 8 * SD; ln += SD / 10) {
          const before = others.reduce(
            (product, one) => product * kindsDensity(Math.log(one) - ln, noise, ballShares(share)),
            normalDensity(ln - MEAN, SD * SD),
          )
          const own = kindsDensity(Math.log(m) - ln, noise, ballShares(share))
          all += before * own
          bad += before * (own - kindsDensity(Math.log(m) - ln, noise, { ...ballShares(share), mishit: 0 }))
        }
        mishits += bad / all
      }
      share = (options.mishitShare * options.mishitBalls + mishits) / (options.mishitBalls + carriesM.length)
    }
    const open = openShares(share, carriesM.length, options.mishitBalls).flat()
    expect(open.length).toBeGreaterThan(1)
    expect(Math.abs(fit.mishitShare - bySummation(carriesM, [share, ...open], noise))).toBeLessThan(within)
  })

  it('is what the coach says it is where it is told, and one value where it is well known', () => {
    const shots = Array.from({ length: 12 }, (_, i) => ({ cell: 0, carryM: 78 + (i % 5), measSdM: 0, balls: 1 }))
    const cells = [{ club: 0, rung: 0, loftDeg: 52, lnFraction: 0 }]
    const told = fitModel(cells, [{ day: 0, shots }], 0, { ...USUAL_SPREAD, mishitShare: 0.2, mishitBalls: Infinity })
    expect(told.mishitShare).toBe(0.2)
    expect(openShares(0.2, 12, Infinity)).toEqual([])
    expect(openShares(0.2, 400, USUAL_SPREAD.mishitBalls)).toEqual([])
    expect(openShares(0.2, 0, USUAL_SPREAD.mishitBalls)).toEqual([])
  })

  it('lies between what can be, and widens a number that hangs on it', () => {
    const few = [81, 79, 60]
    const learnt = fitOf(few)
    expect(
      openShares(learnt.mishitShare, 3, 3)
        .flat()
        .every(share => share > 0 && share < MODEL.mostMishitShare),
    ).toBe(true)
    const width = (fit: typeof learnt) => {
      const { certainty80M } = cellEstimate(fit, 0)
      return certainty80M[1] - certainty80M[0]
    }
    const sure = fitOf([81, 79, 80])
    expect(width(learnt)).toBeGreaterThan(width(sure))
  })

  it('stops being carried without a jump: one ball more moves no number by as much as it is read to', () => {
    for (let seed = 8_100_000; seed < 8_100_006; seed++) {
      const player = drawPlayer(seed, { mishits: 0.15 })
      const hit = player.cells.map((_, cell) => cell).filter(cell => cell % 3 === 0)
      const last = MODEL.leastShareStep ** -2 - USUAL_SPREAD.mishitBalls
      const shots = player.dice.shuffle(visit(player, hit, Math.ceil((last + 1) / hit.length)))
      const of = (balls: number) => fitModel(player.cells, [{ day: 0, shots: shots.slice(0, balls) }], 0)
      const [before, after] = [of(Math.floor(last)), of(Math.floor(last) + 1)]
      for (const cell of hit) {
        const was = cellEstimate(before, cell).carryM
        expect(Math.abs(cellEstimate(after, cell).carryM - was)).toBeLessThan(0.4)
      }
    }
  })
})
