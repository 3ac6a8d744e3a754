import { describe, expect, it } from 'vitest'
import { carrySumText } from '../../words/carry-sum'
import { ownBallsHelpText, ownBallsThenText, rangeAloneText, rangeBallText } from '../../words/air'
import { plusWorthText } from '../../words/called'
import { setAsideText } from '../../words/set-aside'
import { cellKey } from '../../core/bag/bag'
import { publish } from '../../core/history/published'
import { pickPlayerOf } from '../../core/pick/pick-player'
import { USUAL_OPTIONS } from '../../core/calibration/calibration'
import { doesCount, type Session } from '../../core/shot/shot'
import { metresToYards, yardsToMetres } from '../../core/units'
import { toShot, newShot } from '../../shared/session'
import { balls, bagOf, calibrated, DAY_MS, tenBalls, type AnyStageShot } from './players'

const BAG = bagOf({ '58°': 58, '54°': 54, '50°': 50, '46°': 46 }, ['half', 'full'], 'half-full')
const at = (shots: AnyStageShot[], key = '50°/full', more = {}) => {
  const { chart } = calibrated(BAG, shots, { level: 'good', ...more })
  return chart.find(cell => cellKey(cell) === key.replace('/', cellKey({ clubId: '', rungId: '' })))!
}
const ydOf = (cell: { carryM: number | null }) => metresToYards(cell.carryM!)

describe('a ball that the coach calls a mishit or a flyer', () => {
  const five = balls('50°', 'full', [111, 110, 112, 111, 110])
  const odd = (carry: number, strike: AnyStageShot['strike']) => balls('50°', 'full', [carry], { strike, id: 'odd' })

  it.each([
    [122, 'flyer'],
    [88, 'mishit'],
    [104, 'mishit'],
  ] as const)('of %i beside 111 leaves the number at once: %s', (carry, strike) => {
    const without = at(five)
    const marked = at([...five, ...odd(carry, strike)])
    expect(ydOf(marked)).toBeCloseTo(ydOf(without), 0)
    expect([marked.balls, marked.leftOut]).toEqual([5, 1])
    expect(marked.carriesM).toHaveLength(5)
    expect(marked.middleM).toBe(without.middleM)
    // Taken back, it counts as before.
    const back = at([...five, ...odd(carry, null)])
    expect(back.balls).toBe(6)
    expect(Math.abs(ydOf(back) - ydOf(without))).toBeLessThan(2)
  })

  it('still tells how often the player mishits, and is asked about no more', () => {
    const clean = calibrated(BAG, five)
    const marked = calibrated(BAG, [
      ...five,
      ...odd(88, 'mishit'),
      ...balls('50°', 'full', [60], { strike: 'mishit', id: 'other' }),
    ])
    expect(marked.grid.fit.mishitShare).toBeGreaterThan(clean.grid.fit.mishitShare + 0.05)
    expect(marked.questions).toEqual([])
    expect(marked.grid.verdicts.get('odd')).toEqual({ clean: 0, fault: 'mishit' })
  })

  it('counts nowhere else; thin, heavy, toe and heel weigh less and count', () => {
    expect(doesCount({ leftOut: null, strike: 'mishit' })).toBe(false)
    expect(doesCount({ leftOut: null, strike: 'thin' })).toBe(true)
    expect(doesCount({ leftOut: 'swung long', strike: null })).toBe(false)
    expect(at([...five, ...odd(108, 'thin')]).balls).toBe(6)
  })
})

