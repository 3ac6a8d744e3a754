<script setup lang="ts">
import { schoolById, type SchoolId } from '#core/swing/schools'
import { isConsentOpen, type PlayerLine } from '#shared/player'
import { LEVEL_WORDS } from '#shared/choices'
import { daysAgo, shortDate } from '~/ui/dates'
import { serverNowMs } from '~/offline/server-clock'

const props = defineProps<{ player: PlayerLine; mayChange: boolean; menuOpen: boolean }>()
defineEmits<{ menu: [place: HTMLElement] }>()

const work = computed(() => {
  const { clubs, balls, school } = props.player
  if (clubs === 0) return 'No bag yet'
  const scale = school ? schoolById(school as SchoolId).title.toLowerCase() : 'no swing scale'
  return (
    `${clubs} ${clubs === 1 ? 'club' : 'clubs'}, ${scale}, ` +
    `${balls === 0 ? 'no balls yet' : `${balls} ${balls === 1 ? 'ball' : 'balls'}`}`
  )
})

/** What there is to do: one thing, the most pressing. */
const state = computed(() => {
  const { summary, lastHitMs } = props.player
  if (!summary || summary.hit === 0 || lastHitMs === null) return null
  const known = summary.goodEnough ? 'good enough' : `${summary.cellsWithin} of ${summary.inUse} known`
  const flags = summary.flags === 0 ? '' : `, ${summary.flags} ${summary.flags === 1 ? 'flag' : 'flags'}`
  return `${known}${flags}`
})
const due = computed(() => {
  const { summary, archived } = props.player
  if (archived || !summary || summary.retestDueMs === null) return null
  const late = summary.retestDueMs < serverNowMs()
  return {
    late,
    words: late ? `retest due since ${shortDate(summary.retestDueMs)}` : `retest by ${shortDate(summary.retestDueMs)}`,
  }
})
</script>

<template>
  <li class="group relative flex items-center gap-3 px-4 py-3 hover:bg-elevated sm:px-5">
    <div class="min-w-0 flex-1 sm:grid sm:grid-cols-[minmax(0,5fr)_minmax(0,5fr)_11rem] sm:items-baseline sm:gap-4">
      <p class="min-w-0">
        <NuxtLink
          :to="`/players/${player.id}`"
          no-prefetch
          class="block text-xl leading-snug font-bold wrap-anywhere after:absolute after:inset-0"
          >{{ player.name }}</NuxtLink
        >
        <span v-if="isConsentOpen(player)" class="flex items-center gap-1 text-sm font-semibold text-(--weak)"
          ><UIcon name="i-lucide-user-round-check" class="shrink-0" />a guardian has not agreed yet</span
        >
        <span class="soft line-clamp-2 text-sm"
          >{{ player.level === 'unknown' ? 'Level not known' : LEVEL_WORDS[player.level]
          }}<template v-if="player.note">: {{ player.note }}</template></span
        >
      </p>
      <p class="min-w-0 max-sm:text-sm" :class="player.clubs === 0 && 'soft'">
        <span class="block truncate">{{ work }}</span
        ><span class="soft block truncate text-sm">{{ state ?? ' ' }}</span>
      </p>
      <!-- One line on a phone, where a list of players is long. -->
      <p class="min-w-0 max-sm:flex max-sm:flex-wrap max-sm:gap-x-1 max-sm:text-sm sm:text-right">
        <span class="soft block truncate"
          >{{ player.lastHitMs === null ? 'never measured' : daysAgo(player.lastHitMs)
          }}<span v-if="due" class="sm:hidden">,</span></span
        >
        <span
          v-if="due"
          class="flex items-center gap-1 truncate text-sm sm:justify-end"
          :class="due.late ? 'font-semibold text-(--weak)' : 'soft'"
          ><UIcon v-if="due.late" name="i-lucide-calendar-clock" class="shrink-0" />{{ due.words }}</span
        >
      </p>
    </div>
    <!-- A plain button: hundreds of rows are drawn at once, and one menu serves them all. -->
    <button
      v-if="mayChange"
      type="button"
      class="relative z-10 flex size-11 shrink-0 cursor-pointer items-center justify-center rounded-md hover:bg-accented"
      :aria-label="`More for ${player.name}`"
      aria-haspopup="menu"
      :aria-expanded="menuOpen"
      @click="$emit('menu', $event.currentTarget as HTMLElement)"
    >
      <UIcon name="i-lucide-ellipsis-vertical" class="size-5" />
    </button>
  </li>
</template>
