<script setup lang="ts">
import { doesCount } from '#core/shot/shot'
import { readingTexts } from '#words/readings'
import type { ShotRecord } from '#shared/schemas/session'
import { useDistance } from '~/ui/useDistance'
import { useCellNames } from '~/calculation/useNumbers'
import { useAccount } from '~/offline/stores/account'

/** The ball that a device sent last, readable from the tee. */
const props = defineProps<{ shot: ShotRecord; place: number }>()
defineEmits<{ open: [] }>()
const { typed, unit } = useDistance()
const { cellName } = useCellNames()
const account = useAccount()
const words = computed(() =>
  props.shot.readings ? readingTexts(props.shot.readings, unit.value, account.speedUnit) : [],
)
</script>

<template>
  <button
    type="button"
    class="raised flex w-full cursor-pointer flex-wrap items-baseline gap-x-5 border-b-4! border-b-primary! px-4 py-2 text-left hover:bg-elevated"
    @click="$emit('open')"
  >
    <span class="text-7xl leading-none font-extrabold tracking-tight" :class="!doesCount(shot) && 'soft line-through'"
      >{{ typed(shot.carryM) }}<span class="soft ml-2 text-2xl font-semibold">{{ unit }}</span></span
    >
    <span class="min-w-0 flex-1 basis-56">
      <span class="block font-bold">Ball {{ place }}, {{ cellName(shot) }}</span>
      <span class="soft block">{{ words.join(', ') || 'carry alone' }}</span>
    </span>
  </button>
</template>
