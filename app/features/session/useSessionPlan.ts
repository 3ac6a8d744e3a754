import { clockOnLine } from '#core/flight/air'
import { withAir } from '#core/flight/session-air'
import type { SessionPlan } from '#shared/schemas/session'
import type { SessionBalls } from '~/player/useSessionBalls'
import { useSessionEnd } from '~/features/session/useSessionEnd'
import type { Done, TakingBack } from '~/features/session/useTakingBack'
import { usePlayerRecord } from '~/offline/stores/record'
import type { AirReading } from '~/player/air/air-draft'
import { serverNowMs } from '~/offline/server-clock'

/** What is said of the session itself: its air, its target, its order of work, its end. */
export function useSessionPlan({ session }: SessionBalls, { did }: TakingBack) {
  const record = usePlayerRecord()
  const airNow = computed(() => session.value?.air.at(-1) ?? null)

  /** New air, from now on or in place of all that was taken before; none takes the correction back. */
  async function setAir(air: AirReading | null, from: 'now' | 'start'): Promise<void> {
    const { air: before, ...rest } = session.value!
    const anew = air === null ? [] : [{ ...air, fromMs: rest.startedAtMs }]
    const entries = air === null || from === 'start' ? anew : withAir(before, { ...air, fromMs: serverNowMs() })
    did('the change of the air', () =>
      record.putSession({ ...session.value!, air: before, version: session.value!.version + 1 }),
    )
    await record.putSession({ ...rest, air: entries, version: rest.version + 1 })
  }

  /** What is written about the session itself: its name, its order of work, its ground. One step to take back. */
  async function plan(change: Partial<SessionPlan>, words: string): Promise<Done> {
    const { plan: before } = session.value!
    const done = did(words, () =>
      record.putSession({
        ...session.value!,
        plan: { ...session.value!.plan, ...before },
        version: session.value!.version + 1,
      }),
    )
    await record.putSession({ ...session.value!, plan: { ...before, ...change }, version: session.value!.version + 1 })
    return done
  }

  /**
   * Another target, from now on. The wind stays where it is, so that by the clock of the new line it comes from
   * elsewhere.
   */
  async function aimAt(
    target: { id: string; rightDeg: number } | null,
    before: { rightDeg: number } | null,
  ): Promise<Done> {
    const now = session.value!
    const air = now.air.at(-1)
    const turnDeg = (target?.rightDeg ?? 0) - (before?.rightDeg ?? 0)
    const clock = air && (Math.round(10 * clockOnLine(air.wind.clock, turnDeg)) / 10 || 12)
    const turned =
      air && clock !== air.wind.clock && air.wind.speedMs > 0
        ? withAir(now.air, { ...air, fromMs: serverNowMs(), wind: { ...air.wind, clock: clock! } })
        : now.air
    const done = did('the change of the target', () =>
      record.putSession({
        ...session.value!,
        plan: { ...session.value!.plan, targetId: now.plan.targetId },
        air: now.air,
        version: session.value!.version + 1,
      }),
    )
    await record.putSession({
      ...now,
      plan: { ...now.plan, targetId: target?.id ?? null },
      air: turned,
      version: now.version + 1,
    })
    return done
  }

  return { airNow, setAir, plan, aimAt, ...useSessionEnd({ session }) }
}
