import { describe, expect, it } from 'vitest'
import { clockLooking, headingOf, windFromDeg } from '../../app/features/pick/compass'

describe('the wind turned by the device’s compass', () => {
  it('reads a heading as either kind of browser tells it, and none where there is none', () => {
    expect(headingOf({ absolute: true, alpha: 90 })).toBe(270)
    expect(headingOf({ absolute: false, alpha: 90, webkitCompassHeading: 45 })).toBe(45)
    expect(headingOf({ absolute: false, alpha: 90 })).toBeNull()
    expect(headingOf({ absolute: true, alpha: null })).toBeNull()
  })
  it('a wind from two o’clock looking north blows from eleven looking east, and comes back', () => {
    const from = windFromDeg(2, 0)
    expect(from).toBe(60)
    expect(clockLooking(from, 90)).toBe(11)
    for (let clock = 1; clock <= 12; clock++)
      for (const looking of [0, 37, 180, 359]) expect(clockLooking(windFromDeg(clock, looking), looking)).toBe(clock)
  })
})
