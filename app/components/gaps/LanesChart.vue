<script setup lang="ts">
import {
  BarController,
  BarElement,
  CategoryScale,
  Chart,
  LinearScale,
  type ChartData,
  type ChartEvent,
  type ChartOptions,
  type Plugin,
} from 'chart.js'
import { color } from 'chart.js/helpers'
import { Bar } from 'vue-chartjs'
import { cellKey, clubsInUse, isGridClub, rungsInUse, type Bag, type StockShot } from '#core/bag/bag'
import type { CarryChart, ChartCell } from '#core/chart/chart-cell'
import type { Remarks } from '#core/history/coach-remarks'
import { rungName } from '#core/swing/scale'
import { useChartInk } from '~/composables/useChartInk'
import { useDistance } from '~/composables/useDistance'
import { LANE_LABEL_PX, drawCursor } from '~/utils/lanes'
import { swingSolidity } from '~/utils/swing-fill'

/**
 * Each club a lane, each stock shot a bar of its window with its number and its certainty; stretches no shot serves
 * as bands through all lanes.
 */
const props = defineProps<{
  bag: Bag
  chart: CarryChart
  bands: readonly { fromM: number; toM: number; dashed: boolean }[]
  rangeM: [number, number]
  cursorM: number | null
  picked: StockShot | null
  remarksOf: (cell: StockShot) => Remarks
}>()
const emit = defineEmits<{ point: [atM: number, cell: StockShot | null] }>()
Chart.register(BarController, BarElement, CategoryScale, LinearScale)

const { to, from, text, typed, unitWord } = useDistance()
const { ink } = useChartInk()
const shown = (cell: ChartCell) => cell.carryM !== null && cell.kind !== 'unhit'
const clubs = computed(() =>
  clubsInUse(props.bag).filter(
    club => isGridClub(club) && props.chart.some(cell => cell.clubId === club.id && shown(cell)),
  ),
)
const rungs = computed(() => rungsInUse(props.bag))

const LABEL_ROOM_PX = 34
const RING_PX = 8
const CROSS_PX = 7

/** From the paper to the ink: how solid a mark is. */
const shade = (solidity: number) =>
  color(ink.value.ink)
    .mix(color(ink.value.raised), solidity * 0.88)
    .rgbString()

interface Mark {
  x: [number, number]
  y: string
  cell: ChartCell
  number: string
  numberM: number
  written: boolean
}

const data = computed<ChartData<'bar', Mark[]>>(() => ({
  labels: clubs.value.map(club => club.label),
  datasets: rungs.value.map((rung, i) => ({
    label: rungName(rung),
    data: clubs.value.flatMap((club): Mark[] => {
      const cell = props.chart.find(c => c.clubId === club.id && c.rungId === rung.id)
      if (!cell || !shown(cell)) return []
      const written = props.remarksOf(cell).written?.carryM ?? null
      return [
        {
          x: cell.window80M!.map(to) as [number, number],
          y: club.label,
          cell,
          number: written === null ? text(cell.carryM!) : typed(written),
          numberM: written ?? cell.carryM!,
          written: written !== null,
        },
      ]
    }),
    // Predicted: no bar, since no ball has been hit; an open ring marks the number. Struck out: an outline and a cross.
    backgroundColor: ({ raw }) =>
      (raw as Mark | undefined)?.cell.kind === 'measured' ? shade(swingSolidity(i, rungs.value.length)) : 'transparent',
    borderColor: ({ raw }) =>
      (raw as Mark | undefined)?.cell.kind === 'measured'
        ? ink.value.ink
        : (raw as Mark | undefined)?.cell.kind === 'struck-out'
          ? ink.value.hairline
          : 'transparent',
    borderWidth: 1.5,
    borderRadius: 10,
    borderSkipped: false,
    barThickness: 20,
    grouped: false,
  })),
}))
const marks = computed(() => data.value.datasets.flatMap(set => set.data))

const bands: Plugin<'bar'> = {
  id: 'bands',
  beforeDatasetsDraw({ ctx, chartArea, scales }) {
    ctx.save()
    ctx.beginPath()
    ctx.rect(chartArea.left, chartArea.top - 2, chartArea.width, chartArea.height + 4)
    ctx.clip()
    for (const { fromM, toM, dashed } of props.bands) {
      const left = scales.x!.getPixelForValue(to(fromM))
      const right = scales.x!.getPixelForValue(to(toM))
      ctx.fillStyle = ink.value.tint
      ctx.fillRect(left, chartArea.top, Math.max(2, right - left), chartArea.height)
      ctx.strokeStyle = ink.value.hole
      ctx.lineWidth = 1.5
      ctx.setLineDash(dashed ? [2, 3] : [])
      ctx.strokeRect(left, chartArea.top - 1, Math.max(2, right - left), chartArea.height + 2)
    }
    ctx.restore()
  },
}

function ring(ctx: CanvasRenderingContext2D, x: number, y: number) {
  ctx.beginPath()
  ctx.arc(x, y, RING_PX, 0, 2 * Math.PI)
  ctx.setLineDash([3, 3])
  ctx.stroke()
  ctx.setLineDash([])
}

function cross(ctx: CanvasRenderingContext2D, x: number, y: number) {
  ctx.beginPath()
  for (const way of [-1, 1]) {
    ctx.moveTo(x - CROSS_PX, y - way * CROSS_PX)
    ctx.lineTo(x + CROSS_PX, y + way * CROSS_PX)
  }
  ctx.stroke()
}

