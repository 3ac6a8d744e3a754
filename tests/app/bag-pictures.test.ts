import { describe, expect, it } from 'vitest'
import { typedSpan } from '../../app/ui/numbers'
import { swingPoses } from '../../app/ui/marks/swing-figure'
import { typedCarry } from '../../app/ui/typed-carry'
import { usualName } from '../../app/player/bag-draft'
import { bagOf } from '../core/players'
import { SCHOOL_IDS, schoolById } from '../../core/swing/schools'
import { starterRungs } from '../../core/swing/scale'

describe('how a swing length is drawn', () => {
  it('is where the clock says, in the words coaches write it', () => {
    const labels = ['7:30', '9:00', "9 o'clock", '10:30', 'full']
    const poses = swingPoses(bagOf({ '56°': 56 }, labels).scale)
    expect(poses).toEqual([45, 90, 90, 135, 165].map(degrees => ({ kind: 'arm', degrees })))
  })

  it('goes further back from rung to rung in every school', () => {
    for (const school of SCHOOL_IDS)
      for (const preset of schoolById(school).presets) {
        const rungs = starterRungs(school, preset.id, () => preset.id)
        const far = swingPoses({ school, rungs }).map(pose => (pose.kind === 'arm' ? pose.degrees / 180 : pose.share))
        expect(
          [...far].sort((a, b) => a - b),
          school,
        ).toEqual(far)
        expect(new Set(far).size, `${school}: no two alike`).toBe(far.length)
      }
  })

  it('is a dial where effort or speed is called, of full at most', () => {
    expect(swingPoses({ ...bagOf({ '56°': 56 }, ['50%', '105%']).scale, school: 'feel' })).toEqual([
      { kind: 'dial', share: 0.5 },
      { kind: 'dial', share: 1 },
    ])
  })
})

describe('a carry as it is typed', () => {
  it.each([
    ['105', [105]],
    ['185 to 192', [185, 192]],
    ['192-185', [185, 192]],
    [' 85,5 – 92 ', [85.5, 92]],
    ['90 to 90', [90]],
    ['to 90', null],
    ['80 to far', null],
    ['80-85-90', null],
    ['', null],
  ])('"%s"', (text, is) => {
    expect(typedSpan(text)).toEqual(is)
  })

  it('is refused by name where it is none, or a span where one number is asked for', () => {
    expect(typedCarry('100', 'm', false)).toEqual({ ok: true, metres: 100 })
    expect(typedCarry('100 to 110', 'm', true)).toEqual({ ok: true, metres: [100, 110] })
    expect(typedCarry('100 to 110', 'yd', false)).toEqual({
      ok: false,
      fault: '"100 to 110" is not possible: 1 to 400 yd is allowed.',
    })
    expect(typedCarry('390 to 410', 'yd', true)).toMatchObject({ ok: false })
  })
})

it('a wedge without a name gets the usual one, an iron none', () => {
  expect([60, 56, 52, 46, 41.5, 36].map(usualName)).toEqual([
    'lob wedge',
    'sand wedge',
    'gap wedge',
    'pitching wedge',
    '',
    '',
  ])
})
