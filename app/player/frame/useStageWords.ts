import { clubsInUse, rungsInUse } from '#core/bag/bag'
import { sumCover } from '#core/gaps/stretches'
import { schoolById } from '#core/swing/schools'
import {
  bagStateText,
  chartStateText,
  gapsStateText,
  noBagTexts,
  pickStateText,
  practiceStateText,
  roundsStateText,
  sessionStateText,
} from '#words/stages'
import type { StageId } from '#shared/stages'
import { useGapsLine } from '~/player/useGapsLine'
import { useNumbers } from '~/calculation/useNumbers'
import { usePractice } from '~/offline/stores/practice'
import { useRounds } from '~/offline/stores/rounds'
import { usePlayerRecord } from '~/offline/stores/record'
import { serverNowMs } from '~/offline/server-clock'

/** Where each stage stands, in a few words. */
export const useStageWords = createSharedComposable(() => {
  const record = usePlayerRecord()
  const { known, chart, ladder, ready, openFlags, stillOpen, unproven, cover, retestDueMs } = useNumbers()
  const { lineM } = useGapsLine()
  const practice = usePractice()
  const rounds = useRounds()
  return computed<Record<StageId, string>>(() => {
    const { bag, shots, sessions, player } = record
    if (!player) return { bag: '', session: '', chart: '', gaps: '', pick: '', practice: '', rounds: '' }
    const clubs = clubsInUse(bag).length
    if (clubs === 0 || rungsInUse(bag).length === 0) return noBagTexts
    const running = sessions.filter(session => session.endedAtMs === null && !session.plan.gone).at(-1)
    const balls = running ? shots.filter(shot => shot.sessionId === running.id).length : null
    const hit = chart.value.filter(cell => cell.kind === 'measured').length
    const sum = cover.value && sumCover(cover.value.at, lineM.value)
    return {
      bag: bagStateText(clubs, schoolById(bag.scale.school).title),
      session: sessionStateText(balls, shots.length > 0),
      chart: chartStateText(known.value, hit, ready.value),
      pick: pickStateText(record.published?.publishedAtMs ?? null),
      rounds: roundsStateText(
        rounds.standing.length,
        rounds.waiting.length,
        retestDueMs.value !== null && retestDueMs.value <= serverNowMs(),
      ),
      practice: practiceStateText(practice.done.length, practice.standing.length),
      gaps: gapsStateText(
        known.value
          ? {
              numbers: ladder.value.length,
              flags: openFlags.value.length,
              open: stillOpen.value.length + unproven.value.length,
              covered: sum,
            }
          : null,
      ),
    }
  })
})
