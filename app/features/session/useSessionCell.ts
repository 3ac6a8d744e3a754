import { cellKey, clubsInUse, gridCells, isStruckOut, rungsInUse, type StockShot } from '#core/bag/bag'
import type { ChartCell } from '#core/chart/chart-cell'
import { pileOf } from '#core/chart/pile'
import type { SessionBalls } from '~/player/useSessionBalls'
import { useNumbers } from '~/calculation/useNumbers'
import { usePlayerRecord } from '~/offline/stores/record'

/** Which stock shot of the board is being hit, and what is known of it. */
export function useSessionCell(sessionId: string, { newestFirst }: SessionBalls) {
  const record = usePlayerRecord()
  const numbers = useNumbers()
  const clubs = computed(() => clubsInUse(record.bag))
  /** Longest on top, as the chart is read. */
  const rungs = computed(() => [...rungsInUse(record.bag)].reverse())
  const usable = computed(() => gridCells(record.bag).filter(cell => !isStruckOut(record.bag, cell)))

  // Where the session was left, also after a reload.
  const keptCell = useLocalStorage<string>(`uzzet-cell-${sessionId}`, '')
  const cell = computed<StockShot | undefined>(
    () =>
      usable.value.find(other => cellKey(other) === keptCell.value) ??
      usable.value.find(other => newestFirst.value[0] && cellKey(other) === cellKey(newestFirst.value[0])) ??
      usable.value.find(other => other.rungId === rungs.value[0]?.id) ??
      usable.value[0],
  )

  function choose(next: StockShot): void {
    if (usable.value.some(other => cellKey(other) === cellKey(next))) keptCell.value = cellKey(next)
  }

  /** One step over the board, past cells that are struck out. */
  function step(right: number, down: number): void {
    if (!cell.value) return
    let c = clubs.value.findIndex(club => club.id === cell.value!.clubId)
    let r = rungs.value.findIndex(rung => rung.id === cell.value!.rungId)
    for (;;) {
      c += right
      r += down
      const club = clubs.value[c]
      const rung = rungs.value[r]
      if (!club || !rung) return
      const next = { clubId: club.id, rungId: rung.id }
      if (isStruckOut(record.bag, next)) continue
      choose(next)
      return
    }
  }

  /** What is known of the chosen stock shot. While the numbers are being worked out its balls are shown alone. */
  const chosen = computed<ChartCell | undefined>(() => {
    const at = cell.value
    if (!at) return undefined
    return (
      numbers.chart.value.find(other => cellKey(other) === cellKey(at)) ?? {
        ...pileOf(at, record.shotsByCell.get(cellKey(at)) ?? []),
        kind: 'unhit',
        plain: false,
        carryM: null,
        certainty80M: null,
        window80M: null,
        leansOn: null,
      }
    )
  })

  /** Balls hit with the chosen stock shot without another in between. */
  const inARow = computed(() => {
    const other = newestFirst.value.findIndex(ball => cellKey(ball) !== (cell.value && cellKey(cell.value)))
    return other < 0 ? newestFirst.value.length : other
  })
  return { clubs, rungs, cell, choose, step, chosen, inARow }
}

export type SessionCell = ReturnType<typeof useSessionCell>
