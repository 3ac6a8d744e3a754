<script setup lang="ts">
import type { OutboxItem } from '~/offline/outbox/entries'
import { useKeptStorage } from '~/ui/frame/useKeptStorage'
import { useOutbox } from '~/offline/stores/outbox'
import { usePlayerRecord } from '~/offline/stores/record'
import FrameOutboxEntry from '~/ui/frame/OutboxEntry.vue'
import FrameOutboxGive from '~/ui/frame/OutboxGive.vue'

/**
 * Shown while something is not on the server: what waits, what was refused, what stepped aside, and that nothing is
 * kept.
 */
const outbox = useOutbox()
const open = ref(false)
const giving = shallowRef<OutboxItem>()
const record = usePlayerRecord()
const toast = useToast()

const { promised } = useKeptStorage(() => outbox.stuck && outbox.waiting.length > 0)
const trouble = computed(() => outbox.refused.length + outbox.aside.length)
const shown = computed(() => trouble.value > 0 || !outbox.keeps || (outbox.stuck && outbox.waiting.length > 0))
/** On a phone the number stands alone beside its mark. */
const count = computed(() => outbox.refused.length || outbox.aside.length || outbox.waiting.length || null)
const words = computed(() => {
  if (outbox.refused.length > 0) return 'refused'
  if (outbox.aside.length > 0) return 'not sent'
  if (outbox.waiting.length > 0) return outbox.keeps ? 'waiting' : 'waiting, not kept'
  return 'not kept'
})

const refresh = (item: OutboxItem) => (record.playerId === item.playerId ? record.open(item.playerId) : undefined)
function closeWhenDone() {
  if (trouble.value === 0) open.value = false
}

/** Lets an entry go that the server will not take; the page then shows what the server has. */
async function discard(item: OutboxItem) {
  await outbox.discard(item)
  closeWhenDone()
  const undo = () => outbox.add(item.playerId, item.entry).then(() => refresh(item))
  toast.add({
    title: 'Discarded',
    actions: [{ label: 'Undo', color: 'neutral', variant: 'outline', onClick: () => void undo() }],
  })
  await refresh(item)
}

async function given(item: OutboxItem) {
  giving.value = undefined
  closeWhenDone()
  await refresh(item)
}

onMounted(() => void outbox.send())
</script>

<template>
  <template v-if="shown">
    <UButton
      :color="outbox.refused.length > 0 || !outbox.keeps ? 'error' : 'warning'"
      variant="outline"
      :icon="outbox.refused.length > 0 ? 'i-lucide-circle-alert' : 'i-lucide-cloud-off'"
      class="px-2 whitespace-nowrap"
      :aria-label="[count, words].filter(Boolean).join(' ')"
      @click="open = true"
    >
      {{ count }} <span class="max-sm:hidden">{{ words }}</span>
    </UButton>
    <UModal
      v-model:open="open"
      title="Not on the server yet"
      description="What you entered is kept on this device until the server has it."
    >
      <template #body>
        <p v-if="!outbox.keeps" role="alert" class="mb-3 font-semibold text-error">
          This browser keeps nothing just now (a private window, or no room on the disk). It is sent all the same: stay
          on this page until it is.
        </p>
        <p v-if="outbox.waiting.length > 0">
          {{ outbox.waiting.length }} {{ outbox.waiting.length === 1 ? 'entry waits' : 'entries wait' }}:
          {{
            outbox.state === 'signed-out'
              ? 'sign in again and they are sent.'
              : 'they are sent by themselves when the server answers.'
          }}
        </p>
        <p v-if="promised === false" class="soft mt-2">
          This browser does not promise to keep it: short of room it may throw away what a page has stored. Do not clear
          its data before everything is sent.
        </p>
        <ul v-if="trouble > 0" class="divide-y divide-default">
          <FrameOutboxEntry
            v-for="item in [...outbox.refused, ...outbox.aside]"
            :key="item.seq"
            :item="item"
            :why="item.refused ?? outbox.asideWhy.get(item.seq) ?? ''"
            @again="outbox.retry(item).then(closeWhenDone)"
            @discard="discard(item)"
            @give="giving = item"
          />
        </ul>
      </template>
      <template #footer>
        <UButton v-if="trouble > 0" @click="outbox.sendAllAgain().then(closeWhenDone)">Send all again</UButton>
        <UButton v-else-if="outbox.waiting.length > 0" @click="outbox.send()">Send now</UButton>
        <UButton color="neutral" variant="outline" @click="open = false">Close</UButton>
      </template>
    </UModal>
    <FrameOutboxGive v-if="giving" :item="giving" @close="giving = undefined" @given="given(giving!)" />
  </template>
</template>
