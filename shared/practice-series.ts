import { groupBy } from '../core/group-by'
import type { Memo } from '../core/memo'
import { historyOf, seriesKey, type DrillHistory } from '../core/practice/history'
import { SCORE_DIRECTION, scoreOf, type DrillScore } from '../core/practice/score'
import { ballsOfGo } from './practice'
import type { GoRecord } from './schemas/practice'

/** Goes that can be held against one another, oldest first, with their scores and how they went. */
export interface GoSeries {
  key: string
  goes: { go: GoRecord; score: DrillScore & { value: number } }[]
  history: DrillHistory
}

/** Ended goes with a score, by what can be held against one another; the series with the newest go first. */
export function goSeries(goes: readonly GoRecord[], nameOf: (go: GoRecord) => string, memo: Memo): GoSeries[] {
  const ended = goes
    .filter(go => !go.gone && go.endedAtMs !== null && ballsOfGo(go).length > 0)
    .sort((a, b) => b.startedAtMs - a.startedAtMs || (a.id < b.id ? 1 : -1))
    .flatMap(go => {
      const score = scoreOf(go.spec, ballsOfGo(go), memo)
      return score.value === null ? [] : [{ go, score: { ...score, value: score.value } }]
    })
  return [...groupBy(ended, ({ go }) => `${nameOf(go)} ${seriesKey(go.spec)}`)].map(([key, list]) => {
    const oldest = [...list].reverse()
    const values = oldest.map(({ score }) => ({ value: score.value, values: score.values }))
    return { key, goes: oldest, history: historyOf(values, SCORE_DIRECTION[list[0]!.go.spec.score]) }
  })
}
