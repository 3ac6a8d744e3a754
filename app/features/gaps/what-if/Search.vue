<script setup lang="ts">
import { clubsInUse, isGridClub } from '#core/bag/bag'
import type { Found, Progress, SearchResult } from '#core/what-if/search'
import { USUAL_LIMITS, type SearchLimits } from '#core/what-if/thought-of'
import { changeText } from '#words/what-if'
import { useDistance } from '~/ui/useDistance'
import { usePlayerRecord } from '~/offline/stores/record'

/** Lets the program look at every bag within limits, and names the three best. */
const props = defineProps<{
  progress: Progress | null
  found: (SearchResult & { seconds: number }) | null
  todayM: number | null
  shown: string
}>()
const emit = defineEmits<{ search: [limits: SearchLimits]; stop: []; look: [found: Found] }>()
const record = usePlayerRecord()
const { unit, to } = useDistance()
const own = computed(() => clubsInUse(record.bag).filter(isGridClub))
const longer = computed(() => clubsInUse(record.bag).filter(club => !isGridClub(club)).length)
const wedges = ref(Math.max(USUAL_LIMITS.wedges, own.value.length))
const changes = ref(USUAL_LIMITS.changes)
const clubsInAll = ref(USUAL_LIMITS.clubsInAll)
const dear = ref<string[]>([])
const clubOf = (id: string) => own.value.find(club => club.id === id)?.label ?? id
const gain = (found: Found) =>
  props.todayM === null ? '' : `${(to(props.todayM) - to(found.meanM)).toFixed(1)} ${unit.value}`
const counts = new Intl.NumberFormat('en-GB')
</script>

<template>
  <section class="raised p-4" aria-labelledby="search-title">
    <h2 id="search-title" class="text-lg font-bold">Let it look for the best bag</h2>
    <p class="soft">
      Every bag within these limits is held against today's yardages, by what its best shot leaves on average. Lofts in
      whole degrees, the swing lengths as they are.
    </p>
    <form class="mt-2 space-y-3" @submit.prevent="emit('search', { wedges, changes, clubsInAll, dear })">
      <div class="flex flex-wrap gap-x-4 gap-y-2">
        <UFormField label="Wedges and short irons, at most"
          ><UInputNumber v-model="wedges" :min="1" :max="8" class="w-32"
        /></UFormField>
        <UFormField label="Changes at once, at most"
          ><UInputNumber v-model="changes" :min="1" :max="4" class="w-32"
        /></UFormField>
        <UFormField
          label="Clubs in all, at most"
          :help="longer > 0 ? `${longer} longer ones are in the bag.` : 'The rules allow 14.'"
          ><UInputNumber v-model="clubsInAll" :min="1" :max="14" class="w-32"
        /></UFormField>
      </div>
      <UCheckboxGroup
        v-if="own.length > 0"
        v-model="dear"
        orientation="horizontal"
        legend="Stays as it is"
        :items="own.map(club => ({ value: club.id, label: club.label }))"
      />
      <UButton v-if="!progress" type="submit" icon="i-lucide-search">Look</UButton>
      <div v-else class="flex flex-wrap items-center gap-3">
        <UProgress
          :model-value="progress.of === 0 ? null : Math.min(progress.looked, progress.of)"
          :max="Math.max(1, progress.of)"
          class="max-w-xs min-w-32 flex-1"
          aria-label="Bags looked at"
        />
        <span class="soft">{{ counts.format(progress.looked) }} of {{ counts.format(progress.of) }} bags</span>
        <UButton size="sm" color="neutral" variant="outline" @click="emit('stop')">Stop</UButton>
      </div>
    </form>
    <div v-if="found" class="mt-3" aria-live="polite">
      <p class="font-semibold">
        {{ found.stopped ? 'Stopped: the best of' : 'The best of all' }} {{ counts.format(found.looked) }} bags, in
        {{ found.seconds.toFixed(1) }} s:
      </p>
      <ol class="mt-2 grid gap-3 md:grid-cols-3">
        <li v-for="(one, i) in found.best" :key="i" class="raised flex flex-col p-3">
          <p class="text-lg font-bold">{{ one.whatIf.clubs.map(club => `${club.loftDeg}°`).join(' ') }}</p>
          <ul class="mt-1 space-y-0.5">
            <li v-for="change in one.changes" :key="change.clubId">{{ changeText(change, clubOf) }}.</li>
            <li v-if="one.changes.length === 0">The bag as it is.</li>
          </ul>
          <p class="mt-1">
            Leaves {{ to(one.meanM).toFixed(1) }} {{ unit }} on average{{
              one.changes.length > 0 ? `, ${gain(one)} less than today` : ''
            }}.
          </p>
          <UButton
            size="sm"
            color="neutral"
            variant="outline"
            class="mt-auto self-start"
            :disabled="JSON.stringify(one.whatIf) === shown"
            @click="emit('look', one)"
            >{{ JSON.stringify(one.whatIf) === shown ? 'Shown' : 'Look at it' }}</UButton
          >
        </li>
      </ol>
    </div>
  </section>
</template>
