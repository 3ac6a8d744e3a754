import type { PracticeNames } from '#words/practice'
import { useDistance } from '~/ui/useDistance'
import { useCellNames } from '~/calculation/useNumbers'
import { useAccount } from '~/offline/stores/account'

/** How the coach reads a practice: unit, speeds, and what stock shots are called for the open player. */
export function usePracticeNames() {
  const { unit } = useDistance()
  const account = useAccount()
  const { cellName, clubLabel } = useCellNames()
  return computed((): PracticeNames => ({
    unit: unit.value,
    speedUnit: account.speedUnit,
    shot: cellName,
    club: clubId => clubLabel({ clubId, rungId: '' }),
  }))
}
