import { drillById } from '../core/practice/drills'
import type { PracticeLeave } from '../core/chart/practice-scatter'
import { possibleTime } from './clock'
import { mergedParts } from './merged'
import type { GoBall, GoRecord, HomeworkRecord, OwnDrill } from './schemas/practice'

/** Balls that count, in the order they were hit. */
export const ballsOfGo = ({ balls }: Pick<GoRecord, 'balls'>): GoBall[] =>
  balls.filter(({ gone }) => !gone).sort((a, b) => a.atMs - b.atMs || (a.id < b.id ? -1 : 1))

/**
 * Two states of one go put together, so that no device takes away another's ball: of each ball the later version, and
 * of the rest that of the later go.
 */
export function mergedGo(known: GoRecord, sent: GoRecord): GoRecord {
  const head = sent.version >= known.version ? sent : known
  const version = Math.max(known.version, sent.version)
  return { ...head, balls: mergedParts(known.balls, sent.balls), version }
}

/** A go with times that can be. */
export function goTimesRight(go: GoRecord, known: GoRecord | undefined, nowMs: number): GoRecord {
  const knownAt = new Map(known?.balls.map(ball => [ball.id, ball.atMs]))
  return {
    ...go,
    startedAtMs: possibleTime(go.startedAtMs, known?.startedAtMs, nowMs),
    endedAtMs: go.endedAtMs === null ? null : possibleTime(go.endedAtMs, known?.endedAtMs ?? undefined, nowMs),
    balls: go.balls.map(ball => ({ ...ball, atMs: possibleTime(ball.atMs, knownAt.get(ball.id), nowMs) })),
  }
}

/** Everything that was practised by a player, and what is set. */
export interface PracticeRecord {
  /** Newest first. */
  goes: GoRecord[]
  homework: HomeworkRecord[]
  drills: OwnDrill[]
}

/**
 * Balls of practice with a stock shot that was named, against their targets. Left out: flyers and other shots, what
 * was measured where it stopped, touch shots, and balls that count for the chart already.
 * @param counts ids of the shots that count for the chart
 */
export function practiceLeaves(goes: readonly GoRecord[], counts: ReadonlySet<string>): PracticeLeave[] {
  return goes
    .filter(({ gone, spec }) => !gone && !spec.toRest && !drillById(spec.drill).meta.touch)
    .flatMap(go =>
      ballsOfGo(go).flatMap(({ id, shotId, task, clubId, rungId, endM, sideM, apart }): PracticeLeave[] => {
        const targetM = go.spec.tasks[task]?.targetM
        if (targetM === undefined || endM === undefined || !clubId || !rungId || apart) return []
        if (counts.has(shotId ?? id)) return []
        return [{ clubId, rungId, targetM, offM: endM - targetM, ...(sideM !== undefined && { sideM }) }]
      }),
    )
}
