import { clubsInUse, rungsInUse } from '#core/bag/bag'
import { chartProgress } from '#core/chart/chart-cell'
import { schoolById } from '#core/swing/schools'
import type { StageId } from '~/utils/stages'

/** Where each stage stands, in a few words. */
export const useStageWords = createSharedComposable(() => {
  const record = usePlayerRecord()
  const { known, chart, ready, openFlags } = useNumbers()
  return computed<Record<StageId, string>>(() => {
    const { bag, shots, sessions, player } = record
    if (!player) return { bag: '', session: '', chart: '', gaps: '' }
    const clubs = clubsInUse(bag).length
    if (clubs === 0 || rungsInUse(bag).length === 0) return { bag: 'start here', session: 'needs a bag', chart: 'no balls yet', gaps: 'no numbers yet' }
    const running = sessions.filter(session => session.endedAtMs === null && !session.plan.gone).at(-1)
    const balls = running ? shots.filter(shot => shot.sessionId === running.id).length : 0
    const hit = chartProgress(chart.value).hit
    const flags = openFlags.value.length
    return {
      bag: `${clubs} ${clubs === 1 ? 'club' : 'clubs'}, ${schoolById(bag.scale.school).title.toLowerCase()}`,
      session: running ? `ball ${balls}` : shots.length === 0 ? 'start measuring' : 'none running',
      chart: !known.value ? '…' : hit === 0 ? 'no balls yet' : ready.value!.goodEnough ? 'good enough' : `${ready.value!.cellsWithin} of ${ready.value!.cellsInUse} known`,
      gaps: !known.value ? '…' : hit === 0 ? 'no numbers yet' : flags === 0 ? 'nothing to do' : `${flags} ${flags === 1 ? 'flag' : 'flags'}`,
    }
  })
})
