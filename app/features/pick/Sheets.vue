<script setup lang="ts">
import type { PickDesk, PickSheet } from '~/features/pick/usePick'
import PickAround from '~/features/pick/Around.vue'
import PickLayUp from '~/features/pick/LayUp.vue'
import PickToday from '~/features/pick/Today.vue'

/** The hole and the day: one sheet open at a time. */
const sheet = defineModel<PickSheet | undefined>({ required: true })
const props = defineProps<{
  desk: PickDesk
  /** What stands here while no sheet is open. */
  otherwise: string
}>()
const { setting, home, opened } = props.desk
const box = useTemplateRef('box')
// Opened, it comes into view: on a phone it lies below the answer.
watch(
  sheet,
  open => {
    if (open) box.value?.scrollIntoView({ block: 'nearest' })
  },
  { flush: 'post' },
)
const tabs = [
  { value: 'around', label: 'Around the flag' },
  { value: 'today', label: 'Today' },
  { value: 'layUp', label: 'Lay up' },
] as const
</script>

<template>
  <div>
    <div class="flex flex-wrap gap-2">
      <UButton
        v-for="tab in tabs"
        :key="tab.value"
        color="neutral"
        :variant="sheet === tab.value ? 'solid' : 'outline'"
        :aria-expanded="sheet === tab.value"
        @click="sheet = sheet === tab.value ? undefined : tab.value"
        >{{ tab.label }}</UButton
      >
    </div>
    <div v-if="sheet" ref="box" class="raised mt-2 scroll-mt-32 p-3 max-lg:scroll-mb-64">
      <PickAround v-if="sheet === 'around'" v-model="setting" />
      <PickToday v-else-if="sheet === 'today'" v-model="setting" :home="home" />
      <PickLayUp v-else :desk="desk" :spread-known="opened?.spreadKnown ?? true" />
    </div>
    <p v-else class="soft mt-2 text-sm">{{ otherwise }}</p>
  </div>
</template>
