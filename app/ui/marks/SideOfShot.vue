<script setup lang="ts">
import type { SidePath } from '#core/corrections/side-path'
import { apexText } from '#words/readings'
import { useDistance } from '~/ui/useDistance'
import MarksSideView from '~/ui/marks/SideView.vue'

/** A stock shot's flight from the side, by the launch that was read. */
defineProps<{ side: SidePath; name: string }>()
const { unit, withUnit } = useDistance()
</script>

<template>
  <figure class="border-t border-default pt-2 pb-1">
    <MarksSideView
      :path="side.path"
      :pitch-m="side.carryM"
      :target-m="side.carryM"
      :over="[]"
      :under="[]"
      :name="name"
    />
    <figcaption class="soft text-sm">
      From the side, in neutral air: {{ apexText(side.apexM, unit) }} high, pitches at {{ withUnit(side.carryM) }}. The
      middle launch of {{ side.balls }} {{ side.balls === 1 ? 'ball' : 'balls' }}.
    </figcaption>
  </figure>
</template>
