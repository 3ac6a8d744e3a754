<script setup lang="ts">
import { cellKey, type StockShot } from '#core/bag/bag'
import { outOfOrder, rungName, type Rung } from '#core/swing/scale'
import { schoolById, type SchoolId } from '#core/swing/schools'
import { useShortcuts } from '~/ui/useShortcuts'
import { useBagDraft } from '~/features/bag/useBagDraft'
import { useCellRemarks } from '~/player/useCellRemarks'
import { useDistance } from '~/ui/useDistance'
import { changeOf, draftClubsInUse } from '~/player/bag-draft'
import BagAddLength from '~/features/bag/AddLength.vue'
import BagBagGrid from '~/features/bag/BagGrid.vue'
import BagCellFields from '~/features/bag/CellFields.vue'
import BagClubFields from '~/features/bag/ClubFields.vue'
import BagClubLines from '~/features/bag/ClubLines.vue'
import BagLoftLine from '~/features/bag/LoftLine.vue'
import BagRetired from '~/features/bag/Retired.vue'
import BagRungFields from '~/features/bag/RungFields.vue'
import BagSaveBar from '~/features/bag/SaveBar.vue'
import BagSchoolPicker from '~/features/bag/SchoolPicker.vue'
import BagStaleNotice from '~/features/bag/StaleNotice.vue'
import BagStarterSets from '~/features/bag/StarterSets.vue'
import FrameStagePage from '~/ui/frame/StagePage.vue'

const props = defineProps<{ playerId: string }>()
const editor = useBagDraft(props.playerId)
const { draft, dirty, resumed, errors } = editor
const { unit } = useDistance()
const { remarksOf } = useCellRemarks()

/** What is being changed, beside the thing itself. */
type Editing = { kind: 'club' | 'rung'; id: string } | { kind: 'cell'; cell: StockShot; startWith?: string }
const editing = shallowRef<Editing & { place: HTMLElement }>()
const picking = ref(false)
const cellFields = useTemplateRef('cellFields')

// While a loft is typed its club keeps its place: "5" on the way to "56" is no reason to jump.
const frozen = shallowRef<string[]>()
const clubs = computed(() => {
  const sorted = draftClubsInUse(draft.value)
  if (!frozen.value) return sorted
  const place = new Map(frozen.value.map((id, i) => [id, i]))
  return sorted.sort((a, b) => (place.get(a.id) ?? sorted.length) - (place.get(b.id) ?? sorted.length))
})
const rungs = computed(() => draft.value.rungs.filter(rung => !rung.retired).reverse())
const ready = computed(() => clubs.value.length > 0 && rungs.value.length > 0)
/** The scale as far as what is typed says how long its rungs are. */
const scale = computed(() => ({
  school: draft.value.school,
  rungs: changeOf(draft.value, 1)
    .scale.rungs.filter(rung => !rung.retired)
    .map(rung => ({ ...rung, fraction: typeof rung.fraction === 'number' ? rung.fraction : undefined })) as Rung[],
}))
const disorder = computed(() => outOfOrder(scale.value))

const faulty = computed(() => {
  const ids = errors.errors.value.flatMap(({ field }) => {
    const [list, at, third] = field.split('.')
    if (list === 'clubs') return [draft.value.clubs[Number(at)]?.id]
    return list === 'scale' && at === 'rungs' ? [draft.value.rungs[Number(third)]?.id] : []
  })
  return new Set(ids.filter(id => id !== undefined))
})

