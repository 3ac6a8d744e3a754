import { v7 as newId } from 'uuid'
import type { Method } from '#core/shot/shot'
import { newShot, WARM_UP } from '#shared/session'
import { USUAL_PLAN } from '#shared/choices'
import { ballsOfGo } from '#shared/practice'
import type { GoBall, GoRecord } from '#shared/schemas/practice'
import { drillById } from '#core/practice/drills'
import { drillTexts } from '#words/practice'
import { usePlayerRecord } from '~/offline/stores/record'

/**
 * Balls of a go that can count for the chart: stock shots that were asked for or named, of which it is known where they
 * pitched. They count only once the coach says so.
 */
export function useCountGo(go: Ref<GoRecord | undefined>, put: (go: GoRecord) => Promise<void>) {
  const record = usePlayerRecord()
  const can = computed((): GoBall[] => {
    const one = go.value
    if (!one || one.spec.toRest || drillById(one.spec.drill).meta.touch) return []
    return ballsOfGo(one).filter(
      ({ clubId, rungId, endM, apart }) =>
        endM !== undefined &&
        !apart &&
        record.bag.clubs.some(({ id }) => id === clubId) &&
        record.bag.scale.rungs.some(({ id }) => id === rungId),
    )
  })
  const shotOf = ({ id, shotId }: GoBall) => record.records.find(shot => shot.id === (shotId ?? id) && !shot.deleted)
  const counting = computed(() => can.value.filter(ball => shotOf(ball)?.leftOut === null))

  async function count(method: Method): Promise<void> {
    const one = go.value!
    const typed = can.value.filter(ball => !shotOf(ball))
    if (typed.length > 0) {
      const sessionId = newId()
      await record.putSession({
        id: sessionId,
        startedAtMs: one.startedAtMs,
        endedAtMs: one.endedAtMs ?? typed.at(-1)!.atMs,
        method,
        ball: 'own',
        surface: 'grass',
        air: [],
        plan: { ...USUAL_PLAN, name: one.name || drillTexts(one.spec.drill).title },
        version: 1,
      })
      for (const { id, clubId, rungId, endM, sideM, atMs } of typed) {
        const readings = sideM === undefined ? null : { sideM }
        const shot = { id, sessionId, clubId: clubId!, rungId: rungId!, carryM: endM!, method, hitAtMs: atMs, readings }
        await record.putShot(newShot(shot))
      }
      if (one.sessionId === null) await put({ ...one, sessionId, version: one.version + 1 })
    }
    for (const ball of can.value) {
      const shot = shotOf(ball)
      if (shot?.leftOut === WARM_UP) await record.changeShot(shot.id, { leftOut: null })
    }
  }
  /** They are practice again: what the chart was given is left out. */
  async function takeBack(): Promise<void> {
    for (const ball of counting.value) await record.changeShot(shotOf(ball)!.id, { leftOut: WARM_UP })
  }
  return { can, counting, count, takeBack }
}