describe('a ball that was called with plus or minus', () => {
  const stock = tenBalls('58°', 'full', 60)
  const called = (plusYd: number, carry: number, id: string) =>
    balls('58°', 'full', [carry], { plusM: yardsToMetres(plusYd), id })
  const key = '58°/full'

  it('moves no number while nobody knows what a plus does', () => {
    const two = [...called(12, 70, 'a'), ...called(12, 71, 'b')]
    expect(at([...stock, ...two], key).carryM).toBe(at(stock, key).carryM)
    const { plus, setAside } = calibrated(BAG, [...stock, ...two])
    expect([plus, setAside.map(one => one.why)]).toEqual([null, ['called-plus', 'called-plus']])
    expect(setAsideText(setAside)).toMatch(/^2 balls are on record but not in the numbers: called with a plus/)
  })

  it('from six balls over two sizes on counts less what was called, and Pick goes by it', () => {
    // Each yard that is called comes to half a yard.
    const six = [6, 6, 6, 12, 12, 12].flatMap((size, i) => called(size, 60 + size / 2 + (i % 3) - 1, `called ${i}`))
    const { plus, chart, setAside, ...rest } = calibrated(BAG, [...stock, ...six], { level: 'good' })
    expect(setAside).toEqual([])
    expect(plus!.balls).toBe(6)
    expect(Math.abs(plus!.worth - 0.5)).toBeLessThan(0.15)
    expect(plus!.sd).toBeLessThan(0.2)
    const cell = chart.find(one => one.clubId === '58°' && one.rungId === 'full')!
    expect([cell.balls, Math.abs(ydOf(cell) - 60) < 1]).toEqual([16, true])
    expect(plusWorthText({ worth: 0.52, sd: 0.1, balls: 6 }, 'yd')).toBe(
      'Plus 10 comes to 5 yd, ± 1, for this player (6 called balls).',
    )
    const head = { number: 1, publishedAtMs: DAY_MS, unit: 'yd', note: '', changed: '' } as const
    const published = publish({ plus, chart, ...rest }, new Map(), head)
    expect(pickPlayerOf(published).plusWorth).toBe(published.plusWorth)
    expect(published.plusWorth).toBeCloseTo(plus!.worth, 2)
  })

  it('one size alone tells nothing of the slope', () => {
    const six = [1, 2, 3, 4, 5, 6].flatMap(i => called(6, 63 + (i % 2), `same ${i}`))
    expect(calibrated(BAG, [...stock, ...six]).plus).toBeNull()
  })

  it('is told to the core from what was called', () => {
    const shot = newShot({
      id: 'x',
      sessionId: 's',
      clubId: 'c',
      rungId: 'r',
      carryM: 60,
      method: 'laser',
      hitAtMs: 0,
      taken: { called: { targetM: 66, plusM: 6 } },
    })
    expect(toShot(shot).plusM).toBe(6)
    expect(toShot({ ...shot, taken: { called: { targetM: 60, plusM: 0 } } }).plusM).toBeUndefined()
  })
})

describe('a side', () => {
  const pulled = (club: string, n: number, sideM: number) =>
    balls(
      club,
      'full',
      Array.from({ length: n }, (_, i) => 100 + i),
      { sideM },
    )
  const sideOf = (shots: AnyStageShot[], club: string) => {
    const { sideM, sideTold } = at(shots, `${club}/full`)
    return { sideM, sideTold }
  }

  it('is nobody’s from one pulled ball, nor from four', () => {
    for (const n of [1, 4]) {
      const { chart } = calibrated(BAG, pulled('58°', n, -5))
      for (const cell of chart) expect([cell.sideM, cell.sideTold]).toEqual([0, undefined])
    }
  })

  it('is the club’s from five balls of its own, and the player’s for the others, each with its count', () => {
    const shots = pulled('58°', 5, -5)
    expect(sideOf(shots, '58°').sideTold).toEqual({ balls: 5, by: 'club' })
    expect(sideOf(shots, '46°').sideTold).toEqual({ balls: 5, by: 'player' })
    expect(sideOf(shots, '58°').sideM).toBeLessThan(-1)
    expect(sideOf(shots, '46°').sideM).toBeLessThan(-0.5)
  })
})

