import { clubsInUse, rungsInUse } from '#core/bag/bag'
import { chartProgress } from '#core/chart/chart-cell'
import { schoolById } from '#core/swing/schools'
import { bagStateText, chartStateText, gapsStateText, noBagTexts, sessionStateText } from '#words/stages'
import type { StageId } from '~/utils/stages'
import { useNumbers } from '~/composables/useNumbers'
import { usePlayerRecord } from '~/stores/record'

/** Where each stage stands, in a few words. */
export const useStageWords = createSharedComposable(() => {
  const record = usePlayerRecord()
  const { known, chart, ready, openFlags } = useNumbers()
  return computed<Record<StageId, string>>(() => {
    const { bag, shots, sessions, player } = record
    if (!player) return { bag: '', session: '', chart: '', gaps: '' }
    const clubs = clubsInUse(bag).length
    if (clubs === 0 || rungsInUse(bag).length === 0) return noBagTexts
    const running = sessions.filter(session => session.endedAtMs === null && !session.plan.gone).at(-1)
    const balls = running ? shots.filter(shot => shot.sessionId === running.id).length : null
    const hit = chartProgress(chart.value).hit
    return {
      bag: bagStateText(clubs, schoolById(bag.scale.school).title),
      session: sessionStateText(balls, shots.length > 0),
      chart: chartStateText(known.value, hit, ready.value),
      gaps: gapsStateText(known.value, hit, openFlags.value.length),
    }
  })
})
