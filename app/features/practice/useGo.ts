import { v7 as newId } from 'uuid'
import { judge } from '#core/practice/judge'
import { scoreOf } from '#core/practice/score'
import type { Memo } from '#core/memo'
import { ballsOfGo } from '#shared/practice'
import { GO_BALLS_MAX } from '#shared/limits'
import type { GoBall, GoRecord } from '#shared/schemas/practice'
import type { SeenBall } from '~/player/seen-ball'
import { serverNowMs } from '~/offline/server-clock'

/**
 * One go at a drill: what is asked, what came of it, and what can be taken back.
 * @param put keeps a state of the go, and sends it when it can
 */
export function useGo(go: Ref<GoRecord>, put: (go: GoRecord) => unknown, memo: Memo) {
  const balls = computed(() => ballsOfGo(go.value))
  const score = computed(() => scoreOf(go.value.spec, balls.value, memo))
  const spec = computed(() => go.value.spec)
  /** Place of what is asked now; null when the go is over. */
  const full = computed(() => go.value.balls.length >= GO_BALLS_MAX)
  const place = computed(() => (go.value.endedAtMs === null && !full.value ? score.value.next : null))
  const task = computed(() => (place.value === null ? null : (spec.value.tasks[place.value] ?? null)))
  const last = computed(() => {
    const ball = balls.value.at(-1)
    return ball ? judge(spec.value, ball, memo) : null
  })

  const keep = (change: Partial<GoRecord>) => put({ ...go.value, ...change, version: go.value.version + 1 })

  /** Several balls in their order, kept at once. @returns how many the go took before it was over */
  function logAll(seen: readonly SeenBall[]): number {
    let balls = go.value.balls
    let task = place.value
    let taken = 0
    for (const one of seen) {
      if (task === null || balls.length >= GO_BALLS_MAX) break
      // Their own order is what tells them apart where they are typed at once.
      const ball: GoBall = { id: newId(), task, atMs: serverNowMs() + taken, ...one, version: 1 }
      balls = [...balls, ball]
      task = scoreOf(spec.value, ballsOfGo({ balls }), memo).next
      taken++
    }
    if (taken > 0) keep({ balls, ...(task === null && { endedAtMs: serverNowMs() }) })
    return taken
  }
  const log = (seen: SeenBall) => logAll([seen])
  function change(id: string, by: Partial<GoBall>): void {
    keep({
      balls: go.value.balls.map(ball => (ball.id === id ? { ...ball, ...by, version: ball.version + 1 } : ball)),
    })
  }
  /** The last ball is taken back; a go that had ended with it goes on. */
  function undo(): void {
    const ball = balls.value.at(-1)
    if (!ball) return
    keep({
      balls: go.value.balls.map(one => (one.id === ball.id ? { ...one, gone: true, version: one.version + 1 } : one)),
      endedAtMs: null,
    })
  }
  return {
    balls,
    score,
    spec,
    place,
    task,
    last,
    full,
    log,
    logAll,
    change,
    undo,
    rename: (name: string) => keep({ name }),
    goOn: () => keep({ endedAtMs: null }),
    remove: () => keep({ gone: true }),
  }
}
export type GoDesk = ReturnType<typeof useGo>