describe('what was typed, and the number', () => {
  const range: Session = { id: 's', startedAtMs: DAY_MS, method: 'laser', ball: 'range' }
  it('is summed in one line that adds up', () => {
    const shots = balls('50°', 'full', [93, 97, 95], { method: 'laser', lies: 'soft' })
    const { sums, chart } = calibrated(BAG, shots, { sessions: [range], level: 'good' })
    const cell = chart.find(one => one.clubId === '50°' && one.rungId === 'full')!
    const text = carrySumText(sums[0]!, cell.carryM!, 'yd')
    expect(text).toMatch(/^Typed 95 on average; /)
    expect(text).toMatch(/\+ \d for the range ball/)
    const steps = [...text.matchAll(/([+−]) (\d+)/g)].map(([, sign, n]) => (sign === '+' ? 1 : -1) * Number(n))
    expect(95 + steps.reduce((sum, n) => sum + n, 0)).toBe(Math.round(ydOf(cell)))
  })

  it('has no line where nothing was done to it', () => {
    const plain = calibrated(BAG, balls('50°', 'full', [93, 97, 95]), { level: 'good' })
    const lineOf = ({ sums, chart }: typeof plain) =>
      carrySumText(sums[0]!, chart.find(one => one.clubId === '50°' && one.rungId === 'full')!.carryM!, 'yd')
    expect(plain.sums.map(one => one.parts)).toEqual([[]])
    expect(lineOf(plain)).toBe('')
    // A poor ball weighs little: the number is not the average, and the line says so.
    const poor = calibrated(BAG, balls('50°', 'full', [104, 105, 78, 103]), { level: 'good' })
    expect(lineOf(poor)).toMatch(/^Typed 98 on average; \+ [5-7] by what each ball weighs and the others say\.$/)
    const sum = { clubId: 'a', rungId: 'b', typedM: 50, parts: [{ part: 'run' as const, byM: -0.2 }] }
    expect(carrySumText(sum, 49.9, 'm')).toBe('')
    expect(carrySumText({ ...sum, parts: [{ part: 'run', byM: -2 }] }, 49, 'm')).toBe(
      'Typed 50 on average; − 2 for the run, + 1 by what each ball weighs and the others say.',
    )
  })
})

describe('range balls lead on', () => {
  const range: Session = { id: 's', startedAtMs: DAY_MS, method: 'monitor', ball: 'range' }
  const own: Session = { ...range, id: 'own', ball: 'own', startedAtMs: DAY_MS + 3_600_000 }
  const shots = ['58°', '54°', '50°', '46°'].flatMap((club, i) => [
    ...balls(club, 'full', [80 + 12 * i, 81 + 12 * i, 79 + 12 * i]),
    ...balls(club, 'half', [40 + 7 * i, 41 + 7 * i, 39 + 7 * i]),
  ])
  const name = ({ clubId, rungId }: { clubId: string; rungId: string }) => `${clubId} ${rungId}`

  it('says what would help: a few balls of one’s own with two of the shots, of two clubs', () => {
    const { ownBallsHelp, rangeBalls } = calibrated(BAG, shots, { sessions: [range] })
    expect(ownBallsHelp!.shots).toHaveLength(2)
    expect(new Set(ownBallsHelp!.shots.map(shot => shot.clubId)).size).toBe(2)
    expect(ownBallsHelp!.shots.every(shot => shot.rungId === 'full')).toBe(true)
    expect(ownBallsHelpText(ownBallsHelp!, name)).toMatch(/^3 balls of your own with each of .+ and .+: 6 balls$/)
    expect(ownBallsThenText(ownBallsHelp!, rangeBalls!)).toMatch(/: ± [23] % for ± 4 % now\.$/)
    expect(rangeAloneText(rangeBalls!)).toBe(
      'From range balls alone: good to go by, but all numbers may be up to 4 % long or short together.',
    )
  })

  it('those balls tell what range balls lose, and then there is nothing to ask', () => {
    const { ownBallsHelp } = calibrated(BAG, shots, { sessions: [range] })
    const six = ownBallsHelp!.shots.flatMap(({ clubId }) => {
      const i = ['58°', '54°', '50°', '46°'].indexOf(clubId)
      return balls(clubId, 'full', [86 + 12.5 * i, 87 + 12.5 * i, 85 + 12.5 * i], {
        sessionId: 'own',
        id: `own ${clubId}`,
      }).map((shot, k) => ({ ...shot, id: `${shot.id} ${k}`, hitAtMs: own.startedAtMs + k }))
    })
    const after = calibrated(BAG, [...shots, ...six], { sessions: [range, own] })
    expect(after.ownBallsHelp).toBeNull()
    expect(after.rangeBalls!.pairs).toBe(2)
    // As sure as was promised.
    expect(after.rangeBalls!.sd).toBeCloseTo(ownBallsHelp!.sdThen, 2)
    expect(rangeBallText(after.rangeBalls!)).toMatch(
      /^Your range balls lose [56] % at 100 yd, ± \d: from 2 stock shots hit with both balls\.$/,
    )
    expect(rangeAloneText(after.rangeBalls!)).toBe('')
  })

  it('own balls ask for nothing', () => {
    expect(calibrated(BAG, shots, { sessions: [{ ...range, ball: 'own' }] }).ownBallsHelp).toBeNull()
    expect(calibrated(BAG, [], {}, USUAL_OPTIONS).ownBallsHelp).toBeNull()
  })
})