const numbers: Plugin<'bar'> = {
  id: 'numbers',
  afterDatasetsDraw({ ctx, scales, chartArea }) {
    const { x: across, y: down } = scales
    ctx.save()
    ctx.beginPath()
    ctx.rect(chartArea.left - 2, 0, chartArea.width + 14, chartArea.bottom + 30)
    ctx.clip()
    if (props.cursorM !== null) drawCursor(ctx, across!.getPixelForValue(to(props.cursorM)), chartArea, ink.value.ink)
    ctx.textAlign = 'center'
    ctx.textBaseline = 'top'
    const placed = new Map<string, number[]>()
    for (const mark of marks.value) {
      const { cell } = mark
      const x = across!.getPixelForValue(to(mark.numberM))
      const middle = down!.getPixelForValue(clubs.value.findIndex(club => club.label === mark.y))
      const lane = placed.get(mark.y) ?? []
      placed.set(mark.y, lane)
      // A number that would stand on another goes above its lane instead of below.
      const above = lane.some(other => Math.abs(other - x) < LABEL_ROOM_PX)
      if (!above) lane.push(x)
      ctx.strokeStyle = ink.value.ink
      ctx.lineWidth = 1.5
      const carryX = across!.getPixelForValue(to(cell.carryM!))
      if (cell.kind === 'predicted') ring(ctx, carryX, middle)
      if (cell.kind === 'struck-out') cross(ctx, carryX, middle)
      if (cell.kind !== 'struck-out' && cell.certainty80M) {
        // How well the number itself is known: a finer mark under the bar.
        ctx.lineWidth = 2.5
        ctx.beginPath()
        ctx.moveTo(across!.getPixelForValue(to(cell.certainty80M[0])), middle + 13)
        ctx.lineTo(across!.getPixelForValue(to(cell.certainty80M[1])), middle + 13)
        ctx.stroke()
      }
      if (props.picked && cellKey(props.picked) === cellKey(cell)) {
        ctx.lineWidth = 2.5
        ctx.strokeRect(
          across!.getPixelForValue(mark.x[0]) - 4,
          middle - 15,
          across!.getPixelForValue(mark.x[1]) - across!.getPixelForValue(mark.x[0]) + 8,
          30,
        )
      }
      const y = middle + (above ? -30 : 17)
      ctx.font =
        `${cell.kind === 'measured' || mark.written ? '700' : 'italic 500'} ` + `15px "Overpass Variable", sans-serif`
      ctx.fillStyle = cell.kind === 'measured' || mark.written ? ink.value.ink : ink.value.soft
      ctx.fillText(mark.number, x, y)
      if (mark.written)
        ctx.fillRect(x - ctx.measureText(mark.number).width / 2, y + 15, ctx.measureText(mark.number).width, 2)
    }
    ctx.restore()
  },
}

function point(event: ChartEvent, chart: Chart): void {
  const { x, y } = event
  if (x === null || y === null || x < chart.chartArea.left || x > chart.chartArea.right) return
  const lane = clubs.value[Math.round(chart.scales.y!.getValueForPixel(y)!)]
  const atM = from(chart.scales.x!.getValueForPixel(x)!)
  const here = marks.value
    .filter(mark => mark.y === lane?.label && from(mark.x[0]) <= atM && atM <= from(mark.x[1]))
    .sort((a, b) => Math.abs(a.cell.carryM! - atM) - Math.abs(b.cell.carryM! - atM))[0]
  emit('point', atM, here ? here.cell : null)
}

const options = computed<ChartOptions<'bar'>>(() => ({
  indexAxis: 'y',
  animation: false,
  maintainAspectRatio: false,
  responsive: true,
  layout: { padding: { right: 8 } },
  onHover: (event, _, chart) => point(event, chart),
  onClick: (event, _, chart) => point(event, chart),
  scales: {
    x: {
      min: to(props.rangeM[0]),
      max: to(props.rangeM[1]),
      position: 'top',
      border: { display: false },
      grid: { color: ink.value.hairline, tickLength: 6 },
      ticks: {
        color: ink.value.soft,
        font: { size: 14, family: '"Overpass Variable", sans-serif' },
        maxRotation: 0,
        autoSkipPadding: 14,
        includeBounds: false,
      },
      title: {
        display: true,
        text: unitWord.value,
        color: ink.value.soft,
        align: 'end',
        font: { size: 13 },
        padding: 0,
      },
    },
    y: {
      border: { display: false },
      grid: { color: ink.value.hairline, drawTicks: false },
      afterFit: scale => {
        scale.width = LANE_LABEL_PX
      },
      ticks: {
        color: ink.value.ink,
        padding: 8,
        font: { size: 17, weight: 700, family: '"Overpass Variable", sans-serif' },
      },
    },
  },
  plugins: { legend: { display: false }, tooltip: { enabled: false } },
}))
const bar = useTemplateRef<{ chart?: Chart }>('bar')
watch(
  () => [props.cursorM, props.picked, props.bands],
  () => bar.value?.chart?.draw(),
)
const height = computed(() => 54 + clubs.value.length * 66)
const label = computed(
  () => `Lanes: ${clubs.value.map(club => club.label).join(', ')}. The same figures are in the table.`,
)
</script>

<template>
  <div class="chart-box" :style="{ height: `${height}px` }">
    <Bar ref="bar" :data="data as never" :options="options" :plugins="[bands, numbers]" :aria-label="label" />
  </div>
</template>
