import { describe, expect, it } from 'vitest'
import { outOfOrder, rungFractions, rungName, starterRungs, type Rung } from '../../core/swing/scale'
import { knownFraction, schoolById, SCHOOL_IDS, SCHOOLS } from '../../core/swing/schools'

const rung = (label: string, more: Partial<Rung> = {}): Rung => ({
  id: label,
  label,
  cue: '',
  flight: 'normal',
  retired: false,
  ...more,
})

describe('schools of swing length', () => {
  it('are all there, each with at least one starter, shortest first', () => {
    expect(SCHOOLS.map(school => school.id)).toEqual([...SCHOOL_IDS])
    for (const school of SCHOOLS) {
      for (const preset of school.presets) {
        expect(
          preset.rungs.some(r => r.starter),
          preset.id,
        ).toBe(true)
        const shares = preset.rungs.flatMap(r => r.fraction ?? [])
        expect(shares, preset.id).toEqual([...shares].sort((a, b) => a - b))
      }
    }
  })

  // Shares of the full carry: common practice.
  it.each([
    ['clock', '9:00', 0.74],
    ['clock', "9 o'clock", 0.74],
    ['clock', '7:30', 0.47],
    ['clock', 'Full', 1],
    ['body', 'belt', 0.5],
    ['body', 'chest', 0.7],
    ['body', 'navel', 0.56],
    ['arm', 'Three Quarter', 0.8],
    ['thirds', 'two thirds', 0.67],
    ['feel', '85%', 0.85],
    ['feel', '105 %', 1.05],
    ['half-full', 'half', 0.58],
    ['one-length', 'stock', 1],
  ] as const)('%s knows %s as %f of full', (school, label, share) => {
    expect(knownFraction(school, label)).toBe(share)
  })

  it.each([
    ['clock', '4:00'],
    ['feel', 'hard'],
    ['feel', '400%'],
    ['custom', 'bump'],
    ['body', ''],
  ] as const)('%s does not know "%s"', (school, label) => {
    expect(knownFraction(school, label)).toBeUndefined()
  })

  it('names the schools there are when asked for another', () => {
    expect(() => schoolById('moon' as never)).toThrow(/"moon" is no school.*clock, body/)
  })
})

describe('a swing scale', () => {
  it("takes the coach's share first, then the school's, then spreads evenly by place", () => {
    const scale = {
      school: 'custom' as const,
      rungs: [rung('bump'), rung('hinge', { fraction: 0.6 }), rung('sail'), rung('9:00', { school: 'clock' })],
    }
    expect(rungFractions(scale)).toEqual([
      { fraction: 0.45, known: false },
      { fraction: 0.6, known: true },
      { fraction: expect.closeTo(0.8167, 4), known: false },
      { fraction: 0.74, known: true },
    ])
    expect(rungFractions({ school: 'custom', rungs: [rung('only')] })).toEqual([{ fraction: 1, known: false }])
  })

  it("starts with the school's usual rungs, or those of a preset", () => {
    let n = 0
    expect(starterRungs('body', 'body-top', () => `id${n++}`).map(r => r.label)).toEqual([
      'chest',
      'shoulder',
      'head',
      'full',
    ])
    expect(starterRungs('clock', '', () => `id${n++}`).map(r => r.label)).toEqual(['7:30', '9:00', '10:00', 'full'])
    expect(n).toBe(8)
  })

  it('calls a low flight by its name, and a normal one not', () => {
    expect(rungName(rung('half', { flight: 'low' }))).toBe('half low')
    expect(rungName(rung('half'))).toBe('half')
  })

  it('notices a swing that stands below a shorter one', () => {
    const slip = outOfOrder({ school: 'clock', rungs: [rung('9:00'), rung('8:00'), rung('full')] })
    expect([slip?.longer.label, slip?.shorter.label]).toEqual(['9:00', '8:00'])
    expect(outOfOrder({ school: 'clock', rungs: [rung('8:00'), rung('mine'), rung('full')] })).toBe(null)
  })
})
