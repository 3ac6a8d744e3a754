import { beliefSpan, type CellRemark } from '#core/history/coach-remarks'
import { stepBetween } from '#words/flags'
import { distanceText, distanceWithUnit, doubtText, fromUnit, limitWithUnit, toUnit } from '#core/units'
import { useAccount } from '~/offline/stores/account'

/** Distances in the coach's unit, at the last moment before they are read. */
export function useDistance() {
  const account = useAccount()
  const unit = computed(() => account.unit)
  const unitWord = computed(() => (unit.value === 'yd' ? 'yards' : 'metres'))
  return {
    unit,
    unitWord,
    /** "72", or "72.4" when the coach asked for one decimal. */
    text: (metres: number) => distanceText(metres, unit.value, account.decimals),
    /** Always whole. */
    whole: (metres: number) => distanceText(metres, unit.value),
    /** As it was typed: whole when it is whole, else one decimal. */
    typed: (metres: number) => String(Number(distanceText(metres, unit.value, 1))),
    /** What is believed, as it was typed: "105", or "185 to 192". */
    believed: (belief: Pick<CellRemark, 'carryM' | 'carryToM'>) =>
      [...new Set(beliefSpan(belief).map(m => String(Number(distanceText(m, unit.value, 1)))))].join(' to '),
    /** Half of a doubt, rounded up: "± 3" is known to 3. */
    doubt: (metres: number) => doubtText(metres, unit.value, account.decimals),
    /** How surely something is wanted to be known, with its unit. */
    limit: (metres: number) => limitWithUnit(metres, unit.value),
    withUnit: (metres: number) => distanceWithUnit(metres, unit.value, account.decimals),
    /** A step between two carries, as the difference of what is read. */
    step: (shorterM: number, longerM: number) =>
      stepBetween(shorterM, longerM, unit.value, account.decimals).toFixed(account.decimals),
    to: (metres: number) => toUnit(metres, unit.value),
    from: (value: number) => fromUnit(value, unit.value),
  }
}
