<script setup lang="ts">
import { clubsInUse, rungsInUse } from '#core/bag/bag'
import { rungName } from '#core/swing/scale'
import type { DropdownMenuItem } from '@nuxt/ui'
import { LABEL_LINE, type ShotRecord } from '#shared/session'
import type { Done, RangeSession } from '~/composables/useRangeSession'
import { api } from '~/utils/api'
import { useCellNames } from '~/composables/useNumbers'
import { usePlayerRecord } from '~/stores/record'
import { clockTime, shortDate } from '~/utils/dates'
import ShotsShotList from '~/components/shots/ShotList.vue'

/**
 * The balls of the session, newest first; several at once can be moved or left out. And what can be done with the
 * session.
 */
const props = defineProps<{ range: RangeSession }>()
const emit = defineEmits<{ open: [shot: ShotRecord]; undo: [which: Done] }>()
const { session, newestFirst } = props.range
const record = usePlayerRecord()
const { cellName } = useCellNames()
const toast = useToast()

// Dozens of rows make every ball slow to appear; the newest are what one looks for, and eight are in sight.
const FIRST_BALLS = 20
const allBalls = ref(false)
const listed = computed(() => (allBalls.value ? newestFirst.value : newestFirst.value.slice(0, FIRST_BALLS)))

const picking = ref(false)
const picked = ref<string[]>([])
const clubId = ref<string>()
const rungId = ref<string>()
const clubs = computed(() => clubsInUse(record.bag).map(club => ({ value: club.id, label: club.label })))
const rungs = computed(() =>
  rungsInUse(record.bag)
    .map(rung => ({ value: rung.id, label: rungName(rung) }))
    .reverse(),
)

function offerUndo(title: string, done: Done) {
  toast.add({
    title,
    actions: [{ label: 'Undo', color: 'neutral', variant: 'outline', onClick: () => emit('undo', done) }],
  })
}

async function changePicked(fields: Partial<ShotRecord>, title: string, words: string) {
  const done = await props.range.change(picked.value, fields, words)
  offerUndo(title, done)
  picked.value = []
  picking.value = false
}
const count = computed(() => `${picked.value.length} ${picked.value.length === 1 ? 'ball' : 'balls'}`)
const move = () =>
  changePicked(
    { clubId: clubId.value!, rungId: rungId.value! },
    `${count.value} moved to ${cellName({ clubId: clubId.value!, rungId: rungId.value! })}`,
    'moving balls',
  )

const dialog = ref<'rename' | 'merge' | 'move'>()
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

async function start(which: 'rename' | 'merge' | 'move'): Promise<void> {
  dialog.value = which
  other.value = undefined
  moveFault.value = ''
  nameFault.value = ''
  name.value = session.value!.plan.name
  if (which !== 'move') return
  try {
    players.value = (await api('/api/players'))
      .filter(one => one.id !== record.playerId && !one.archived)
      .map(one => ({ value: one.id, label: one.name }))
  } catch (error) {
    moveFault.value = (error as Error).message
  }
}

async function rename() {
  if (name.value.trim().length > LABEL_LINE) {
    nameFault.value = `The name has ${name.value.trim().length} characters: at most ${LABEL_LINE} are allowed.`
    return
  }
  offerUndo('Session renamed', await props.range.plan({ name: name.value.trim() }, 'the name of the session'))
  dialog.value = undefined
}

async function merge() {
  const done = await props.range.mergeInto(other.value!)
  dialog.value = undefined
  offerUndo('Sessions merged', done)
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

const menu = computed((): DropdownMenuItem[] => [
  { label: 'Rename the session…', icon: 'i-lucide-pencil', onSelect: () => void start('rename') },
  {
    label: 'Merge into another session…',
    icon: 'i-lucide-merge',
    disabled: others.value.length === 0,
    onSelect: () => void start('merge'),
  },
  { label: 'Give it to another player…', icon: 'i-lucide-user-round-search', onSelect: () => void start('move') },
])

function startPicking(): void {
  picking.value = !picking.value
  picked.value = []
}
</script>

<template>
  <section class="min-w-0" aria-labelledby="balls-title">
    <div class="mb-1 flex flex-wrap items-center justify-between gap-2">
      <h2 id="balls-title" class="text-xl font-bold">Balls, newest first</h2>
      <div class="flex flex-wrap gap-2">
        <UButton
          v-if="newestFirst.length > 1"
          color="neutral"
          variant="outline"
          :icon="picking ? 'i-lucide-x' : 'i-lucide-list-checks'"
          :aria-pressed="picking"
          @click="startPicking"
          >{{ picking ? 'Done choosing' : 'Choose several' }}</UButton
        >
        <UDropdownMenu :items="menu"
          ><UButton color="neutral" variant="outline" icon="i-lucide-ellipsis" aria-label="More about this session"
        /></UDropdownMenu>
      </div>
    </div>
    <div
      v-if="picking"
      class="raised mb-2 flex flex-wrap items-center gap-2 p-3"
      role="group"
      aria-label="Chosen balls"
    >
      <span class="font-bold">{{ count }} chosen</span>
      <USelect v-model="clubId" :items="clubs" placeholder="Club" aria-label="Move to club" class="w-32" />
      <USelect
        v-model="rungId"
        :items="rungs"
        placeholder="Swing length"
        aria-label="Move to swing length"
        class="w-40"
      />
      <UButton :disabled="picked.length === 0 || !clubId || !rungId" @click="move">Move there</UButton>
      <UButton
        color="neutral"
        variant="outline"
        icon="i-lucide-circle-minus"
        :disabled="picked.length === 0"
        @click="changePicked({ leftOut: 'left out together' }, `${count} left out`, 'leaving balls out')"
        >Leave out</UButton
      >
      <UButton
        color="neutral"
        variant="outline"
        icon="i-lucide-rotate-ccw"
        :disabled="picked.length === 0"
        @click="changePicked({ leftOut: null, strike: null }, `${count} put back`, 'putting balls back')"
        >Put back</UButton
      >
    </div>
    <div v-if="newestFirst.length > 0" class="raised max-h-96 overflow-y-auto px-2">
      <ShotsShotList v-model:picked="picked" :shots="listed" :picking="picking" @open="emit('open', $event)" />
    </div>
    <UButton
      v-if="newestFirst.length > FIRST_BALLS"
      color="neutral"
      variant="outline"
      class="mt-2"
      :aria-expanded="allBalls"
      @click="allBalls = !allBalls"
      >{{ allBalls ? 'Show the newest' : `Show all ${newestFirst.length} balls` }}</UButton
    >
    <p v-if="newestFirst.length === 0" class="soft">None yet. Type what the first ball carried and press Enter.</p>

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
  </section>
</template>
