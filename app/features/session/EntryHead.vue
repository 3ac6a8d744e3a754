<script setup lang="ts">
import { doesCount } from '#core/shot/shot'
import type { ShotRecord } from '#shared/schemas/session'
import { useDistance } from '~/ui/useDistance'
import { useCellNames } from '~/calculation/useNumbers'

/** The stock shot in hand; on a phone it opens the board, and the last ball stands beside it. */
defineProps<{ name: string; cue?: string; isPhone: boolean; last?: ShotRecord }>()
const emit = defineEmits<{ open: [shot: ShotRecord] }>()
const board = defineModel<boolean>('board', { required: true })
const call = defineModel<boolean>('call', { required: true })
const { cellName } = useCellNames()
const { typed, unit } = useDistance()
</script>

<template>
  <div class="flex items-center gap-3">
    <h2 id="cell-title" class="min-w-0 flex-1 text-[1.75rem] leading-tight font-bold max-md:text-xl">
      <button
        v-if="isPhone"
        type="button"
        class="flex min-h-11 w-full cursor-pointer items-center gap-1.5 text-left"
        :aria-expanded="board"
        @click="board = true"
      >
        <span class="truncate">{{ name }}</span><UIcon name="i-lucide-chevron-down" class="size-5 shrink-0" />
      </button>
      <template v-else>{{ name }} <span v-if="cue" class="soft text-base font-normal">{{ cue }}</span></template>
    </h2>
    <UButton
      color="neutral"
      :variant="call ? 'solid' : 'outline'"
      icon="i-lucide-megaphone"
      :aria-pressed="call"
      @click="call = !call"
      >Call</UButton
    >
    <button
      v-if="isPhone && last"
      type="button"
      class="raised h-11 shrink-0 cursor-pointer px-2 text-right leading-none"
      :aria-label="`Last ball, ${typed(last.carryM)} ${unit}, ${cellName(last)}`"
      @click="emit('open', last)"
    >
      <span class="soft block text-xs">last</span
      ><span class="font-bold" :class="!doesCount(last) && 'line-through'">{{ typed(last.carryM) }}</span>
    </button>
  </div>
</template>
