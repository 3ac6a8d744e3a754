<script setup lang="ts">
import { clubsInUse, rungsInUse } from '#core/bag/bag'
import { rungName } from '#core/swing/scale'
import type { DropdownMenuItem } from '@nuxt/ui'
import type { ShotRecord } from '#shared/schemas/session'
import type { Done, RangeSession } from '~/features/session/useRangeSession'
import { useCellNames } from '~/calculation/useNumbers'
import { usePlayerRecord } from '~/offline/stores/record'
import type { SessionDialog } from '~/features/session/session-dialog'
import SessionBallsDialogs from '~/features/session/BallsDialogs.vue'
import ShotsShotList from '~/player/shots/ShotList.vue'

/**
 * The balls of the session, newest first; several at once can be moved or left out. And what can be done with the
 * session.
 */
const props = defineProps<{ range: RangeSession }>()
const emit = defineEmits<{ open: [shot: ShotRecord]; undo: [which: Done] }>()
const { newestFirst } = props.range
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

const dialog = ref<SessionDialog>()
const start = (which: SessionDialog) => {
  dialog.value = which
}
const alone = computed(() => record.sessions.filter(one => !one.plan.gone).length < 2)
const menu = computed((): DropdownMenuItem[] => [
  { label: 'Rename the session…', icon: 'i-lucide-pencil', onSelect: () => start('rename') },
  {
    label: 'Merge into another session…',
    icon: 'i-lucide-merge',
    disabled: alone.value,
    onSelect: () => start('merge'),
  },
  { label: 'Give it to another player…', icon: 'i-lucide-user-round-search', onSelect: () => start('move') },
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
    <SessionBallsDialogs v-model="dialog" :range="range" @undoable="offerUndo" />
  </section>
</template>
