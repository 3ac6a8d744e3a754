import { cellKey } from '#core/bag/bag'
import { useClinic } from '~/player/useClinic'
import { useDistance } from '~/ui/useDistance'
import { useLiveDevice } from '~/player/frame/useLiveDevice'
import { useLiveLine } from '~/player/frame/useLiveLine'
import { useCellNames } from '~/calculation/useNumbers'
import type { RangeSession } from '~/features/session/useRangeSession'
import { useVoice } from '~/features/session/useVoice'
import { useOutbox } from '~/offline/stores/outbox'
import { usePlayerRecord } from '~/offline/stores/record'

/** What comes from the device and from other screens while a session runs; balls of this one's device are said. */
export function useDeskLine(sessionId: string, range: RangeSession, said: Ref<string>) {
  const { session } = range
  const record = usePlayerRecord()
  const outbox = useOutbox()
  const clinic = useClinic()
  const { cellName } = useCellNames()
  const { typed: typedText, unit } = useDistance()
  const { say } = useVoice()
  const live = useLiveDevice(sessionId, range)
  /** Made on this screen and not sent yet: the server has no line for it. */
  const unknown = computed(() =>
    outbox.mine.some(
      ({ entry }) => entry.kind === 'session' && entry.record.id === sessionId && entry.record.version === 1,
    ),
  )
  const line = useLiveLine(
    () =>
      session.value?.endedAtMs === null && !unknown.value
        ? `/api/players/${record.playerId}/sessions/${sessionId}/live`
        : undefined,
    message => {
      const own = live.heard(message)
      const fresh = range.hear(message, own)
      const shot = own ? fresh.at(-1) : undefined
      if (!shot) return
      clinic.hitBy(record.playerId!)
      said.value = `${typedText(shot.carryM)} ${unit.value}, ${cellName(shot)}, from the device`
      // What comes after this ball, when the block is done.
      const next = range.proposal.value
      const done = range.leftOfBlock(shot, range.inARow.value) === 0
      const onward = next && cellKey(next) !== cellKey(shot) && done ? `. Next: ${cellName(next)}` : ''
      say(`${typedText(shot.carryM)}${onward}`)
    },
    () => void record.open(record.playerId!),
  )
  return { live, line }
}
