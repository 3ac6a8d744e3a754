import { v5 } from 'uuid'
import { CARRY_MAX_M, CARRY_MIN_M } from '#core/limits'
import { yardsToMetres } from '#core/units'
import { approachesOf } from '#shared/rounds'
import type { ApproachRecord, RoundRecord } from '#shared/schemas/rounds'
import { newShot } from '#shared/session'
import { USUAL_PLAN } from '#shared/choices'
import { usePlayerRecord } from '~/offline/stores/record'

/** Where a ball finished is told by eye: good to so much, one standard deviation. Our choice. */
const BY_EYE_M = yardsToMetres(3)
/** Why it does not count after all. */
const STAYS = 'on the course'
/** Lies that change no strike. */
const CLEAN = new Set(['fairway', undefined])

/**
 * Course numbers stay apart from range numbers, until the coach lets the clean ones of a round count for the chart: to
 * where the ball lay, the run taken out, as surely as somebody told it.
 */
export function useCourseBalls() {
  const record = usePlayerRecord()
  const idOf = (round: RoundRecord) => v5('course', round.id)
  const canCount = (round: RoundRecord): (ApproachRecord & { clubId: string; rungId: string; offM: number })[] =>
    approachesOf(round).filter((one): one is ApproachRecord & { clubId: string; rungId: string; offM: number } => {
      const { clubId, rungId, offM, lie, chance, penalty, distanceM } = one
      if (!chance || offM === undefined || penalty || !CLEAN.has(lie)) return false
      const isIn =
        record.bag.clubs.some(({ id }) => id === clubId) && record.bag.scale.rungs.some(({ id }) => id === rungId)
      return isIn && distanceM + offM >= CARRY_MIN_M && distanceM + offM <= CARRY_MAX_M
    })
  function counting(round: RoundRecord) {
    const sessionId = idOf(round)
    return record.records.filter(shot => shot.sessionId === sessionId && !shot.deleted && shot.leftOut === null)
  }

  async function count(round: RoundRecord): Promise<void> {
    const sessionId = idOf(round)
    const can = canCount(round)
    if (!record.sessions.some(({ id }) => id === sessionId))
      await record.putSession({
        id: sessionId,
        startedAtMs: round.playedAtMs,
        endedAtMs: round.playedAtMs,
        method: 'watch',
        ball: 'own',
        surface: 'grass',
        air: [],
        plan: { ...USUAL_PLAN, name: round.name || 'On the course' },
        version: 1,
      })
    for (const { id, clubId, rungId, distanceM, offM, sideM, errorM = 0 } of can) {
      const known = record.records.find(shot => shot.id === id)
      if (known) {
        await record.changeShot(id, { leftOut: null, deleted: false, clubId, rungId, carryM: distanceM + offM })
        continue
      }
      const readings = sideM === undefined ? null : { sideM }
      const taken = { lies: 'medium' as const, errorM: Math.hypot(BY_EYE_M, errorM) }
      const hitAtMs = round.playedAtMs
      const ball = { id, sessionId, clubId, rungId, carryM: distanceM + offM, method: 'watch' as const, hitAtMs }
      await record.putShot(newShot({ ...ball, readings, taken }))
    }
  }
  /** They are the course's again: what the chart was given is left out. */
  async function takeBack(round: RoundRecord): Promise<void> {
    for (const { id } of counting(round)) await record.changeShot(id, { leftOut: STAYS })
  }
  return { canCount, counting, count, takeBack }
}
