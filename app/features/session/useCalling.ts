import { nextTarget } from '#core/session/called'
import { CARRY_LIMITS } from '#core/limits'
import type { Called } from '#core/shot/shot'
import { useDistance } from '~/ui/useDistance'
import { useRanges } from '~/player/ranges/useRanges'
import type { SessionBalls } from '~/player/useSessionBalls'
import { typedNumber } from '~/ui/numbers'

/** Where targets are called from. */
export type CallFrom = 'typed' | 'random' | 'range'

interface Kept {
  on: boolean
  from: CallFrom
  /** As typed, in the coach's unit: the target, and the ends that a random one lies between. */
  target: string
  least: string
  most: string
  /** In the coach's unit. */
  plus: number
}

/** Call and hit: a target is named, the ball is hit, both are kept. */
export function useCalling(sessionId: string, { session }: SessionBalls) {
  const { unit, from } = useDistance()
  const { rangeOf } = useRanges()
  const kept = useSessionStorage<Kept>(`uzzet-call-${sessionId}`, {
    on: false,
    from: 'typed',
    target: '',
    least: '40',
    most: '110',
    plus: 0,
  })
  const rangeTargets = computed(() => rangeOf(session.value?.plan.rangeId ?? null)?.targets ?? [])
  const last = ref<number | null>(null)

  const isPossible = (text: string) => {
    const { min, max } = CARRY_LIMITS[unit.value]
    const value = typedNumber(text)
    return value >= min && value <= max
  }
  const fault = computed(() => {
    if (!kept.value.on) return ''
    const { min, max } = CARRY_LIMITS[unit.value]
    const { target, least, most, from: how } = kept.value
    const wrong = (how === 'random' ? [least, most] : []).find(text => !isPossible(text))
    if (wrong !== undefined) return `"${wrong}" is not possible: ${min} to ${max} ${unit.value}.`
    if (how === 'random' && typedNumber(least) > typedNumber(most)) return 'The near end lies beyond the far one.'
    return target === '' || isPossible(target) ? '' : `"${target}" is not possible: ${min} to ${max} ${unit.value}.`
  })

  /** The next target, where one is drawn: never the same twice running. */
  function draw(): void {
    const { from: how, least, most } = kept.value
    if (how === 'typed' || fault.value) return
    const [a, b] = [Math.ceil(typedNumber(least)), Math.floor(typedNumber(most))]
    const targets =
      how === 'range'
        ? rangeTargets.value.map(({ distanceM }) => distanceM)
        : Array.from({ length: Math.max(0, b - a + 1) }, (_, i) => from(a + i))
    const next = nextTarget(targets, last.value, Math.random())
    if (next === null) return
    last.value = next
    kept.value.target = String(Math.round((next / from(1)) * 10) / 10)
  }

  const called = computed<Called | null>(() => {
    const { on, target, plus } = kept.value
    return on && isPossible(target) ? { targetM: from(typedNumber(target)), plusM: from(plus) } : null
  })
  watch(
    () => [kept.value.from, kept.value.on] as const,
    ([, on]) => {
      if (on) draw()
    },
  )

  /** The ball is hit: the next target is drawn, and the plus or minus begins anew. */
  function hit(): void {
    kept.value.plus = 0
    draw()
  }

  return { call: kept, called, fault, rangeTargets, draw, hit }
}
