<script setup lang="ts">
import type { OutboxItem } from '~/stores/outbox'

const outbox = useOutbox()
const { withUnit } = useDistance()
const open = ref(false)
const record = usePlayerRecord()
const toast = useToast()

const shown = computed(() => outbox.refused.length > 0 || !outbox.keeps || (outbox.stuck && outbox.waiting.length > 0))
const words = computed(() => {
  if (outbox.refused.length > 0) return `${outbox.refused.length} refused`
  if (outbox.waiting.length > 0) return `${outbox.waiting.length} waiting`
  return 'not kept'
})

/** Lets an entry go that the server will not take; the page then shows what the server has. */
async function discard(item: OutboxItem) {
  await outbox.discard(item)
  if (outbox.refused.length === 0) open.value = false
  const refresh = () => record.playerId === item.playerId ? record.open(item.playerId) : undefined
  const undo = () => outbox.add(item.playerId, item.entry).then(refresh)
  toast.add({ title: 'Discarded', actions: [{ label: 'Undo', color: 'neutral', variant: 'outline', onClick: () => void undo() }] })
  await refresh()
}

onMounted(() => void outbox.send())
</script>

<template>
  <template v-if="shown">
    <UButton
      :color="outbox.refused.length > 0 ? 'error' : 'warning'" variant="outline" :icon="outbox.refused.length > 0 ? 'i-lucide-circle-alert' : 'i-lucide-cloud-off'"
      class="px-2" @click="open = true"
    >
      {{ words }}
    </UButton>
    <UModal v-model:open="open" title="Not on the server yet" description="What you entered is kept on this device until the server has it.">
      <template #body>
        <p v-if="!outbox.keeps" class="mb-3 font-semibold text-warning">
          This browser keeps nothing (a private window?). Stay on this page until all is sent.
        </p>
        <p v-if="outbox.waiting.length > 0">
          {{ outbox.waiting.length }} {{ outbox.waiting.length === 1 ? 'entry waits' : 'entries wait' }}:
          {{ outbox.state === 'signed-out' ? 'sign in again and they are sent.' : 'they are sent by themselves when the server answers.' }}
        </p>
        <ul v-if="outbox.refused.length > 0" class="divide-y divide-default">
          <li v-for="item in outbox.refused" :key="item.seq" class="flex flex-wrap items-center gap-2 py-2">
            <span class="min-w-0 flex-1">
              <strong>{{ item.entry.kind === 'shot' ? `Ball of ${withUnit(item.entry.record.carryM)}` : item.entry.kind === 'word' ? 'Word about a stock shot' : item.entry.kind === 'answer' ? 'Answer to a flag' : 'Range session' }}</strong>
              <span class="block text-error">{{ item.refused }}</span>
            </span>
            <UButton size="sm" variant="outline" color="neutral" @click="outbox.retry(item)">Send again</UButton>
            <UButton size="sm" variant="ghost" color="error" @click="discard(item)">Discard</UButton>
          </li>
        </ul>
      </template>
      <template #footer>
        <UButton v-if="outbox.waiting.length > 0" @click="outbox.send()">Send now</UButton>
        <UButton color="neutral" variant="outline" @click="open = false">Close</UButton>
      </template>
    </UModal>
  </template>
</template>
