<script setup lang="ts">
import { sumCover, type Cover } from '#core/gaps/stretches'
import { leaveText, scatterText } from '#words/cover'
import { inHundred } from '#words/flags'
import { unprovenText } from '#words/unproven'
import { useDistance } from '~/ui/useDistance'
import { useCellNames, useNumbers } from '~/calculation/useNumbers'

/** The cover in a few sentences, and what it counts. */
const props = defineProps<{ cover: Cover; lineM: number }>()
const { withUnit, unit, unitWord } = useDistance()
const { cellName } = useCellNames()
const { unproven } = useNumbers()
const sum = computed(() => sumCover(props.cover.at, props.lineM))
const worst = computed(() => {
  if (!sum.value) return null
  const { atM, best, leaveM } = sum.value.worst
  const shot = props.cover.shots[best]!
  return {
    at: withUnit(atM),
    shot: `${cellName(shot)}${shot.grippedDown ? ' gripped down an inch' : ''}`,
    leave: leaveText(leaveM, props.lineM, unit.value),
    bad: withUnit(sum.value.worst.badM),
  }
})
const open = computed(() => unprovenText(unproven.value, unit.value, cellName))
</script>

<template>
  <div v-if="sum && worst" class="space-y-0.5">
    <p class="text-lg">
      <strong>{{ sum.within }} of {{ sum.targets }} {{ unitWord }}</strong> are covered within {{ withUnit(lineM) }}.
      {{ scatterText(sum) }}
    </p>
    <p>
      The worst is {{ worst.at }}: the best there, {{ worst.shot }}, leaves {{ worst.leave }} on average, one ball in
      ten more than {{ worst.bad }}.
    </p>
    <p>
      Over all of them the best shot leaves {{ withUnit(sum.meanM) }} on average where it pitches; mishits count,
      {{ inHundred(cover.mishitShare) }}.
    </p>
    <p v-if="open"><span class="unproven mr-1 inline-block h-3 w-5 align-baseline" aria-hidden="true" />{{ open }}</p>
  </div>
</template>
