import { v7 as newId } from 'uuid'
import { landingHeightM } from '#core/shot/landing-height'
import { measuresToRest } from '#core/shot/measuring'
import type { Method } from '#core/shot/shot'
import type { TypedBall } from '#core/shot/typed-ball'
import type { LiveMessage } from '#shared/device'
import { WARM_UP } from '#shared/session'
import type { ShotRecord, TakenRecord } from '#shared/schemas/session'
import type { SessionBalls } from '~/player/useSessionBalls'
import type { SessionCell } from '~/features/session/useSessionCell'
import type { TakingBack } from '~/features/session/useTakingBack'
import { useCellNames } from '~/calculation/useNumbers'
import { useRanges } from '~/player/ranges/useRanges'
import { usePlayerRecord } from '~/offline/stores/record'
import { clockNote, serverNowMs } from '~/offline/server-clock'

/** What is said of a ball, whatever way it was measured. */
const SAID = [
  'askedRungId',
  'clockMs',
  'called',
  'face',
  'marks',
  'feltPercent',
] as const satisfies readonly (keyof TakenRecord)[]

/** Balls that come in: typed here, or brought by a device. */
export function useSessionLog(
  sessionId: string,
  { session }: SessionBalls,
  { cell }: SessionCell,
  { did }: TakingBack,
) {
  const record = usePlayerRecord()
  const { cellName } = useCellNames()
  const { targetOf } = useRanges()

  /** What is read to where a ball lies: legs, a laser on it, a watch beside it. */
  const liesOf = (method: Method, totalM?: number): Pick<TakenRecord, 'lies'> => {
    const { measuredTo, firmness } = session.value!.plan
    if (measuresToRest(method)) return measuredTo === 'rest' ? { lies: firmness } : {}
    // Who reads totals first types them first; a carry with its total beside it is a carry.
    const { totalOn } = record.player!.thresholds
    return totalOn && totalM === undefined ? { lies: totalOn } : {}
  }
  /** Nothing but what was said of a ball stands there: it was measured as the session measures. */
  const onlySaid = (taken: TakenRecord | null | undefined) =>
    !taken || Object.keys(taken).every(key => (SAID as readonly string[]).includes(key))
  /** On ground that rises or falls to the target. */
  const heightOf = (carryM: number): Pick<TakenRecord, 'heightM'> => {
    const target = targetOf(session.value!.plan.rangeId, session.value!.plan.targetId)
    const heightM = target ? landingHeightM(target, carryM) : 0
    return heightM === 0 ? {} : { heightM }
  }
  const orNull = <T extends object>(value: T) => (Object.keys(value).length === 0 ? null : value)

  /** One ball, or a pile, of the chosen stock shot; what is not said is as the session has it. */
  async function log(
    { carryM, feltPercent, ...readings }: TypedBall,
    more: Partial<ShotRecord> = {},
  ): Promise<ShotRecord> {
    const method = more.method ?? session.value!.method
    const shot: ShotRecord = {
      id: newId(),
      sessionId,
      clubId: cell.value!.clubId,
      rungId: cell.value!.rungId,
      carryM,
      method,
      balls: 1,
      hitAtMs: serverNowMs(),
      leftOut: null,
      strike: null,
      deleted: false,
      version: 1,
      ...more,
      ...(session.value!.plan.warmUp && { leftOut: WARM_UP }),
      readings: orNull(readings),
      taken: orNull({
        ...(onlySaid(more.taken) ? { ...liesOf(method, readings.totalM), ...more.taken } : more.taken),
        ...(feltPercent !== undefined && { feltPercent }),
        ...heightOf(carryM),
        ...clockNote(),
      }),
    }
    did(`the ball with ${cellName(shot)}`, () => record.changeShot(shot.id, { deleted: true }))
    await record.putShot(shot)
    return shot
  }

  /**
   * What the live line brought. @param own true for balls that can be taken back here. @returns balls that were not
   * here yet
   */
  function hear({ shots, session: theirs }: LiveMessage, own: boolean): ShotRecord[] {
    const known = new Set(record.records.filter(ball => ball.sessionId === sessionId).map(ball => ball.id))
    const fresh = shots.filter(shot => !known.has(shot.id) && !shot.deleted)
    record.takeShots(shots)
    if (theirs) record.takeSession(theirs)
    if (own)
      for (const shot of fresh)
        did(`the ball with ${cellName(shot)}`, () => record.changeShot(shot.id, { deleted: true }))
    return fresh
  }

  return { log, hear }
}
