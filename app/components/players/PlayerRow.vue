<script setup lang="ts">
import { schoolById, type SchoolId } from '#core/swing/schools'
import { LEVEL_WORDS, type PlayerLine } from '#shared/player'

const props = defineProps<{ player: PlayerLine }>()
const emit = defineEmits<{ edit: [], archive: [archived: boolean] }>()

const work = computed(() => {
  const { clubs, balls, school } = props.player
  if (clubs === 0) return 'No bag yet'
  const scale = school ? schoolById(school as SchoolId).title.toLowerCase() : 'no swing scale'
  return `${clubs} ${clubs === 1 ? 'club' : 'clubs'}, ${scale}, ${balls === 0 ? 'no balls yet' : `${balls} ${balls === 1 ? 'ball' : 'balls'}`}`
})

const menu = computed(() => [
  { label: 'Edit', icon: 'i-lucide-pencil', onSelect: () => emit('edit') },
  props.player.archived
    ? { label: 'Bring back', icon: 'i-lucide-archive-restore', onSelect: () => emit('archive', false) }
    : { label: 'Archive', icon: 'i-lucide-archive', onSelect: () => emit('archive', true) },
])
</script>

<template>
  <li class="group relative flex items-center gap-3 px-4 py-3 hover:bg-elevated sm:px-5">
    <div class="min-w-0 flex-1 sm:grid sm:grid-cols-[minmax(0,5fr)_minmax(0,5fr)_8rem] sm:items-baseline sm:gap-4">
      <p class="min-w-0">
        <NuxtLink :to="`/players/${player.id}`" class="block truncate text-xl font-bold after:absolute after:inset-0">{{ player.name }}</NuxtLink>
        <span class="soft block truncate text-sm">{{ player.level === 'unknown' ? 'Level not said' : LEVEL_WORDS[player.level] }}<template v-if="player.note">: {{ player.note }}</template></span>
      </p>
      <p class="truncate max-sm:text-sm" :class="player.clubs === 0 && 'soft'">{{ work }}</p>
      <p class="soft truncate max-sm:text-sm sm:text-right">{{ player.lastHitMs === null ? 'never measured' : daysAgo(player.lastHitMs) }}</p>
    </div>
    <UDropdownMenu :items="menu" :content="{ align: 'end' }">
      <UButton color="neutral" variant="ghost" icon="i-lucide-ellipsis-vertical" square class="relative z-10 size-11 justify-center" :aria-label="`More for ${player.name}`" />
    </UDropdownMenu>
  </li>
</template>
