import { cellKey, type StockShot } from '#core/bag/bag'
import type { CoverAt } from '#core/gaps/stretches'
import { useDistance } from '~/ui/useDistance'
import { useNumbers } from '~/calculation/useNumbers'

/** Where the coach points in lanes and cover, by hand or by keys, and which stretch of them is shown. */
export function useGapsCursor() {
  const { gapsChart, ladder, cover } = useNumbers()
  const { to, from } = useDistance()
  const cursorM = ref<number | null>(null)
  const picked = shallowRef<StockShot | null>(null)
  const zoomM = ref<[number, number] | null>(null)

  /** From the shortest pile's near end to the longest one's far end, in fives. */
  const wholeM = computed<[number, number]>(() => {
    const ends = gapsChart.value
      .filter(cell => cell.carryM !== null)
      .flatMap(cell => (cell.window80M ?? [cell.carryM!]).map(to))
    if (ends.length === 0) return [0, from(100)]
    return [
      from(Math.max(0, Math.floor((Math.min(...ends) - 3) / 5) * 5)),
      from(Math.ceil((Math.max(...ends) + 3) / 5) * 5),
    ]
  })
  const rangeM = computed<[number, number]>(() => zoomM.value ?? wholeM.value)

  const at = computed<CoverAt | null>(() => {
    if (cursorM.value === null || !cover.value) return null
    return cover.value.at.reduce<CoverAt | null>(
      (best, one) => (!best || Math.abs(one.atM - cursorM.value!) < Math.abs(best.atM - cursorM.value!) ? one : best),
      null,
    )
  })

  function point(atM: number, cell: StockShot | null = null): void {
    const all = cover.value?.at ?? []
    const [first, last] = [all[0]?.atM ?? atM, all.at(-1)?.atM ?? atM]
    // On a whole yard, as cover is.
    cursorM.value = Math.min(last, Math.max(first, from(Math.round(to(atM)))))
    picked.value = cell
  }

  /** Left and right go yard by yard, up and down from stock shot to stock shot, Escape lets go. */
  function key(event: KeyboardEvent): void {
    const all = cover.value?.at ?? []
    if (all.length === 0) return
    const step = { ArrowLeft: -1, ArrowRight: 1, PageUp: 10, PageDown: -10 }[event.key]
    const shot = { ArrowUp: 1, ArrowDown: -1 }[event.key]
    if (event.key === 'Escape') [cursorM.value, picked.value] = [null, null]
    else if (event.key === 'Home') point(all[0]!.atM)
    else if (event.key === 'End') point(all.at(-1)!.atM)
    else if (step !== undefined)
      point(cursorM.value === null ? all[0]!.atM : from(Math.round(to(cursorM.value)) + step))
    else if (shot !== undefined) {
      const here = picked.value
        ? ladder.value.findIndex(one => cellKey(one) === cellKey(picked.value!))
        : shot > 0
          ? -1
          : ladder.value.length
      const next = ladder.value[Math.min(ladder.value.length - 1, Math.max(0, here + shot))]
      if (next) point(next.carryM, next)
    } else return
    event.preventDefault()
  }

  return { cursorM, picked, zoomM, wholeM, rangeM, at, point, key }
}
