<script setup lang="ts" generic="C extends { id: string }, S extends { id: string }">
import type { HTMLAttributes } from 'vue'
import { gridStep } from '~/ui/grid/grid-keys'

/**
 * Clubs across, swing lengths down: the one table that chart, board, bag, beliefs and published chart are drawn in.
 * What a cell shows is the caller's; the arrow keys go from cell to cell here.
 */
const props = defineProps<{
  clubs: readonly C[]
  swings: readonly S[]
  /** For screen readers alone: a heading beside it says it to the others. */
  caption: string
  /** The page has arrow keys of its own for what the grid shows. */
  arrowsElsewhere?: boolean
  tableClass?: string
  cornerClass?: string
  clubClass?: string
  swingClass?: string
  cellClass?: (club: C, swing: S) => HTMLAttributes['class']
  /** Never narrower than this many rem; it scrolls sideways instead. */
  minRem?: number
}>()
const table = useTemplateRef('table')

/** The thing in a cell that can be chosen or typed into. */
const targetIn = (cell: Element | undefined) => cell?.querySelector<HTMLElement>('button, input, a[href]') ?? null

function step(event: KeyboardEvent): void {
  const from = (event.target as Element).closest('td')
  const move = gridStep(event)
  if (props.arrowsElsewhere || !from || !move || !table.value) return
  const rows = [...table.value.tBodies[0]!.rows].map(row => [...row.querySelectorAll('td')])
  let row = rows.findIndex(cells => cells.includes(from))
  let column = rows[row]!.indexOf(from)
  // A cell that is not used has nothing to choose: it is stepped over.
  do {
    row += move.down
    column += move.right
    const target = targetIn(rows[row]?.[column])
    if (!target) continue
    event.preventDefault()
    target.focus()
    if (target instanceof HTMLInputElement) target.select()
    return
  } while (rows[row]?.[column])
}
</script>

<template>
  <!-- Half of a collapsed border lies outside the table: some engines would cut it off. -->
  <div class="overflow-x-auto pr-px">
    <!-- Keys act on what is in a cell and has the focus; the table itself takes none. -->
    <!-- eslint-disable-next-line vuejs-accessibility/no-static-element-interactions -->
    <table
      ref="table"
      class="border-collapse"
      :class="tableClass"
      :style="minRem === undefined ? undefined : { minWidth: `${minRem}rem` }"
      @keydown="step"
    >
      <caption class="sr-only">
        {{ caption }}
      </caption>
      <thead>
        <tr>
          <td :class="cornerClass" />
          <th v-for="club in clubs" :key="club.id" scope="col" :class="clubClass">
            <slot name="club" :club="club" />
          </th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="swing in swings" :key="swing.id">
          <th scope="row" :class="swingClass"><slot name="swing" :swing="swing" /></th>
          <td v-for="club in clubs" :key="club.id" :class="cellClass?.(club, swing)">
            <slot name="cell" :club="club" :swing="swing" />
          </td>
        </tr>
      </tbody>
    </table>
  </div>
</template>
