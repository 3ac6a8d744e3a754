import { cellKey } from '#core/bag/bag'
import type { Trouble } from '#core/pick/around'
import type { Picked, PickedShot } from '#core/pick/picked'
import type { PickDesk } from '~/features/pick/usePick'
import { useDistance } from '~/ui/useDistance'

/** What stands beside the named shot: everything that may come a frame after it. */
interface Drawn {
  picked: Picked | null
  picks: PickedShot[]
  chosen?: PickedShot
  targetM: number | null
  at: number | null
  /** Where to land it; null where no stock shot serves. */
  landM: number | null
  /** What the costs were worked out with. */
  trouble: readonly Trouble[]
}

/**
 * The answer in two steps: the named shot within the frame of the last digit, all that is drawn beside it in the next
 * one. While the same distance is worked out anew its last answer stays; another distance never shows it.
 */
export function usePicked({ picked: found, at, setting }: PickDesk) {
  const { from } = useDistance()
  const last = shallowRef<{ at: number; picked: Picked; trouble: readonly Trouble[] }>()
  watch([found, at], () => {
    if (found.value && at.value !== null)
      last.value = { at: at.value, picked: found.value, trouble: setting.value.trouble }
  })
  const picked = computed(() => found.value ?? (last.value?.at === at.value ? (last.value?.picked ?? null) : null))
  const isOld = computed(() => found.value === null)
  const picks = computed(() => picked.value?.picks ?? [])
  const first = computed(() => picks.value[0])
  const chosenKey = ref('')
  const chosen = computed(() => picks.value.find(one => cellKey(one) === chosenKey.value) ?? first.value)
  watch(at, () => {
    chosenKey.value = ''
  })
  function now(): Drawn {
    const [shown, one, ofIt] = [picked.value, first.value, chosen.value]
    const targetM = at.value === null ? null : from(at.value)
    const landM = one && targetM !== null && !shown!.unserved ? targetM - one.runM : null
    return {
      picked: shown,
      picks: picks.value,
      chosen: ofIt,
      targetM,
      at: at.value,
      landM,
      trouble: last.value?.trouble ?? [],
    }
  }
  const drawn = shallowRef<Drawn>(now())
  watch([picks, chosen, at], () =>
    requestAnimationFrame(() => {
      drawn.value = now()
    }),
  )
  const choose = (shot: PickedShot) => {
    chosenKey.value = cellKey(shot)
  }
  return { picked, isOld, first, drawn, choose }
}
export type PickAnswer = ReturnType<typeof usePicked>
