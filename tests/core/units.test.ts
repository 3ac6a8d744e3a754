import { execFileSync } from 'node:child_process'
import { existsSync, readFileSync } from 'node:fs'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import {
  METRES_PER_MILE,
  METRES_PER_YARD,
  distanceText,
  distanceWithUnit,
  doubtText,
  fromUnit,
  isWithin,
  kmhToMps,
  limitWithUnit,
  metresToYards,
  mphToMps,
  mpsToMph,
  toUnit,
  yardsToMetres,
} from '../../core/units'

describe('units, by the exact definitions', () => {
  // International yard and pound agreement (1959): 1 yd = 0.9144 m; a mile is 1760 yd = 1609.344 m.
  it('takes a yard for 0.9144 m and a mile for 1609.344 m', () => {
    expect(METRES_PER_YARD).toBe(0.9144)
    expect(METRES_PER_MILE).toBe(1609.344)
    expect(METRES_PER_MILE / METRES_PER_YARD).toBe(1760)
    expect(yardsToMetres(100)).toBe(91.44)
    expect(metresToYards(91.44)).toBe(100)
  })

  it('takes 60 mph for 26.8224 m/s and 36 km/h for 10 m/s', () => {
    expect(mphToMps(60)).toBeCloseTo(26.8224, 12)
    expect(mpsToMph(26.8224)).toBeCloseTo(60, 12)
    expect(kmhToMps(36)).toBe(10)
  })

  it('gives every carry that can be typed, in tenths, back as it was typed', () => {
    fc.assert(
      fc.property(fc.integer({ min: 10, max: 4000 }), fc.constantFrom('yd' as const, 'm' as const), (tenths, unit) => {
        expect(Number(distanceText(fromUnit(tenths / 10, unit), unit, 1))).toBe(tenths / 10)
      }),
    )
  })

  it('rounds half away from zero, and never writes minus nought', () => {
    expect(distanceText(yardsToMetres(23.5), 'yd')).toBe('24')
    expect(distanceText(yardsToMetres(-2.5), 'yd')).toBe('-3')
    expect(distanceText(-0.01, 'm')).toBe('0')
    expect(distanceText(yardsToMetres(72.44), 'yd', 1)).toBe('72.4')
    expect(distanceWithUnit(91.44, 'yd')).toBe('100 yd')
    expect(toUnit(91.44, 'm')).toBe(91.44)
  })

  it('rounds a doubt up, so that it reads no more than what is wanted exactly where it is no more', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.05, max: 30, noNaN: true }),
        fc.integer({ min: 1, max: 20 }),
        fc.constantFrom('yd' as const, 'm' as const),
        (doubt, wanted, unit) => {
          const [doubtM, wantedM] = [fromUnit(doubt, unit), fromUnit(wanted, unit)]
          expect(limitWithUnit(wantedM, unit)).toBe(`${wanted} ${unit}`)
          expect(Number(doubtText(doubtM, unit)) <= wanted).toBe(isWithin(doubtM, wantedM))
          expect(Number(doubtText(doubtM, unit, 1))).toBeGreaterThan(doubt - 1e-5)
        },
      ),
    )
    expect(doubtText(0, 'yd')).toBe('0')
    expect(doubtText(fromUnit(3, 'yd'), 'yd')).toBe('3')
    expect(limitWithUnit(fromUnit(2.5, 'yd'), 'm')).toBe('2.3 m')
  })

  it('converts in one place: nowhere else stands how long a yard or a mile is', () => {
    const files = execFileSync(
      'git',
      ['ls-files', '--cached', '--others', '--exclude-standard', 'core', 'shared', 'app', 'server'],
      { encoding: 'utf8' },
    )
      .trim()
      .split('\n')
    const knowing = files.filter(
      file => /\.(ts|vue)$/.test(file) && existsSync(file) && /0\.9144\b|1609\.?3/.test(readFileSync(file, 'utf8')),
    )
    expect(knowing.sort()).toEqual(['core/units.ts'])
  })
})
