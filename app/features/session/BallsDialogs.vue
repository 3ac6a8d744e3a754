<script setup lang="ts">
import { LABEL_LINE } from '#shared/limits'
import type { Done, RangeSession } from '~/features/session/useRangeSession'
import { usePlayerRecord } from '~/offline/stores/record'
import { allPlayers } from '~/offline/all-players'
import { api } from '~/offline/api'
import { clockTime, shortDate } from '~/ui/dates'
import type { SessionDialog } from '~/features/session/session-dialog'

/** What can be done with a session as a whole: a name, into another one, to another player. */
const props = defineProps<{ range: RangeSession }>()
const emit = defineEmits<{ undoable: [title: string, done: Done] }>()
const dialog = defineModel<SessionDialog>()
const { session } = props.range
const record = usePlayerRecord()
const toast = useToast()

const name = ref('')
const nameFault = ref('')
const other = ref<string>()
const others = computed(() =>
  record.sessions
    .filter(one => one.id !== session.value!.id && !one.plan.gone)
    .sort((a, b) => b.startedAtMs - a.startedAtMs)
    .map(one => ({
      value: one.id,
      label: `${one.plan.name || shortDate(one.startedAtMs)}, ${clockTime(one.startedAtMs)}`,
    })),
)
const players = shallowRef<{ value: string; label: string }[]>([])
const moveFault = ref('')

/** Each begins as if it had never been open. */
watch(dialog, async which => {
  if (!which) return
  other.value = undefined
  moveFault.value = ''
  nameFault.value = ''
  name.value = session.value!.plan.name
  if (which !== 'move') return
  try {
    players.value = (await allPlayers())
      .filter(one => one.id !== record.playerId && !one.archived)
      .map(one => ({ value: one.id, label: one.name }))
  } catch (error) {
    moveFault.value = (error as Error).message
  }
})

async function rename() {
  if (name.value.trim().length > LABEL_LINE) {
    nameFault.value = `The name has ${name.value.trim().length} characters: at most ${LABEL_LINE} are allowed.`
    return
  }
  emit('undoable', 'Session renamed', await props.range.plan({ name: name.value.trim() }, 'the name of the session'))
  dialog.value = undefined
}

async function merge() {
  const done = await props.range.mergeInto(other.value!)
  dialog.value = undefined
  emit('undoable', 'Sessions merged', done)
  await navigateTo(`/players/${record.playerId}/session/${other.value}`)
}

async function moveSession() {
  const [from, to, id] = [record.playerId!, other.value!, session.value!.id]
  const send = (a: string, b: string) =>
    api('/api/players/:playerId/sessions/:sessionId/move', {
      params: { playerId: a, sessionId: id },
      method: 'POST',
      body: { toPlayerId: b },
    })
  try {
    await send(from, to)
  } catch (error) {
    moveFault.value = (error as Error).message
    return
  }
  const back = async () => {
    try {
      await send(to, from)
      await record.open(from)
    } catch (error) {
      toast.add({ title: 'It could not be moved back', description: (error as Error).message, color: 'error' })
    }
  }
  dialog.value = undefined
  toast.add({
    title: `Moved to ${players.value.find(one => one.value === to)!.label}`,
    actions: [{ label: 'Undo', color: 'neutral', variant: 'outline', onClick: () => void back() }],
  })
  await record.open(from)
  await navigateTo(`/players/${from}/session`)
}
</script>

<template>
  <div>
    <UModal
      :open="dialog === 'rename'"
      title="Rename the session"
      description="A name of your own; its date stays beside it."
      @update:open="dialog = undefined"
    >
      <template #body
        ><UFormField label="Name" :error="nameFault || undefined" help=" "
          ><UInput
            v-model="name"
            autofocus
            class="w-full"
            placeholder="Wedges before the club match"
            @keydown.enter="rename" /></UFormField
      ></template>
      <template #footer
        ><UButton @click="rename">Save</UButton
        ><UButton color="neutral" variant="outline" @click="dialog = undefined">Cancel</UButton></template
      >
    </UModal>
    <UModal
      :open="dialog === 'merge'"
      title="Merge into another session"
      description="All balls of this session go into the other one. It can be undone."
      @update:open="dialog = undefined"
    >
      <template #body
        ><UFormField label="Into"
          ><USelect v-model="other" :items="others" class="w-full" placeholder="Which session?" /></UFormField
      ></template>
      <template #footer
        ><UButton :disabled="!other" @click="merge">Merge</UButton
        ><UButton color="neutral" variant="outline" @click="dialog = undefined">Cancel</UButton></template
      >
    </UModal>
    <UModal
      :open="dialog === 'move'"
      title="Give it to another player"
      description="Clubs and swing lengths are matched by their labels. It can be undone."
      @update:open="dialog = undefined"
    >
      <template #body
        ><UFormField label="Player" :error="moveFault || undefined" help=" "
          ><USelect v-model="other" :items="players" class="w-full" placeholder="Whose was it?" /></UFormField
      ></template>
      <template #footer
        ><UButton :disabled="!other" @click="moveSession">Move it</UButton
        ><UButton color="neutral" variant="outline" @click="dialog = undefined">Cancel</UButton></template
      >
    </UModal>
  </div>
</template>
