<script setup lang="ts">
import { useDistance } from '~/ui/useDistance'
import { LANE_RIGHT_PX, laneLabelPx, type FlagMark, type FlagMarkKind } from '~/features/gaps/lanes'

/**
 * Where each flag stands in the yards: a line over its stretch with the number of its card. Kinds differ by their line,
 * not by colour alone: a bracket for what is missing, two arrowheads for what is doubled, a hatch for what is weak.
 */
const props = defineProps<{
  marks: readonly FlagMark[]
  rangeM: [number, number]
  /** The number of the flag that is chosen or pointed at. */
  lit: number | null
}>()
defineEmits<{ choose: [number: number]; light: [number: number | null] }>()
const { to } = useDistance()
const box = useTemplateRef('box')
/** What it will most likely be, so that nothing moves once it is known. */
const PHONE = { most: 767, paddingPx: 32 }
const DESK_PX = 676
const guess = window.innerWidth <= PHONE.most ? window.innerWidth - PHONE.paddingPx : DESK_PX
const { width } = useElementSize(box, { width: guess, height: 0 })

const DISC_PX = 24
const ROW_PX = 28
/** What a finger hits, whatever the stretch: marks nearer than this go to rows of their own. */
const ROOM_PX = 40
const LINES: Record<FlagMarkKind, string> = { hole: 'bracket', overlap: 'arrows', weak: 'hatch', finding: 'plain' }

const across = (metres: number) => {
  const [from, until] = props.rangeM
  const left = laneLabelPx(width.value)
  return left + ((to(metres) - to(from)) / (to(until) - to(from))) * (width.value - left - LANE_RIGHT_PX)
}
const placed = computed(() => {
  const rows: number[] = []
  return [...props.marks]
    .sort((a, b) => a.fromM - b.fromM || a.toM - b.toM)
    .flatMap(mark => {
      const [least, most] = [laneLabelPx(width.value), width.value - LANE_RIGHT_PX]
      const [from, until] = [Math.max(least, across(mark.fromM)), Math.min(most, across(mark.toM))]
      if (width.value === 0 || until < least || from > most) return []
      const middle = (from + until) / 2
      const [left, right] = [Math.min(from, middle - ROOM_PX / 2), Math.max(until, middle + ROOM_PX / 2)]
      let row = rows.findIndex(end => end <= left)
      if (row < 0) row = rows.length
      rows[row] = right
      return [{ mark, line: { from, width: until - from }, middle, row }]
    })
})
const height = computed(() => Math.max(1, ...placed.value.map(one => one.row + 1)) * ROW_PX)
</script>

<template>
  <div ref="box" class="relative" :style="{ height: `${height}px` }">
    <template v-for="{ mark, line, middle, row } in placed" :key="mark.number">
      <span
        class="mark-line"
        :data-line="LINES[mark.kind]"
        :data-lit="lit === mark.number"
        :data-dashed="!mark.sure"
        :style="{
          'left': `${line.from}px`,
          'width': `${line.width}px`,
          'top': `${row * ROW_PX}px`,
          '--mark': `var(--${mark.kind === 'finding' ? 'soft-ink' : mark.kind})`,
        }"
        aria-hidden="true"
      />
      <button
        type="button"
        class="mark-disc flag-disc"
        :data-kind="mark.kind"
        :data-lit="lit === mark.number"
        :style="{ left: `${middle - DISC_PX / 2}px`, top: `${row * ROW_PX + 2}px` }"
        :aria-label="`Flag ${mark.number}: ${mark.title}`"
        :aria-pressed="lit === mark.number"
        @click="$emit('choose', mark.number)"
        @mouseenter="$emit('light', mark.number)"
        @mouseleave="$emit('light', null)"
        @focus="$emit('light', mark.number)"
        @blur="$emit('light', null)"
      >
        {{ mark.number }}
      </button>
    </template>
  </div>
</template>
