<script setup lang="ts">
import type { Trouble } from '#core/pick/around'
import type { PickedShot } from '#core/pick/picked'
import { callWorthText, landsText, leavesText, missText, yoursText } from '#words/pick'
import { apexText } from '#words/readings'
import { useDistance } from '~/ui/useDistance'
import { useAccount } from '~/offline/stores/account'
import PickLineStrip from '~/features/pick/LineStrip.vue'

/** Where a shot's balls end and what they cost. */
const props = defineProps<{
  pick: PickedShot
  trouble: readonly Trouble[]
  first?: boolean
  nearerBadBall?: boolean
  way?: string
}>()
const { unit, text } = useDistance()
const account = useAccount()
const leaves = computed(() => leavesText(props.pick, props.trouble.length > 0, unit.value))
const said = computed(() => {
  const { pick } = props
  const lands = `Pitches at ${text(pick.pitchM)}, ${apexText(pick.apexM, unit.value)} high.`
  const worth = callWorthText(pick, unit.value, account.speedUnit)
  const miss = missText(pick, unit.value)
  const strokes = `${pick.strokes.toFixed(2)} strokes.`
  return [yoursText(pick, unit.value), lands, landsText(pick, unit.value), props.way, worth, miss, strokes]
    .filter(Boolean)
    .join(' ')
})
</script>

<template>
  <span class="block">
    <PickLineStrip :pick="pick" :trouble="trouble" :tall="first" class="my-1.5" :class="!first && 'lg:hidden'" />
    <span class="block" :class="!first && 'text-sm'">{{ leaves }}</span>
    <span class="soft block text-sm"
      >{{ said }}<template v-if="nearerBadBall"> <b class="text-default">Its bad ball ends nearer.</b></template
      ><template v-if="pick.kind === 'predicted'"> Predicted: no ball of its own yet.</template></span
    >
  </span>
</template>
