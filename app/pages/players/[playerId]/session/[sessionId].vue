<script setup lang="ts">
import { useSessionEnd } from '~/features/session/useSessionEnd'
import { usePlayerRoute } from '~/player/usePlayerRoute'
import FrameStagePage from '~/ui/frame/StagePage.vue'
import SessionDesk from '~/features/session/Desk.vue'
import { shortDate } from '~/ui/dates'

const { record } = usePlayerRoute()
const route = useRoute()
const toast = useToast()
const sessionId = computed(() => String((route.params as { sessionId: string }).sessionId))
const session = computed(() => record.sessions.find(one => one.id === sessionId.value))
const running = computed(() => session.value?.endedAtMs === null && !session.value.plan.gone)
const title = computed(() => session.value?.plan.name || (running.value ? 'Range session' : 'Session'))
const line = computed(() => (session.value && !running.value ? shortDate(session.value.startedAtMs) : undefined))

const { end: put, goOn } = useSessionEnd({ session })
async function end() {
  await put()
  toast.add({
    title: 'Session ended',
    actions: [{ label: 'Undo', color: 'neutral', variant: 'outline', onClick: () => void goOn() }],
  })
}
</script>

<template>
  <FrameStagePage :title="title" :line="line" tight>
    <template #actions>
      <UButton v-if="running" color="neutral" variant="outline" icon="i-lucide-square" @click="end"
        ><span>End<span class="max-md:sr-only">&nbsp;the session</span></span></UButton
      >
    </template>
    <SessionDesk v-if="record.player" :key="`${record.player.id} ${sessionId}`" :session-id="sessionId" />
  </FrameStagePage>
</template>
