<script setup lang="ts">
import {
  Chart,
  Filler,
  LinearScale,
  LineController,
  LineElement,
  PointElement,
  type ChartData,
  type ChartEvent,
  type ChartOptions,
  type Plugin,
} from 'chart.js'
import { Line } from 'vue-chartjs'
import type { CoverAt } from '#core/gaps/stretches'
import { useChartInk } from '~/features/gaps/useChartInk'
import { useDistance } from '~/ui/useDistance'
import { LANE_RIGHT_PX, drawCursor, laneLabelPx } from '~/features/gaps/lanes'

/** Expected leave of the best stock shot at every yard, with the line of what is acceptable; above it, filled. */
const props = defineProps<{
  at: readonly CoverAt[]
  /** Stretches whose number is thin or old: shaded, metres. */
  unproven?: readonly { fromM: number; toM: number }[]
  before?: readonly CoverAt[]
  lineM: number
  rangeM: [number, number]
  cursorM: number | null
}>()
const emit = defineEmits<{ point: [atM: number, cell: null] }>()
Chart.register(Filler, LinearScale, LineController, LineElement, PointElement)
const { to, from, text, unit } = useDistance()
const { ink } = useChartInk()

const data = computed<ChartData<'line', { x: number; y: number }[]>>(() => {
  const leaves = props.at.map(one => ({ x: to(one.atM), y: to(one.leaveM) }))
  const base = { borderWidth: 2, pointRadius: 0, tension: 0 }
  return {
    datasets: [
      {
        ...base,
        data: leaves,
        borderColor: ink.value.ink,
        fill: { target: { value: to(props.lineM) }, above: ink.value.hole, below: 'transparent' },
      },
      { ...base, data: leaves, borderColor: 'transparent', fill: 'start', backgroundColor: ink.value.window },
      props.before
        ? {
            ...base,
            data: props.before.map(one => ({ x: to(one.atM), y: to(one.leaveM) })),
            borderColor: ink.value.soft,
            borderDash: [5, 4],
            fill: false,
          }
        : {
            ...base,
            data: props.at.map(one => ({ x: to(one.atM), y: to(one.badM) })),
            borderColor: ink.value.soft,
            borderWidth: 1,
            borderDash: [2, 3],
            fill: false,
          },
    ],
  }
})
const most = computed(
  () =>
    Math.ceil(
      Math.max(
        to(props.lineM) * 1.3,
        ...props.at.map(one => to(props.before ? one.leaveM : one.badM)),
        ...(props.before ?? []).map(one => to(one.leaveM)),
      ) / 5,
    ) * 5,
)

const line: Plugin<'line'> = {
  id: 'line',
  afterDatasetsDraw({ ctx, chartArea, scales }) {
    const y = scales.y!.getPixelForValue(to(props.lineM))
    ctx.save()
    ctx.strokeStyle = ink.value.hole
    ctx.setLineDash([6, 4])
    ctx.lineWidth = 1.5
    ctx.beginPath()
    ctx.moveTo(chartArea.left, y)
    ctx.lineTo(chartArea.right, y)
    ctx.stroke()
    if (props.cursorM !== null) drawCursor(ctx, scales.x!.getPixelForValue(to(props.cursorM)), chartArea, ink.value.ink)
    ctx.restore()
  },
}

const SHADE_STEP_PX = 7
/** Sloping lines over what is not proven yet: a pattern, not a colour alone. */
const shade: Plugin<'line'> = {
  id: 'shade',
  beforeDatasetsDraw({ ctx, chartArea: { left, right, top, bottom }, scales }) {
    for (const { fromM, toM } of props.unproven ?? []) {
      const [from, until] = [fromM, toM].map(m => scales.x!.getPixelForValue(to(m))) as [number, number]
      const [a, b] = [Math.max(left, from - 1), Math.min(right, until + 1)]
      if (b <= a) continue
      ctx.save()
      ctx.beginPath()
      ctx.rect(a, top, b - a, bottom - top)
      ctx.clip()
      ctx.strokeStyle = ink.value.soft
      ctx.globalAlpha = 0.45
      ctx.lineWidth = 1
      ctx.beginPath()
      for (let x = a - (bottom - top); x < b; x += SHADE_STEP_PX) {
        ctx.moveTo(x, bottom)
        ctx.lineTo(x + (bottom - top), top)
      }
      ctx.stroke()
      ctx.restore()
    }
  },
}
function point(event: ChartEvent, chart: Chart): void {
  const { x } = event
  if (x !== null && x >= chart.chartArea.left && x <= chart.chartArea.right)
    emit('point', from(chart.scales.x!.getValueForPixel(x)!), null)
}

const options = computed<ChartOptions<'line'>>(() => ({
  animation: false,
  maintainAspectRatio: false,
  responsive: true,
  parsing: false,
  layout: { padding: { right: LANE_RIGHT_PX } },
  onHover: (event, _, chart) => point(event, chart as Chart),
  onClick: (event, _, chart) => point(event, chart as Chart),
  scales: {
    x: {
      type: 'linear',
      min: to(props.rangeM[0]),
      max: to(props.rangeM[1]),
      border: { color: ink.value.ink, width: 1.5 },
      grid: { color: ink.value.hairline, drawTicks: false },
      ticks: { display: false },
    },
    y: {
      min: 0,
      max: most.value,
      border: { display: false },
      grid: { display: false },
      afterFit: scale => {
        scale.width = laneLabelPx(scale.chart.width)
      },
      // The line that is held to, and the top: more figures say no more.
      afterBuildTicks: scale => {
        scale.ticks = [0, to(props.lineM), most.value].map(value => ({ value }))
      },
      ticks: {
        color: ink.value.soft,
        padding: 8,
        font: { size: 13, family: '"Overpass Variable", sans-serif' },
        callback: value => `${Math.round(Number(value))} ${unit.value}`,
      },
    },
  },
  plugins: { legend: { display: false }, tooltip: { enabled: false } },
}))
const chart = useTemplateRef<{ chart?: Chart }>('chart')
watch(
  () => props.cursorM,
  () => chart.value?.chart?.draw(),
)
const label = computed(
  () =>
    `Leave at each target from ${text(props.at[0]!.atM)} to ` +
    `${text(props.at.at(-1)!.atM)} ${unit.value}. The same figures are in the table.`,
)
</script>

<template>
  <div class="chart-box h-[120px] sm:h-[130px]">
    <Line ref="chart" :data="data as never" :options="options" :plugins="[shade, line]" :aria-label="label" />
  </div>
</template>
