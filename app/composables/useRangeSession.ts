import { useBallChanges } from '~/composables/session/useBallChanges'
import { useProposal } from '~/composables/session/useProposal'
import { useSessionBalls } from '~/composables/session/useSessionBalls'
import { useSessionCell } from '~/composables/session/useSessionCell'
import { useSessionLog } from '~/composables/session/useSessionLog'
import { useSessionPlan } from '~/composables/session/useSessionPlan'
import { useTakingBack } from '~/composables/session/useTakingBack'
import { useNumbers } from '~/composables/useNumbers'

export type { Done } from '~/composables/session/useTakingBack'

/** One range session: which stock shot is being hit, its balls, what to hit next, and what can be taken back. */
export function useRangeSession(sessionId: string) {
  const of = useSessionBalls(sessionId)
  const back = useTakingBack(of)
  const board = useSessionCell(sessionId, of)
  return {
    ...of,
    ...board,
    ...useSessionLog(sessionId, of, board, back),
    ...useBallChanges(sessionId, of, back),
    ...useSessionPlan(of, back),
    ...useProposal(of),
    undo: back.undo,
    canUndo: back.canUndo,
    ready: useNumbers().ready,
  }
}

export type RangeSession = ReturnType<typeof useRangeSession>
