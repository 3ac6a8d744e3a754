<script setup lang="ts">
/**
 * On a phone: the flags in a sheet over the foot of the page. Down it shows the first of them, pulled up all.
 */
defineProps<{ title: string; count: number }>()
const up = defineModel<boolean>('up', { required: true })
const from = ref<number | null>(null)
const PULL_PX = 30

function start(event: TouchEvent) {
  from.value = event.touches[0]!.clientY
}
function end(event: TouchEvent) {
  const by = event.changedTouches[0]!.clientY - (from.value ?? 0)
  from.value = null
  if (Math.abs(by) > PULL_PX) up.value = by < 0
}
</script>

<template>
  <section class="flag-sheet" :data-up="up" aria-label="Flags">
    <button
      type="button"
      class="flex min-h-11 w-full flex-col items-center px-4 pt-1.5 pb-1"
      :aria-expanded="up"
      @click="up = !up"
      @touchstart.passive="start"
      @touchend="end"
    >
      <span class="h-1 w-10 rounded-full bg-(--hairline)" aria-hidden="true" />
      <span class="flex w-full items-center justify-between font-bold">
        <span>{{ title }}</span>
        <span v-if="count > 1" class="soft flex items-center gap-1 text-sm font-semibold"
          ><UIcon :name="up ? 'i-lucide-chevron-down' : 'i-lucide-chevron-up'" />{{ up ? 'Less' : 'All' }}</span
        >
      </span>
    </button>
    <!-- Its room is there before the cards are. -->
    <div class="flag-sheet-list space-y-2 px-3 pb-3" :class="count > 0 && 'min-h-27'"><slot /></div>
  </section>
</template>
