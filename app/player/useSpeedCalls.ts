import { cellKey } from '#core/bag/bag'
import { CARRY_POWER_OF_SPEED, rungSpeedMs } from '#core/swing/called-speed'
import { speedMissText } from '#words/speed-call'
import type { ShotRecord } from '#shared/schemas/session'
import { useDistance } from '~/ui/useDistance'
import { useNumbers } from '~/calculation/useNumbers'
import { useAccount } from '~/offline/stores/account'
import { usePlayerRecord } from '~/offline/stores/record'

/** Called club speeds: how far a ball was off its call, and what that cost. */
export function useSpeedCalls() {
  const record = usePlayerRecord()
  const account = useAccount()
  const { unit } = useDistance()
  const { speedCalls } = useNumbers()
  const calls = computed(() => new Map(speedCalls.value.map(call => [cellKey(call), call])))

  /** '' where no speed was called or none was read. */
  function missText(shot: ShotRecord): string {
    const speedMs = shot.readings?.clubSpeedMs
    const rung = record.bag.scale.rungs.find(one => one.id === shot.rungId)
    const calledMs = rung && rungSpeedMs(rung, record.bag.scale.school)
    if (speedMs === undefined || calledMs === undefined) return ''
    const power = calls.value.get(cellKey(shot))?.power ?? CARRY_POWER_OF_SPEED
    return speedMissText({ carryM: shot.carryM, speedMs }, { calledMs, power }, unit.value, account.speedUnit)
  }
  return { missText }
}
