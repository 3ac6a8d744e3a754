import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { readTypedCarry } from '../../core/shot/typed-carry'
import { carryFaultText } from '../../words/typed'

const read = (text: string, unit: 'yd' | 'm' = 'yd') => readTypedCarry(text, unit)

describe('a carry as it is typed', () => {
  it.each([
    ['75', 'yd', 68.58],
    [' 75 ', 'yd', 68.58],
    ['75.5', 'm', 75.5],
    ['75,5', 'm', 75.5],
    ['75.', 'm', 75],
    ['1', 'yd', 0.9144],
    ['400', 'yd', 365.76],
    ['365', 'm', 365],
    ['.5e', 'm', null],
  ] as const)('"%s" %s', (text, unit, metres) => {
    if (metres === null) expect(read(text, unit)).toEqual({ fault: 'not-a-number' })
    else expect(read(text, unit)).toEqual({ carryM: expect.closeTo(metres, 9) })
  })

  it.each([
    ['', 'empty', 'No carry yet: type 1 to 400 yd.'],
    ['0', 'out-of-range', '0 yd is not possible: type 1 to 400 yd.'],
    ['-5', 'out-of-range', '-5 yd is not possible: type 1 to 400 yd.'],
    ['401', 'out-of-range', '401 yd is not possible: type 1 to 400 yd.'],
    ['abc', 'not-a-number', '"abc" is not a number: type 1 to 400 yd.'],
    ['7 5', 'not-a-number', '"7 5" is not a number: type 1 to 400 yd.'],
    ['1e2', 'not-a-number', '"1e2" is not a number: type 1 to 400 yd.'],
    ['72.25', 'too-fine', '"72.25" is finer than can be measured: one decimal at most.'],
    ['x'.repeat(99), 'not-a-number', '"xxxxxxxxxxxx…" is not a number: type 1 to 400 yd.'],
  ] as const)('"%s" is refused with its value and what is allowed', (text, fault, words) => {
    expect(read(text)).toEqual({ fault })
    expect(carryFaultText(fault, text, 'yd')).toBe(words)
  })

  it('never throws and never lets through what is not a possible carry', () => {
    fc.assert(
      fc.property(fc.string(), text => {
        const result = read(text, 'm')
        if ('carryM' in result) expect(result.carryM >= 1 && result.carryM <= 365).toBe(true)
      }),
    )
  })
})
