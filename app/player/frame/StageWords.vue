<script setup lang="ts">
import type { StageId } from '#shared/stages'
import { useStageWords } from '~/player/frame/useStageWords'

/** Where a stage stands. Of its own, so that a ball changes a word of the rail and not its links. */
const props = defineProps<{ stage: StageId }>()
const words = useStageWords()
/** On a phone a column has room for two short words: what stands behind a comma is left out there. */
const text = computed(() => words.value[props.stage].split(', '))
</script>

<template>
  <span>{{ text[0] }}<span v-if="text[1]" class="max-md:hidden">, {{ text[1] }}</span></span>
</template>
