<script setup lang="ts">
import type { StageId } from '#shared/stages'
import { useStageWords } from '~/composables/useStageWords'

/** Where a stage stands. Of its own, so that a ball changes a word of the rail and not its links. */
const props = defineProps<{ stage: StageId }>()
const words = useStageWords()
const text = computed(() => words.value[props.stage])
</script>

<template>
  <span>{{ text }}</span>
</template>
