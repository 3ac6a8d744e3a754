import { v7 as newId } from 'uuid'
import { cellKey, type StockShot } from '#core/bag/bag'
import { remarksAt, type CellRemark, type Remarks, type RemarkKind } from '#core/history/coach-remarks'
import { useCellNames } from '~/calculation/useNumbers'
import { usePlayerRecord } from '~/offline/stores/record'
import { serverNowMs } from '~/offline/server-clock'

/** A carry in metres, both ends of one that is believed as a span, or none. */
export type CarryOrSpan = number | [number, number] | null

const carryOf = ({ carryM, carryToM }: CellRemark): CarryOrSpan =>
  carryM !== null && carryToM != null ? [carryM, carryToM] : carryM

/** What is said of the open player's stock shots beside what was measured, and saying it, with undo. */
export function useCellRemarks() {
  const record = usePlayerRecord()
  const { cellName } = useCellNames()
  const toast = useToast()
  const NOTHING: Remarks = {}
  const said = computed(() => remarksAt(record.words, Infinity))
  const remarksOf = (cell: StockShot): Remarks => said.value.get(cellKey(cell)) ?? NOTHING

  function put(cell: StockShot, kind: RemarkKind, carry: CarryOrSpan, why: string, holds = true): Promise<void> {
    const [carryM, carryToM] = Array.isArray(carry) ? carry : [carry]
    return record.putWord({
      id: newId(),
      clubId: cell.clubId,
      rungId: cell.rungId,
      kind,
      carryM,
      ...(carryToM !== undefined && { carryToM }),
      why,
      saidAtMs: serverNowMs(),
      holds,
    })
  }

  /**
   * Says it, and offers to take it back to what held before.
   * @param back takes back more than the saying alone
   */
  async function say(
    cell: StockShot,
    kind: RemarkKind,
    carry: CarryOrSpan,
    why: string,
    title: string,
    holds = true,
    back?: () => Promise<void>,
  ): Promise<void> {
    const before = remarksOf(cell)[kind]
    await put(cell, kind, carry, why, holds)
    const undo = () => (before ? put(cell, kind, carryOf(before), before.why) : put(cell, kind, null, '', false))
    toast.add({
      title: `${cellName(cell)}: ${title}`,
      actions: [{ label: 'Undo', color: 'neutral', variant: 'outline', onClick: () => void (back ?? undo)() }],
    })
  }

  return { said, remarksOf, put, say }
}
