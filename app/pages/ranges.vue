<script setup lang="ts">
import type { RangeRecord } from '#shared/range'
import { useDistance } from '~/composables/useDistance'
import { useRanges } from '~/composables/useRanges'
import FrameEmptyStep from '~/components/frame/EmptyStep.vue'
import RangesRangeDialog from '~/components/ranges/RangeDialog.vue'

const TARGET_ICONS = {
  sign: 'i-lucide-signpost',
  green: 'i-lucide-flag',
  circle: 'i-lucide-circle-dot',
  flag: 'i-lucide-flag-triangle-right',
} as const
useHead({ title: 'Ranges' })
const { all, failure, load } = useRanges()
const { typed, unit } = useDistance()
const opened = shallowRef<{ range?: RangeRecord }>()
const sorted = computed(() =>
  [...all.value].sort((a, b) => Number(a.archived) - Number(b.archived) || a.name.localeCompare(b.name)),
)
onMounted(load)
</script>

<template>
  <main class="mx-auto w-full max-w-4xl px-4 py-6">
    <div class="flex flex-wrap items-center gap-4">
      <h1 class="flex-1 text-3xl font-bold">Ranges</h1>
      <UButton icon="i-lucide-plus" @click="opened = {}">Add a range</UButton>
    </div>
    <p class="soft">Signs and targets, lasered once and used for ever.</p>
    <p v-if="failure" role="status" class="mt-3 flex flex-wrap items-center gap-3 text-warning">
      {{ failure }} <UButton size="sm" color="neutral" variant="outline" @click="load">Try again</UButton>
    </p>
    <FrameEmptyStep
      v-if="sorted.length === 0"
      class="mt-6"
      icon="i-lucide-signpost"
      words="No range yet."
      help="Add the one you teach at: its signs, how far each really is, which way it faces."
      action="Add a range"
      @act="opened = {}"
    />
    <ul class="mt-4 grid gap-4 sm:grid-cols-2">
      <li v-for="range in sorted" :key="range.id">
        <button
          type="button"
          class="raised block w-full cursor-pointer p-4 text-left hover:bg-elevated"
          :class="range.archived && 'opacity-60'"
          @click="opened = { range }"
        >
          <span class="text-xl font-bold">{{ range.name }}</span>
          <span v-if="range.archived" class="soft">archived</span>
          <span class="soft block"
            >{{ range.targets.length }} signs and targets, {{ range.firmness }} ground<template
              v-if="range.bearingDeg !== null"
              >, faces {{ Math.round(range.bearingDeg) }}°</template
            ></span
          >
          <span class="mt-2 flex flex-wrap gap-x-4 gap-y-1">
            <span
              v-for="target in [...range.targets].sort((a, b) => a.distanceM - b.distanceM)"
              :key="target.id"
              class="flex items-center gap-1"
              ><UIcon :name="TARGET_ICONS[target.kind]" class="soft" /> {{ target.name }}
              <b>{{ typed(target.distanceM) }}</b> <span class="soft text-sm">{{ unit }}</span></span
            >
          </span>
        </button>
      </li>
    </ul>
    <RangesRangeDialog
      v-if="opened"
      :key="opened.range?.id ?? 'new'"
      :open="true"
      :range="opened.range"
      @update:open="opened = undefined"
    />
  </main>
</template>
