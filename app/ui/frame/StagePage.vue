<script setup lang="ts">
import { Refused } from '~/offline/api'
import { usePlayerRecord } from '~/offline/stores/record'
import FrameLinesSkeleton from '~/ui/frame/LinesSkeleton.vue'

/** The frame of a stage: its title, one line under it, its actions; and what to show while there is no player yet. */
defineProps<{
  title: string
  line?: string
  /** Less room above and below the title: what follows is to be seen at once. */
  tight?: boolean
}>()
const record = usePlayerRecord()
const keptAt = computed(() =>
  record.keptAtMs
    ? new Date(record.keptAtMs).toLocaleString('en-GB', { weekday: 'long', hour: '2-digit', minute: '2-digit' })
    : undefined,
)
useHead({ title: () => (record.player ? record.player.name : '') })
</script>

<template>
  <main class="mx-auto w-full max-w-[1100px] px-4 sm:px-6" :class="tight ? 'py-3' : 'py-5'">
    <section v-if="record.failure && !record.player" role="alert" class="mx-auto max-w-lg py-14 text-center">
      <h1 class="text-2xl font-bold">
        {{
          record.failure instanceof Refused && record.failure.status === 404
            ? 'There is no such player.'
            : 'The player could not be opened.'
        }}
      </h1>
      <p class="soft mt-2">{{ record.failure.message }}</p>
      <div class="mt-6 flex justify-center gap-3">
        <UButton @click="record.open(record.playerId!)">Try again</UButton>
        <UButton to="/players" color="neutral" variant="outline">To the players</UButton>
      </div>
    </section>
    <template v-else-if="record.player">
      <header class="flex flex-wrap items-start justify-between gap-x-6 gap-y-3" :class="tight ? 'mb-2' : 'mb-5'">
        <div class="min-w-0 sm:grow sm:basis-52">
          <h1 class="text-[1.75rem] leading-tight font-bold">{{ title }}</h1>
          <p v-if="line || $slots.line" class="soft mt-0.5">
            <slot name="line">{{ line }}</slot>
          </p>
        </div>
        <div class="flex flex-wrap gap-2"><slot name="actions" /></div>
      </header>
      <p v-if="keptAt" role="status" class="raised mb-4 flex flex-wrap items-center gap-x-3 gap-y-2 px-4 py-2">
        <span class="min-w-0 flex-1"
          ><UIcon name="i-lucide-cloud-off" class="text-warning" /> <strong>No connection.</strong> As known here on
          {{ keptAt }}, with what was entered since. All you enter is kept, and sent later.</span
        >
        <UButton size="sm" color="neutral" variant="outline" @click="record.open(record.playerId!)">Try again</UButton>
      </p>
      <p v-else-if="record.failure" role="status" class="raised mb-4 flex flex-wrap items-center gap-2 px-4 py-2">
        <UIcon name="i-lucide-cloud-off" class="text-warning" /> Shown as it was last seen. {{ record.failure.message }}
      </p>
      <slot />
    </template>
    <template v-else>
      <header v-if="title" :class="tight ? 'mb-2' : 'mb-5'">
        <h1 class="text-[1.75rem] leading-tight font-bold">{{ title }}</h1>
        <p v-if="line" class="soft mt-0.5">{{ line }}</p>
      </header>
      <FrameLinesSkeleton :rows="8" label="The player is being opened" />
    </template>
  </main>
</template>
