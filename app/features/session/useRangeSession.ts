import { useBallChanges } from '~/features/session/useBallChanges'
import { useProposal } from '~/features/session/useProposal'
import { useSessionBalls } from '~/player/useSessionBalls'
import { useSessionCell } from '~/features/session/useSessionCell'
import { useSessionLog } from '~/features/session/useSessionLog'
import { useSessionPlan } from '~/features/session/useSessionPlan'
import { useTakingBack } from '~/features/session/useTakingBack'
import { useNumbers } from '~/calculation/useNumbers'

export type { Done } from '~/features/session/useTakingBack'

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