function editCell(cell: StockShot, place: HTMLElement, digit?: string) {
  const open = editing.value
  if (digit === undefined || open?.kind !== 'cell' || cellKey(open.cell) !== cellKey(cell))
    return edit({ kind: 'cell', cell, startWith: digit }, place)
  if (cellFields.value) cellFields.value.add(digit)
  else editing.value = { ...open, startWith: (open.startWith ?? '') + digit }
}
function edit(what: Editing, place: HTMLElement) {
  frozen.value = what.kind === 'club' ? clubs.value.map(club => club.id) : undefined
  editing.value = { ...what, place }
}
/** Where the focus goes is settled here: a cell's field keeps what was begun, what was changed gets it back. */
function keepFocus(event: Event) {
  if (editing.value?.kind !== 'club' && editing.value?.kind !== 'rung') event.preventDefault()
}
/** Closes; a number that is none keeps it open, with what is wrong. */
function close(force = false) {
  if (!force && cellFields.value?.keep() === false) return
  const place = editing.value?.place
  editing.value = undefined
  frozen.value = undefined
  if (place?.isConnected) place.focus()
}
/** The place on the screen of a club or a swing length: on a phone a club has a line of its own. */
async function editById(kind: 'club' | 'rung', id: string) {
  await nextTick()
  const places = [...document.querySelectorAll<HTMLElement>(`[data-${kind}="${id}"]`)]
  const place = places.find(element => element.offsetParent !== null)
  if (place) edit({ kind, id }, place)
}
const addClub = () => editById('club', editor.addClub())

const cellName = computed(() => {
  if (editing.value?.kind !== 'cell') return ''
  const { cell } = editing.value
  const club = draft.value.clubs.find(one => one.id === cell.clubId)
  const rung = draft.value.rungs.find(one => one.id === cell.rungId)
  return club && rung ? `${club.label || '?'} ${rungName(rung)}` : ''
})
const isOut = (cell: StockShot) => draft.value.struckOut.some(one => cellKey(one) === cellKey(cell))
const cells = computed(() =>
  clubs.value.flatMap(club => rungs.value.map(rung => ({ clubId: club.id, rungId: rung.id }))),
)
const inUse = computed(() => cells.value.filter(cell => !isOut(cell)))
const believed = computed(
  () => inUse.value.filter(cell => draft.value.believed[cellKey(cell)] ?? remarksOf(cell).believed).length,
)
const plural = (n: number, one: string, many: string) => `${n} ${n === 1 ? one : many}`

function choose(school: SchoolId, presetId: string) {
  editor.chooseSchool(school, presetId)
  picking.value = false
}

// Undo belongs to the field while one is typed in, and to the bag elsewhere; a bag is saved from its fields too.
useShortcuts({
  saveBag: () => save(),
  undoBag: () => editor.undo(),
  redoBag: () => editor.redo(),
})
/** What stands in an open field belongs to what is saved. */
function save() {
  if (cellFields.value?.keep() === false) return
  void editor.save()
}

// The first thing to mend opens by itself.
watch(errors.errors, async list => {
  const [list0, at, third] = list[0]?.field.split('.') ?? []
  const id = list0 === 'clubs' ? draft.value.clubs[Number(at)]?.id : draft.value.rungs[Number(third)]?.id
  if (list0 && id) await editById(list0 === 'clubs' ? 'club' : 'rung', id)
})
</script>

