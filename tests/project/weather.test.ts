import { afterAll, describe, expect, it } from 'vitest'
import { readMetar } from '../../core/files/metar'
import { makeWeather, startStation } from '../../devices/weather-station'

describe('the stand-in weather station', () => {
  const line = makeWeather(7)
  const at = (hour: number, minute = 0) => new Date(Date.UTC(2026, 4, 4, hour, minute))

  it('says what our own reader reads, any minute of the day, and never anything that cannot be', () => {
    for (let minute = 0; minute < 1440; minute += 13) {
      const metar = readMetar(line(at(0, minute)))
      expect(metar.station).toBe('UZZX')
      expect(metar.windMs).toBeLessThan(25)
      expect(Math.abs(metar.tempC - 13)).toBeLessThan(8)
      expect(metar.humidity!).toBeGreaterThan(0.7)
      expect(metar.humidity!).toBeLessThan(0.9)
    }
  })

  it('drifts, and says the same again for the same seed and minute', () => {
    expect(makeWeather(7)(at(15))).toBe(line(at(15)))
    expect(new Set(Array.from({ length: 24 }, (_, hour) => line(at(hour)).slice(18))).size).toBeGreaterThan(12)
    expect(makeWeather(8)(at(15))).not.toBe(line(at(15)))
  })

  const station = startStation(0, 7)
  afterAll(async () => void (await station).server.close())
  it('answers on loopback, to a question alone', async () => {
    const { url } = await station
    const reply = await fetch(url)
    expect(reply.headers.get('content-type')).toBe('text/plain; charset=utf-8')
    expect(readMetar(await reply.text()).qnhPa).toBeGreaterThan(95_000)
    expect((await fetch(url, { method: 'POST' })).status).toBe(405)
  })
})
