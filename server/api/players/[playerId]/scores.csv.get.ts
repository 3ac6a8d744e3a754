import { writeScoreTable } from '../../../../core/files/score-table'
import { newMemo } from '../../../../core/memo'
import { rungName } from '../../../../core/swing/scale'
import { scoreOf } from '../../../../core/practice/score'
import { ballsOfGo } from '../../../../shared/practice'
import { bagOf } from '../../../data/bags'
import { findPlayer } from '../../../data/players'
import { practiceOf } from '../../../data/practice'
import { requireCoach } from '../../../request/coach'
import { fileName, sendAsFile } from '../../../request/files'
import { idFromRoute } from '../../../request/refuse'

/** Every ball of practice with the score of its go. */
export default defineEventHandler(async event => {
  const coach = await requireCoach(event)
  const playerId = idFromRoute(event, 'playerId', 'player')
  const { player, school } = await findPlayer(coach, playerId)
  const [{ goes }, bag] = await Promise.all([practiceOf(coach, playerId), bagOf(playerId, school)])
  const clubs = new Map(bag.clubs.map(({ id, label }) => [id, label]))
  const swings = new Map(bag.scale.rungs.map(rung => [rung.id, rungName(rung)]))
  const memo = newMemo()
  sendAsFile(event, `${fileName(player.name)}-scores.csv`, 'text/csv; charset=utf-8')
  return writeScoreTable(
    goes
      .filter(({ gone }) => !gone)
      .map(go => ({
        go: go.id,
        drill: go.spec.drill,
        name: go.name,
        startedAtMs: go.startedAtMs,
        score: scoreOf(go.spec, ballsOfGo(go), memo),
        club: id => clubs.get(id) ?? '',
        swing: id => swings.get(id) ?? '',
      })),
  )
})
