<script setup lang="ts">
import { usePlayerRoute } from '~/player/usePlayerRoute'
import { STAGES } from '#shared/stages'
import FrameStageWords from '~/player/frame/StageWords.vue'

const { playerId } = usePlayerRoute()
const route = useRoute()
const stage = computed(() => route.path.split('/')[3] ?? '')
</script>

<template>
  <nav
    aria-label="Stages of the work"
    class="print:hidden max-md:fixed max-md:inset-x-0 max-md:bottom-0 max-md:z-30 max-md:border-t max-md:border-(--ink) max-md:bg-default md:w-49 md:shrink-0 md:border-r md:border-default"
  >
    <ol class="flex md:sticky md:top-14 md:flex-col md:py-2">
      <li v-for="item in STAGES" :key="item.id" class="min-w-0 max-md:flex-1">
        <NuxtLink
          :to="`/players/${playerId}/${item.id}`"
          :aria-current="stage === item.id ? 'page' : undefined"
          class="flex min-h-15 flex-col justify-center border-transparent px-1 py-1.5 max-md:justify-start max-md:px-0.5 max-md:py-1 hover:bg-elevated max-md:items-center max-md:border-t-4 md:border-l-4 md:px-4"
          :class="stage === item.id && 'border-primary! bg-elevated'"
        >
          <span
            class="truncate text-[0.95rem] leading-tight font-bold max-md:max-w-full max-md:text-[0.8rem] md:text-base"
            ><span class="md:hidden" aria-hidden="true">{{ item.short }}</span
            ><span class="max-md:sr-only">{{ item.title }}</span></span
          >
          <FrameStageWords
            :stage="item.id"
            class="soft text-[0.8rem] leading-tight max-md:line-clamp-3 max-md:text-center max-md:text-[0.72rem] max-md:leading-[1.1] md:mt-0.5 md:min-h-4 md:truncate"
          />
        </NuxtLink>
      </li>
    </ol>
  </nav>
</template>
