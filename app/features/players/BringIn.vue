<script setup lang="ts">
import type { BroughtIn } from '#shared/player-file'
import { useBringIn } from '~/features/players/useBringIn'

/** Players of another academy, or of this one's past, out of the file that holds their whole record. */
const props = defineProps<{ known: readonly string[] }>()
const emit = defineEmits<{ close: []; brought: [players: BroughtIn[]] }>()
const { opened, fault, busy, brought, failed, done, open, take } = useBringIn()
const input = useTemplateRef<HTMLInputElement>('input')
const dropZone = useTemplateRef<HTMLElement>('dropZone')
const { isOverDropZone: over } = useDropZone(dropZone, { onDrop: files => files?.[0] && void choose(files[0]) })
const left = ref(new Set<number>())
const chosen = computed(() => opened.value?.players.filter((_, i) => !left.value.has(i)) ?? [])
const ended = ref(false)
const howMany = (n: number) => (n === 1 ? '1 player' : `${n} players`)
const ballsOf = (n: number) => (n === 1 ? '1 ball' : `${n} balls`)

const isKnown = (name: string) => props.known.includes(name)
/** Whoever has a name that is here already comes only where that is meant. */
async function choose(file: File) {
  await open(file)
  const list = opened.value?.players ?? []
  left.value = new Set(list.flatMap(({ name }, i) => (list.length > 1 && isKnown(name) ? [i] : [])))
}
function chooseFrom(files: FileList | null) {
  if (files?.[0]) void choose(files[0])
  if (input.value) input.value.value = ''
}
function setChosen(at: number, on: boolean) {
  const next = new Set(left.value)
  if (on) next.delete(at)
  else next.add(at)
  left.value = next
}
async function takeThem() {
  await take(chosen.value)
  ended.value = true
  if (brought.value.length > 0) emit('brought', brought.value)
  if (failed.value.length === 0) emit('close')
}
/** While it is taken in, the dialog stays: what has come is told at the end. */
const close = () => !busy.value && emit('close')
</script>

<template>
  <UModal
    :open="true"
    title="Bring players in"
    description="From the zip that holds a player’s whole record, or an academy’s."
    @update:open="close"
  >
    <template #body>
      <div
        v-if="!opened"
        ref="dropZone"
        class="border-2 border-dashed border-default p-6 text-center"
        :class="over && 'bg-elevated'"
      >
        <p class="mb-3">Nothing is taken before you have seen who is in it.</p>
        <UButton icon="i-lucide-folder-open" :loading="busy" @click="input?.click()">Choose a zip</UButton>
        <input
          ref="input"
          type="file"
          accept=".zip,application/zip"
          class="sr-only"
          tabindex="-1"
          aria-label="Zip of a player or an academy"
          @change="chooseFrom(($event.target as HTMLInputElement).files)"
        />
      </div>
      <p v-if="fault" role="alert" class="mt-3 font-semibold text-error">{{ fault }}</p>
      <template v-if="opened && !ended">
        <p v-if="opened.academy" class="mb-2">
          {{ howMany(opened.players.length) }} of {{ opened.academy.name }}, with its ranges and drills.
        </p>
        <ul class="raised max-h-80 divide-y divide-default overflow-y-auto">
          <li v-for="(player, i) in opened.players" :key="i" class="flex items-center gap-3 px-4 py-2">
            <UCheckbox
              :model-value="!left.has(i)"
              :label="player.name"
              :disabled="busy"
              class="min-w-0 flex-1"
              @update:model-value="setChosen(i, $event === true)"
            />
            <span v-if="isKnown(player.name)" class="text-sm text-warning">there is one here</span>
            <span class="soft tabular-nums">{{ ballsOf(player.balls) }}</span>
          </li>
        </ul>
        <p class="soft mt-3">
          Bag, balls, charts, practice, rounds and notes come along, and are yours from then on. Links of the player’s
          phone do not: make a new one.
        </p>
      </template>
      <div v-if="ended" role="alert">
        <p v-if="brought.length > 0" class="mb-2">{{ howMany(brought.length) }} came in.</p>
        <p class="font-semibold text-error">Not brought in:</p>
        <ul class="mt-1 space-y-1">
          <li v-for="(one, i) in failed" :key="i"><strong>{{ one.name }}.</strong> {{ one.why }}</li>
        </ul>
      </div>
    </template>
    <template #footer>
      <UButton v-if="opened && !ended" :disabled="chosen.length === 0" :loading="busy" @click="takeThem">
        {{ busy ? `${done} of ${chosen.length}` : `Bring in ${howMany(chosen.length)}` }}
      </UButton>
      <UButton color="neutral" variant="outline" :disabled="busy" @click="close">{{
        ended ? 'Close' : 'Cancel'
      }}</UButton>
    </template>
  </UModal>
</template>
