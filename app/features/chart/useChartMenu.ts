import { cellKey, clubsInUse, isStruckOut, rungsInUse, type StockShot } from '#core/bag/bag'
import type { CarryChart } from '#core/chart/chart-cell'
import type { Firmness } from '#core/flight/run-out'
import { FIRMNESSES } from '#shared/choices'
import { rungName } from '#core/swing/scale'
import { useCellRemarks } from '~/player/useCellRemarks'
import { useDistance } from '~/ui/useDistance'
import { useAccount } from '~/offline/stores/account'
import { usePlayerRecord } from '~/offline/stores/record'
import { serverNowMs } from '~/offline/server-clock'

const DAY_MS = 86_400_000

/** What is seldom done with a chart, behind its three dots. */
export function useChartMenu({
  shown,
  totalOn,
  goTo,
  showTotal,
}: {
  shown: Ref<CarryChart>
  totalOn: Ref<Firmness | undefined>
  goTo: (day: string) => unknown
  showTotal: (firmness: Firmness | undefined) => unknown
}) {
  const record = usePlayerRecord()
  const account = useAccount()
  const toast = useToast()
  const { text, unit } = useDistance()
  const { remarksOf } = useCellRemarks()
  const { copy } = useClipboard({ legacy: true })

  /** The grid as tab-separated figures, as a spreadsheet takes it. */
  async function copyTable() {
    const used = clubsInUse(record.bag)
    const byKey = new Map(shown.value.map(cell => [cellKey(cell), cell]))
    const figure = (cell: StockShot) => {
      const written = remarksOf(cell).written?.carryM
      const carryM = written ?? byKey.get(cellKey(cell))?.carryM
      return carryM == null || isStruckOut(record.bag, cell) ? '' : text(carryM)
    }
    const rows = [...rungsInUse(record.bag)]
      .reverse()
      .map(rung => [rungName(rung), ...used.map(club => figure({ clubId: club.id, rungId: rung.id }))])
    await copy(
      [[`Carry, ${unit.value}`, ...used.map(club => club.label)], ...rows].map(row => row.join('\t')).join('\n'),
    )
    toast.add({ title: 'Copied: paste it into a spreadsheet', icon: 'i-lucide-clipboard-check' })
  }

  return computed(() => [
    {
      label: 'One decimal',
      type: 'checkbox' as const,
      checked: account.decimals === 1,
      onUpdateChecked: (on: boolean) => {
        account.decimals = on ? 1 : 0
      },
    },
    {
      label: 'As of a past day',
      icon: 'i-lucide-history',
      onSelect: () => void goTo(new Date(serverNowMs() - 30 * DAY_MS).toISOString().slice(0, 10)),
    },
    { label: 'By club speed', icon: 'i-lucide-gauge', to: `/players/${record.playerId}/chart/speed` },
    ...FIRMNESSES.map(ground => ({
      label: `Total on ${ground} ground`,
      type: 'checkbox' as const,
      checked: totalOn.value === ground,
      onUpdateChecked: (on: boolean) => void showTotal(on ? ground : undefined),
    })),
    { label: 'Copy for a spreadsheet', icon: 'i-lucide-clipboard-copy', onSelect: () => void copyTable() },
    {
      label: 'Shots as CSV',
      icon: 'i-lucide-download',
      to: `/api/players/${record.playerId}/shots.csv`,
      external: true,
    },
    {
      label: 'Everything as a zip',
      icon: 'i-lucide-archive',
      to: `/api/players/${record.playerId}/all.zip`,
      external: true,
    },
    {
      label: 'Chart file',
      icon: 'i-lucide-download',
      to: `/api/players/${record.playerId}/chart.json`,
      external: true,
    },
  ])
}
