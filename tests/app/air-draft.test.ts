import { describe, expect, it } from 'vitest'
import {
  airDraft,
  airWords,
  readAirDraft,
  USUAL_AIR,
  windFromWords,
  type AirReading,
  type AirUnits,
} from '../../app/player/air/air-draft'

const METRIC: AirUnits = { temp: '°C', wind: 'm/s', height: 'm' }
const ISLAND: AirUnits = { temp: '°F', wind: 'mph', height: 'ft' }
const AIR: AirReading = {
  ...USUAL_AIR,
  tempC: 13.7,
  altitudeM: 121,
  qnhPa: 101_850,
  wind: { speedMs: 3.13, clock: 2, judged: 'meter' },
}

describe('air as it is typed', () => {
  it.each([METRIC, ISLAND])('untouched keeps its exact figures, in any units', units => {
    expect(readAirDraft(airDraft(AIR, units), units, AIR)).toEqual({ air: AIR })
  })

  it("takes what is typed in the coach's units, with a comma too", () => {
    const read = readAirDraft(
      { ...airDraft(AIR, ISLAND), temp: '68', wind: '10,5', altitude: '400', qnh: '' },
      ISLAND,
      AIR,
    )
    expect(read).toMatchObject({ air: { tempC: 20, qnhPa: null, wind: { clock: 2 } } })
    if ('air' in read) {
      expect(read.air.wind.speedMs).toBeCloseTo(4.694, 3)
      expect(read.air.altitudeM).toBeCloseTo(121.92, 6)
    }
  })

  it('says what cannot be in the unit it was typed in', () => {
    const draft = { ...airDraft(AIR, ISLAND), temp: '392', wind: 'breezy', altitude: '', humidity: '101', qnh: '30' }
    expect(readAirDraft(draft, ISLAND, AIR)).toEqual({
      faults: {
        temp: 'Temperature "392" is not possible: -4 to 122 °F is allowed.',
        wind: 'Wind "breezy" is not possible: 0 to 67 mph is allowed.',
        altitude: 'Altitude is missing: -1312 to 13123 ft is allowed.',
        humidity: 'Humidity "101" is not possible: 0 to 100 % is allowed.',
        qnh: 'Pressure "30" is not possible: 850 to 1085 hPa is allowed.',
      },
    })
  })

  it('is said as a coach says it', () => {
    expect([12, 3, 6, 9, 2, 11].map(windFromWords)).toEqual([
      'into the face',
      'from the right',
      'from behind',
      'from the left',
      "from 2 o'clock",
      "from 11 o'clock",
    ])
    expect(airWords(AIR, METRIC)).toBe("14 °C, 3.1 m/s from 2 o'clock, 121 m")
    expect(airWords(USUAL_AIR, ISLAND)).toBe('68 °F, calm, 0 ft')
  })
})
