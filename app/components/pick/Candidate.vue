<script setup lang="ts">
import type { PickedShot } from '#core/pick/pick'
import {
  aimText,
  callText,
  callWorthText,
  howText,
  landsText,
  leavesText,
  missText,
  pickName,
  yoursText,
} from '#words/pick'
import { stockShotName } from '#words/stock-shot'
import { apexText } from '#words/readings'
import { useDistance } from '~/composables/useDistance'
import { useAccount } from '~/stores/account'
import PickLineStrip from '~/components/pick/LineStrip.vue'
import type { Trouble } from '#core/pick/around'

/** One way to play it: the shot, how much more or less of it, and where its balls end. */
const props = defineProps<{
  pick: PickedShot
  targetM: number
  trouble: readonly Trouble[]
  /** The first stands larger. */
  first?: boolean
  tie?: boolean
  nearerBadBall?: boolean
  /** What it is for, where another way makes the same number. */
  way?: string
  chosen?: boolean
}>()
defineEmits<{ choose: [] }>()
const { unit, text } = useDistance()
const aim = computed(() => aimText(props.pick.aimRightM, unit.value))
const how = computed(() => howText(props.pick, unit.value))
const account = useAccount()
/** Between the swing lengths, where they are called by a number. */
const call = computed(() => callText(props.pick, unit.value, account.speedUnit))
const worth = computed(() => callWorthText(props.pick, unit.value, account.speedUnit))
const miss = computed(() => missText(props.pick, unit.value))
const isPredicted = computed(() => props.pick.kind === 'predicted')
</script>

<template>
  <button
    type="button"
    class="block w-full cursor-pointer px-4 py-2.5 text-left hover:bg-elevated"
    :class="chosen && 'lg:border-l-4 lg:border-l-primary'"
    :aria-pressed="chosen"
    @click="$emit('choose')"
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
    <PickLineStrip :pick="pick" :trouble="trouble" :tall="first" class="my-1.5" :class="!first && 'lg:hidden'" />
    <span class="block" :class="!first && 'text-sm'">{{ leavesText(pick, trouble.length > 0, unit) }}</span>
    <span class="soft block text-sm"
      >{{ yoursText(pick, unit) }} Pitches at {{ text(pick.pitchM) }}, {{ apexText(pick.apexM, unit) }} high.
      {{ landsText(pick, unit) }} {{ way }} {{ worth }} {{ miss }} {{ pick.strokes.toFixed(2) }} strokes.<template
        v-if="nearerBadBall"
      >
        <b class="text-default">Its bad ball ends nearer.</b></template
      ><template v-if="isPredicted"> Predicted: no ball of its own yet.</template></span
    >
  </button>
</template>
