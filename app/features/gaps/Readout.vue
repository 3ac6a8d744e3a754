<script setup lang="ts">
import { cellKey, type StockShot } from '#core/bag/bag'
import { plusMinusM, type ChartCell } from '#core/chart/chart-cell'
import type { Cover, CoverAt } from '#core/gaps/stretches'
import { useDistance } from '~/ui/useDistance'
import { useCellNames, useNumbers } from '~/calculation/useNumbers'

/** What stands where the coach points: the yard with its best shot, and the stock shot. */
const props = defineProps<{ cover: Cover; at: CoverAt | null; picked: StockShot | null }>()
const { gapsChart } = useNumbers()
const { doubt, withUnit, text, typed, unit } = useDistance()
const { cellName } = useCellNames()

const yard = computed(() => {
  if (!props.at) return null
  const shot = props.cover.shots[props.at.best]!
  const name = `${cellName(shot)}${shot.grippedDown ? ' gripped down an inch' : ''}`
  return {
    at: withUnit(props.at.atM),
    shot: `${name} (${text(shot.carryM)}${shot.predicted ? ', predicted' : ''})`,
    leave: withUnit(props.at.leaveM),
    bad: withUnit(props.at.badM),
  }
})
/** What stands behind the number. */
function ballsOf({ kind, balls, written }: ChartCell): string {
  if (kind === 'struck-out') return 'not used'
  if (balls > 0) return `${balls} ${balls === 1 ? 'ball' : 'balls'}`
  return written ? 'no ball yet' : 'predicted'
}
const stock = computed(() => {
  const cell = props.picked && gapsChart.value.find(one => cellKey(one) === cellKey(props.picked!))
  if (!cell || cell.carryM === null) return null
  const sure = plusMinusM(cell)
  const balls = ballsOf(cell)
  return {
    name: cellName(cell),
    carry: cell.written
      ? `written ${typed(cell.carryM)} ${unit.value}${cell.ballsM ? `, the balls say ${text(cell.ballsM)}` : ''}`
      : `${text(cell.carryM)} ± ${doubt(sure!)} ${unit.value}`,
    rest: cell.window80M
      ? `8 in 10 from ${text(cell.window80M[0])} to ${text(cell.window80M[1])} ${unit.value}, ${balls}`
      : balls,
  }
})
</script>

<template>
  <div class="min-h-[4.25rem] text-[0.95rem] sm:min-h-12" aria-live="polite">
    <p v-if="yard">
      <strong>{{ yard.at }}:</strong> best {{ yard.shot }}, leaves {{ yard.leave }} on average, one ball in ten more
      than {{ yard.bad }}.
    </p>
    <p v-else class="soft">
      Point at a yardage or a patch, or use the arrow keys: left and right go by the
      {{ unit === 'yd' ? 'yard' : 'metre' }}, up and down by the stock shot.
    </p>
    <p v-if="stock"><strong>{{ stock.name }}:</strong> {{ stock.carry }}, {{ stock.rest }}.</p>
  </div>
</template>
