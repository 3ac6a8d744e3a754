<script setup lang="ts">
import { cellKey, type StockShot } from '#core/bag/bag'
import { rungCue, rungFractions, rungName, type Rung } from '#core/swing/scale'
import type { BagEditor } from '~/features/bag/useBagDraft'
import { useCellRemarks } from '~/player/useCellRemarks'
import { useDistance } from '~/ui/useDistance'
import { usePlayerRecord } from '~/offline/stores/record'
import type { DraftClub, DraftRung } from '~/player/bag-draft'
import { swingSolidity } from '~/ui/marks/swing-fill'
import { swingPoses } from '~/ui/marks/swing-figure'
import GridClubSwingGrid from '~/ui/grid/ClubSwingGrid.vue'
import MarksSwingFigure from '~/ui/marks/SwingFigure.vue'

/** The bag itself: swing lengths down, each drawn, clubs across, and in the cells what the player believes. */
const props = defineProps<{
  clubs: DraftClub[]
  /** Longest first. */
  rungs: DraftRung[]
  scale: { school: DraftRung['school']; rungs: Rung[] }
  faulty: ReadonlySet<string>
  editor: BagEditor
}>()
defineEmits<{
  club: [id: string, place: HTMLElement]
  rung: [id: string, place: HTMLElement]
  cell: [cell: StockShot, place: HTMLElement, startWith?: string]
}>()
const record = usePlayerRecord()
const { remarksOf } = useCellRemarks()
const { believed: asTyped, unit } = useDistance()
const draft = props.editor.draft

const out = computed(() => new Set(draft.value.struckOut.map(cellKey)))
const drawn = computed(() => {
  const poses = swingPoses({ school: draft.value.school, rungs: props.scale.rungs })
  const shares = rungFractions({ school: draft.value.school, rungs: props.scale.rungs })
  return new Map(
    props.scale.rungs.map((rung, i, all) => [
      rung.id,
      { pose: poses[i]!, share: shares[i]!, solidity: swingSolidity(i, all.length) },
    ]),
  )
})
const name = (club: DraftClub, rung: DraftRung) => `${club.label || '?'} ${rung.label ? rungName(rung) : '?'}`
function believed(cell: StockShot): string {
  const belief = draft.value.believed[cellKey(cell)] ?? remarksOf(cell).believed
  return belief ? asTyped(belief) : ''
}
const cellOf = (club: DraftClub, rung: DraftRung): StockShot => ({ clubId: club.id, rungId: rung.id })
const isOut = (club: DraftClub, rung: DraftRung) => out.value.has(cellKey(cellOf(club, rung)))
const place = (event: Event) => event.currentTarget as HTMLElement
/** A digit on a cell begins its number. */
const isDigit = (event: KeyboardEvent) => /^\d$/.test(event.key) && !event.ctrlKey && !event.metaKey && !event.altKey
function spoken(club: DraftClub, rung: DraftRung): string {
  if (isOut(club, rung)) return `${name(club, rung)}, not used`
  const number = believed(cellOf(club, rung))
  return `${name(club, rung)}, ${number ? `believed ${number} ${unit.value}` : 'nothing believed'}`
}
</script>

<template>
  <GridClubSwingGrid
    :clubs="clubs"
    :swings="rungs"
    caption="The bag: swing lengths down, clubs across, and what the player believes each stock shot carries"
    table-class="w-full table-fixed"
    :min-rem="clubs.length > 5 ? 5 + clubs.length * 3.4 : undefined"
    corner-class="w-[5.75rem] pb-1 align-bottom sm:w-[28%]"
    club-class="p-0.5 align-bottom"
    swing-class="p-0 text-left font-normal"
    :cell-class="() => 'border border-default bg-(--raised) p-0'"
  >
    <template #club="{ club }">
      <button
        type="button"
        class="w-full cursor-pointer rounded-md py-1 text-center hover:bg-elevated"
        :data-club="club.id"
        :aria-label="`Change ${club.label || 'this club'}`"
        :aria-invalid="faulty.has(club.id) || undefined"
        @click="$emit('club', club.id, place($event))"
      >
        <span
          class="block leading-tight font-bold wrap-anywhere sm:text-xl"
          :class="club.label.length > 4 ? 'text-sm' : 'text-lg'"
          ><UIcon v-if="faulty.has(club.id)" name="i-lucide-circle-alert" class="text-error" />
          {{ club.label || '?' }}</span
        >
        <span class="soft block truncate text-xs font-normal max-sm:hidden"
          >{{ club.name || '&nbsp;'
          }}<template v-if="club.label !== `${club.loft}°`">, {{ club.loft }}°</template></span
        >
      </button>
    </template>
    <template #swing="{ swing }">
      <button
        type="button"
        class="flex w-full cursor-pointer items-center gap-1 rounded-md py-1 text-left hover:bg-elevated sm:gap-4 sm:px-2"
        :data-rung="swing.id"
        :aria-label="`Change ${swing.label ? rungName(swing) : 'this swing length'}`"
        :aria-invalid="faulty.has(swing.id) || undefined"
        @click="$emit('rung', swing.id, place($event))"
      >
        <MarksSwingFigure
          v-if="drawn.get(swing.id)"
          class="w-9 sm:w-12"
          :pose="drawn.get(swing.id)!.pose"
          :solidity="drawn.get(swing.id)!.solidity"
          :left-handed="record.player?.hand === 'left'"
        />
        <span class="min-w-0"
          ><strong class="block leading-tight break-words sm:text-lg"
            ><UIcon v-if="faulty.has(swing.id)" name="i-lucide-circle-alert" class="text-error" />
            {{ swing.label ? rungName(swing) : '?' }}</strong
          >
          <span class="soft block text-sm leading-tight max-sm:hidden"
            >{{ rungCue(swing)
            }}<span class="block text-xs">{{
              drawn.get(swing.id)?.share.known
                ? `${Math.round(drawn.get(swing.id)!.share.fraction * 100)} % of full`
                : ''
            }}</span></span
          ></span
        >
      </button>
    </template>
    <template #cell="{ club, swing }">
      <button
        type="button"
        class="flex h-16 w-full cursor-pointer items-center justify-center text-center hover:bg-elevated"
        :class="isOut(club, swing) && 'hatched'"
        :aria-label="spoken(club, swing)"
        @click="$emit('cell', cellOf(club, swing), place($event))"
        @keydown="
          isDigit($event) && ($event.preventDefault(), $emit('cell', cellOf(club, swing), place($event), $event.key))
        "
      >
        <span v-if="isOut(club, swing)" class="soft rounded-sm bg-(--raised) px-1 text-xs leading-tight">not used</span>
        <strong
          v-else-if="believed(cellOf(club, swing))"
          :class="
            believed(cellOf(club, swing)).length > 4 ? 'text-sm leading-tight sm:text-base' : 'text-lg sm:text-xl'
          "
          >{{ believed(cellOf(club, swing)) }}</strong
        >
        <span v-else class="soft" aria-hidden="true">·</span>
      </button>
    </template>
  </GridClubSwingGrid>
</template>
