import { toWind } from '#core/units'
import { airWords, type AirReading, type AirUnits } from '~/player/air/air-draft'
import { useAccount } from '~/offline/stores/account'

/** The units this coach reads air in, and air in words. */
export function useAirUnits() {
  const account = useAccount()
  const units = computed<AirUnits>(() => ({
    temp: account.tempUnit,
    wind: account.windUnit,
    height: account.heightUnit,
  }))
  /** "3 m/s", in this coach's unit. */
  const windText = (ms: number) => `${Number(toWind(ms, units.value.wind).toFixed(1))} ${units.value.wind}`
  return { units, windText, airText: (air: AirReading) => airWords(air, units.value) }
}
