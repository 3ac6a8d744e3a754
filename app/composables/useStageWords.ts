import { clubsInUse, rungsInUse } from '#core/bag/bag'
import { chartProgress } from '#core/chart/carry-numbers'
import { schoolById } from '#core/swing/schools'
import type { StageId } from '~/utils/stages'

/** Where each stage stands, in a few words. */
export function useStageWords() {
  const record = usePlayerRecord()
  const { numbers, findings } = useNumbers()
  return computed<Record<StageId, string>>(() => {
    const { bag, shots, sessions, player } = record
    if (!player) return { bag: '', session: '', chart: '', gaps: '' }
    const clubs = clubsInUse(bag).length
    if (clubs === 0 || rungsInUse(bag).length === 0) return { bag: 'start here', session: 'needs a bag', chart: 'no balls yet', gaps: 'no numbers yet' }
    const running = sessions.filter(session => session.endedAtMs === null).at(-1)
    const balls = running ? shots.filter(shot => shot.sessionId === running.id).length : 0
    const { known, inUse } = chartProgress(numbers.value)
    const flags = findings.value.length
    return {
      bag: `${clubs} ${clubs === 1 ? 'club' : 'clubs'}, ${schoolById(bag.scale.school).title.toLowerCase()}`,
      session: running ? `ball ${balls}` : shots.length === 0 ? 'start measuring' : 'none running',
      chart: `${known} of ${inUse} known`,
      gaps: known < 2 ? 'needs two numbers' : flags === 0 ? 'no flags' : `${flags} ${flags === 1 ? 'flag' : 'flags'}`,
    }
  })
}
