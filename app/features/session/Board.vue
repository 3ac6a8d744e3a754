<script setup lang="ts">
import { cellKey, isStruckOut, type StockShot } from '#core/bag/bag'
import { doesCount } from '#core/shot/shot'
import { LABEL_MAX } from '#core/limits'
import { rungName } from '#core/swing/scale'
import type { RangeSession } from '~/features/session/useRangeSession'
import { useBoardSteps } from '~/features/session/useBoardSteps'
import { useDistance } from '~/ui/useDistance'
import { useHabits } from '~/features/session/useHabits'
import { useCellNames, useNumbers } from '~/calculation/useNumbers'
import { usePlayerRecord } from '~/offline/stores/record'
import GridClubSwingGrid from '~/ui/grid/ClubSwingGrid.vue'
import SessionBoardCell from '~/features/session/BoardCell.vue'

const props = defineProps<{ range: RangeSession }>()
const emit = defineEmits<{ chosen: [] }>()
const record = usePlayerRecord()
const { gapsChart } = useNumbers()
const { text, typed } = useDistance()
const { clubs, rungs, cell, balls } = props.range
const { lockedIn } = useHabits(props.range)

const byKey = computed(() => new Map(gapsChart.value.map(number => [cellKey(number), number])))
const inSession = computed(() => {
  const counts = new Map<string, { balls: number; leftOut: number }>()
  for (const ball of balls.value) {
    const count = counts.get(cellKey(ball)) ?? { balls: 0, leftOut: 0 }
    count[doesCount(ball) ? 'balls' : 'leftOut'] += ball.balls
    counts.set(cellKey(ball), count)
  }
  return counts
})
const lines = computed(() =>
  rungs.value.map(rung => ({
    id: rung.id,
    name: rungName(rung),
    cells: new Map(
      clubs.value.map(club => {
        const at = { clubId: club.id, rungId: rung.id }
        const number = byKey.value.get(cellKey(at))
        return [
          club.id,
          {
            name: `${club.label} ${rungName(rung)}`,
            struckOut: isStruckOut(record.bag, at),
            ...(inSession.value.get(cellKey(at)) ?? { balls: 0, leftOut: 0 }),
            lockedIn: lockedIn(at),
            predicted: number?.kind === 'predicted',
            written: number?.written === true,
            number: number?.carryM == null ? null : (number.written ? typed : text)(number.carryM),
          },
        ]
      }),
    ),
  })),
)
const { cellName } = useCellNames()
const chosenName = computed(() => (cell.value ? cellName(cell.value) : ''))
const totalOn = computed(() => record.player?.thresholds.totalOn)
const chosenKey = computed(() => cell.value && cellKey(cell.value))

const steps = useBoardSteps()
const { asked, name, fault } = steps
/** The stock shot that a long press, a right click or the menu key is about. */
const about = shallowRef<StockShot | null>(null)
const menu = computed(() => (about.value ? steps.itemsFor(about.value) : []))
/** Made once for a stock shot and its number, not with every ball. */
const changes = computed(() => (cell.value ? steps.itemsFor(cell.value) : []))
const grid = useTemplateRef('grid')
function takeCell({ target }: Event) {
  const key = (target as Element).closest<HTMLElement>('[data-cell]')?.dataset.cell
  const [clubId, rungId] = key?.split('/') ?? []
  about.value = clubId && rungId ? { clubId, rungId } : (cell.value ?? null)
}
useEventListener(grid, ['pointerdown', 'contextmenu', 'focusin'], takeCell, { capture: true })

function choose(at: StockShot) {
  props.range.choose(at)
  emit('chosen')
}
</script>

<template>
  <div ref="grid">
    <UContextMenu :items="menu">
      <div>
        <GridClubSwingGrid
          :clubs="clubs"
          :swings="lines"
          arrows-elsewhere
          :caption="`The chart so far${totalOn ? ', by total' : ''}: choose a stock shot`"
          table-class="w-full"
          corner-class="w-14 max-md:w-12"
          club-class="min-w-14 px-2 py-1 text-left align-bottom leading-tight font-bold"
          swing-class="pr-2 text-left text-[0.95rem] leading-tight font-bold"
          :cell-class="() => 'border border-default p-0'"
        >
          <template #club="{ club }"><span class="block w-max max-w-20 wrap-anywhere">{{ club.label }}</span></template>
          <template #swing="{ swing }"
            ><span class="block w-max max-w-24 wrap-anywhere">{{ swing.name }}</span></template
          >
          <template #cell="{ club, swing }">
            <SessionBoardCell
              v-bind="swing.cells.get(club.id)!"
              :chosen="chosenKey === cellKey({ clubId: club.id, rungId: swing.id })"
              :data-cell="cellKey({ clubId: club.id, rungId: swing.id })"
              @choose="choose({ clubId: club.id, rungId: swing.id })"
            />
          </template>
        </GridClubSwingGrid>
      </div>
    </UContextMenu>
    <p v-if="cell" class="soft mt-1 flex items-center justify-between gap-2 text-sm">
      <span>Hold one to change it.</span>
      <UDropdownMenu :items="changes"
        ><UButton size="sm" color="neutral" variant="link" class="min-h-9 shrink-0 px-0 underline"
          >Change {{ chosenName }}</UButton
        ></UDropdownMenu
      >
    </p>
    <UModal
      :open="asked !== null"
      :title="asked?.title ?? ''"
      description="As the player calls it. The session goes on."
      @update:open="asked = null"
    >
      <template #body>
        <form id="board-step" novalidate @submit.prevent="steps.save()">
          <UFormField label="Name" :error="fault || undefined" help=" "
            ><UInput v-model="name" autofocus :maxlength="LABEL_MAX" class="w-full"
          /></UFormField>
        </form>
      </template>
      <template #footer>
        <UButton type="submit" form="board-step">Save</UButton>
        <UButton color="neutral" variant="outline" @click="asked = null">Cancel</UButton>
      </template>
    </UModal>
  </div>
</template>
