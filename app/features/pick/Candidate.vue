<script setup lang="ts">
import type { PickedShot } from '#core/pick/picked'
import { aimText, callText, howText, pickName } from '#words/pick'
import { stockShotName } from '#words/stock-shot'
import { useDistance } from '~/ui/useDistance'
import { useAccount } from '~/offline/stores/account'
import PickCandidateDetails from '~/features/pick/CandidateDetails.vue'
import type { Trouble } from '#core/pick/around'

/** One way to play it: the shot, how much more or less of it, and where its balls end. */
const props = defineProps<{
  pick: PickedShot
  /** The shot whose balls are told of: a frame behind `pick`. */
  told: PickedShot
  trouble: readonly Trouble[]
  /** The first stands larger. */
  first?: boolean
  tie?: boolean
  nearerBadBall?: boolean
  /** What it is for, where another way makes the same number. */
  way?: string
  chosen?: boolean
}>()
defineEmits<{ choose: [pick: PickedShot] }>()
const { unit } = useDistance()
const aim = computed(() => aimText(props.pick.aimRightM, unit.value))
const how = computed(() => howText(props.pick, unit.value))
const account = useAccount()
/** Between the swing lengths, where they are called by a number. */
const call = computed(() => callText(props.pick, unit.value, account.speedUnit))
const isPredicted = computed(() => props.pick.kind === 'predicted')
</script>

<template>
  <button
    type="button"
    class="block w-full cursor-pointer px-4 py-2.5 text-left hover:bg-elevated"
    :class="chosen && 'lg:border-l-4 lg:border-l-primary'"
    :aria-pressed="chosen"
    @click="$emit('choose', pick)"
  >
    <span class="flex flex-wrap items-baseline gap-x-3">
      <span
        class="leading-none font-extrabold"
        :class="[first ? 'text-[2.75rem] max-md:w-full lg:text-[2.25rem]' : 'text-xl', isPredicted && 'italic']"
        >{{ call ? stockShotName(pick.club, call) : pickName(pick) }}</span
      >
      <span class="font-bold text-primary" :class="first ? 'text-[1.75rem] leading-tight lg:text-2xl' : 'text-lg'">{{
        call ? '' : how
      }}</span>
      <span v-if="aim" class="soft" :class="first && 'text-xl'">{{ aim }}</span>
      <span v-if="tie" class="soft ml-auto text-sm">as good</span>
    </span>
    <span v-if="first && pick.cue" class="block text-lg">{{ pick.cue }}</span>
    <PickCandidateDetails :pick="told" :trouble="trouble" :first="first" :nearer-bad-ball="nearerBadBall" :way="way" />
  </button>
</template>
