<script setup lang="ts">
import type { Method } from '#core/shot/shot'
import type { GoRecord } from '#shared/schemas/practice'
import { METHOD_WORDS } from '#shared/choices'
import { useCountGo } from '~/features/practice/useCountGo'

/** Practice stays practice until the coach says that its stock shots count for the chart. */
const props = defineProps<{ go: GoRecord; put: (go: GoRecord) => Promise<void> }>()
const go = computed(() => props.go)
const { can, counting, count, takeBack } = useCountGo(go, next => props.put(next))
const method = ref<Method>('laser')
const methods = (Object.entries(METHOD_WORDS) as [Method, string][]).map(([value, label]) => ({ value, label }))
const busy = ref(false)
async function act(work: () => Promise<void>) {
  busy.value = true
  try {
    await work()
  } finally {
    busy.value = false
  }
}
</script>

<template>
  <div v-if="can.length > 0" class="flex flex-wrap items-center gap-2">
    <template v-if="counting.length === 0">
      <span>{{ can.length }} balls were stock shots:</span>
      <USelect v-model="method" :items="methods" aria-label="How they were measured" class="w-44" />
      <UButton color="neutral" variant="outline" :disabled="busy" @click="act(() => count(method))"
        >Count them for the chart</UButton
      >
    </template>
    <template v-else>
      <span>{{ counting.length }} balls count for the chart.</span>
      <UButton color="neutral" variant="outline" :disabled="busy" @click="act(takeBack)">Leave them practice</UButton>
    </template>
  </div>
</template>