<template>
  <FrameStagePage
    title="Bag"
    :line="
      ready
        ? 'Tap a club, a length or a cell to change it. Cells hold what the player believes.'
        : 'Which clubs, and how the player tells one length of swing from another.'
    "
  >
    <template #actions>
      <template v-if="ready">
        <UButton color="neutral" variant="outline" icon="i-lucide-plus" @click="addClub">Add a club</UButton>
        <BagAddLength :editor="editor" @added="id => editById('rung', id)" />
      </template>
      <UButton
        :to="`/api/players/${playerId}/bag.json`"
        external
        download
        color="neutral"
        variant="outline"
        square
        icon="i-lucide-download"
        aria-label="Bag file"
        title="Bag file"
      />
    </template>
    <div class="space-y-5 pb-24">
      <p v-if="resumed && dirty" role="status" class="raised flex flex-wrap items-center gap-3 px-4 py-2">
        <UIcon name="i-lucide-history" class="soft" /> Changes from before are still here, not saved yet.
      </p>
      <BagStaleNotice v-if="editor.theirs.value" :editor="editor" />
      <BagStarterSets
        v-if="clubs.length === 0"
        @choose="lofts => lofts.forEach(loft => editor.addClub(loft))"
        @one="addClub"
      />
      <template v-else>
        <BagLoftLine :clubs="clubs" class="max-sm:hidden" />
        <BagClubLines
          :clubs="clubs"
          :faulty="faulty"
          class="sm:hidden"
          @edit="(id, place) => edit({ kind: 'club', id }, place)"
        />
      </template>
      <section v-if="rungs.length === 0 || picking" aria-labelledby="scale-title">
        <h2 id="scale-title" class="text-xl font-bold">How does the player tell one length of swing from another?</h2>
        <p v-if="picking" class="soft">
          The scale starts anew in the school you choose; swings with balls are retired, not lost. It can be undone.
          <UButton variant="link" class="min-h-9 px-0" @click="picking = false">Keep what is there</UButton>
        </p>
        <BagSchoolPicker class="mt-3" :chosen="rungs.length > 0 ? draft.school : undefined" @choose="choose" />
      </section>
      <section v-else-if="ready" aria-label="Shots of this bag">
        <p class="mb-1 flex flex-wrap items-baseline gap-x-3 text-sm">
          <span class="soft">{{ schoolById(draft.school).title }}</span>
          <UButton variant="link" class="min-h-9 px-0" @click="picking = true">Change school</UButton>
          <span class="soft ml-auto">Believed, {{ unit }}</span>
        </p>
        <BagBagGrid
          :clubs="clubs"
          :rungs="rungs"
          :scale="scale"
          :faulty="faulty"
          :editor="editor"
          @club="(id, place) => edit({ kind: 'club', id }, place)"
          @rung="(id, place) => edit({ kind: 'rung', id }, place)"
          @cell="editCell"
        />
        <p v-if="disorder" class="mt-2 flex items-center gap-2 font-semibold text-warning" role="status">
          <UIcon name="i-lucide-triangle-alert" /> {{ rungName(disorder.shorter) }} stands above
          {{ rungName(disorder.longer) }}, which usually goes further. The longest belongs on top; or say how long it
          is, in per cent of full.
        </p>
      </section>
      <UPopover
        :open="editing !== undefined"
        :reference="editing?.place"
        :content="{
          side: editing?.kind === 'rung' ? 'right' : 'bottom',
          onOpenAutoFocus: keepFocus,
          onCloseAutoFocus: keepFocus,
        }"
        :ui="{ content: 'max-w-[calc(100vw-1rem)] border border-(--ink) bg-default p-4' }"
        @update:open="open => !open && close()"
      >
        <template #content>
          <BagClubFields
            v-if="editing?.kind === 'club'"
            :key="editing.id"
            :club-id="editing.id"
            :editor="editor"
            @done="close(true)"
          />
          <BagRungFields
            v-else-if="editing?.kind === 'rung'"
            :key="editing.id"
            :rung-id="editing.id"
            :editor="editor"
            class="w-[29rem] max-w-full"
            @done="close(true)"
          />
          <BagCellFields
            v-else-if="editing?.kind === 'cell'"
            ref="cellFields"
            :key="cellKey(editing.cell)"
            :cell="editing.cell"
            :name="cellName"
            :not-used="isOut(editing.cell)"
            :editor="editor"
            :start-with="editing.startWith"
            @done="close(true)"
          />
        </template>
      </UPopover>
      <BagRetired :editor="editor" />
      <BagSaveBar v-if="dirty || errors.general.value" :editor="editor" @save="save" />
      <div v-else-if="ready" class="flex flex-wrap items-center gap-x-4 gap-y-2">
        <UButton :to="`/players/${playerId}/session`" size="lg" trailing-icon="i-lucide-arrow-right"
          >To the range</UButton
        >
        <p class="soft">
          {{ plural(inUse.length, 'stock shot', 'stock shots') }} in use,
          {{ plural(believed, 'number', 'numbers') }} believed.
        </p>
      </div>
    </div>
  </FrameStagePage>
</template>
