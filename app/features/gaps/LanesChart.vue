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
import { Bar } from 'vue-chartjs'
import { cellKey, rungsInUse, type Bag, type StockShot } from '#core/bag/bag'
import type { CarryChart, ChartCell } from '#core/chart/chart-cell'
import { useChartInk } from '~/features/gaps/useChartInk'
import { useDistance } from '~/ui/useDistance'
import {
  drawCursor,
  hasLane,
  laneClubs,
  laneLabelPx,
  LANE_LABEL_GAP_PX,
  LANE_RIGHT_PX,
  lanesHeightPx,
  linesWithin,
  type FlagMark,
} from '~/features/gaps/lanes'
import {
  drawFlagNumber,
  drawNumber,
  drawPatch,
  takeDiscRoom,
  rowsOfLanes,
  takeRoom,
  type Patch,
} from '~/features/gaps/lanes-draw'
import { swingSolidity } from '~/ui/marks/swing-fill'

/**
 * Each club a lane, each stock shot the patch its balls land in, with its number and how well that is known; stretches
 * no shot serves as bands through all lanes, and what a chosen flag speaks of lit.
 */
const props = defineProps<{
  bag: Bag
  /** As it is read. */
  chart: CarryChart
  /** It is read by total: with each run. */
  totals?: boolean
  bands: readonly { fromM: number; toM: number; dashed: boolean }[]
  marks?: readonly FlagMark[]
  /** The number of the flag that is chosen or pointed at. */
  lit?: number | null
  rangeM: [number, number]
  cursorM: number | null
  picked: StockShot | null
}>()
const emit = defineEmits<{ point: [atM: number, cell: StockShot | null] }>()
Chart.register(BarController, BarElement, CategoryScale, LinearScale)

const { to, from, text, typed, unitWord } = useDistance()
const { ink } = useChartInk()
const isNarrow = useMediaQuery('(max-width: 767px)')
const clubs = computed(() => laneClubs(props.bag, props.chart))
const rungs = computed(() => rungsInUse(props.bag))

interface Mark {
  x: [number, number]
  y: string
  cell: ChartCell
  solidity: number
}

const marks = computed(() =>
  clubs.value.flatMap((club): Mark[] =>
    rungs.value.flatMap((rung, i) => {
      const cell = props.chart.find(one => one.clubId === club.id && one.rungId === rung.id)
      if (!cell || !hasLane(cell)) return []
      const carry = to(cell.carryM!)
      const x = (cell.window80M?.map(to) ?? [carry, carry]) as [number, number]
      return [{ x, y: club.label, cell, solidity: swingSolidity(i, rungs.value.length) }]
    }),
  ),
)
/** The library keeps the scales; the patches are drawn by hand. */
const data = computed<ChartData<'bar', Mark[]>>(() => ({
  labels: clubs.value.map(club => club.label),
  datasets: [{ data: marks.value, backgroundColor: 'transparent', grouped: false }],
}))
const lit = computed(() => props.marks?.find(mark => mark.number === props.lit) ?? null)

const bands: Plugin<'bar'> = {
  id: 'bands',
  beforeDatasetsDraw({ ctx, chartArea, scales }) {
    const pixels = (fromM: number, toM: number) => {
      const left = scales.x!.getPixelForValue(to(fromM))
      return { left, width: Math.max(2, scales.x!.getPixelForValue(to(toM)) - left) }
    }
    ctx.save()
    ctx.beginPath()
    ctx.rect(chartArea.left, chartArea.top - 2, chartArea.width, chartArea.height + 4)
    ctx.clip()
    for (const { fromM, toM, dashed } of props.bands) {
      const { left, width } = pixels(fromM, toM)
      ctx.fillStyle = ink.value.tint
      ctx.fillRect(left, chartArea.top, width, chartArea.height)
      ctx.strokeStyle = ink.value.hole
      ctx.lineWidth = 1.5
      ctx.setLineDash(dashed ? [2, 3] : [])
      ctx.strokeRect(left, chartArea.top - 1, width, chartArea.height + 2)
    }
    if (lit.value) {
      const { left, width } = pixels(lit.value.fromM, lit.value.toM)
      ctx.fillStyle = ink.value.window
      ctx.fillRect(left, chartArea.top, width, chartArea.height)
    }
    ctx.restore()
  },
}

function patchOf({ cell, x, y, solidity }: Mark, { scales }: Chart): Patch {
  const across = (value: number) => scales.x!.getPixelForValue(value)
  const known = cell.certainty80M?.map(m => across(to(m))) as [number, number] | undefined
  return {
    cell,
    solidity,
    left: across(x[0]),
    right: across(x[1]),
    at: across(to(cell.carryM!)),
    known: known ?? null,
    middle: scales.y!.getPixelForValue(clubs.value.findIndex(club => club.label === y)),
    number: cell.written ? typed(cell.carryM!) : text(cell.carryM!),
    written: cell.written === true,
  }
}

const patches: Plugin<'bar'> = {
  id: 'patches',
  afterDatasetsDraw(chart) {
    const { ctx, scales, chartArea } = chart
    const keys = new Set(lit.value?.cells)
    ctx.save()
    ctx.beginPath()
    ctx.rect(chartArea.left - 2, 0, chartArea.width + LANE_RIGHT_PX + 4, chartArea.bottom + 30)
    ctx.clip()
    if (props.cursorM !== null) drawCursor(ctx, scales.x!.getPixelForValue(to(props.cursorM)), chartArea, ink.value.ink)
    ctx.textAlign = 'center'
    ctx.textBaseline = 'top'
    const rowsOf = rowsOfLanes(clubs.value.length, chartArea.height / Math.max(1, clubs.value.length))
    const lanes = new Map(clubs.value.map((club, i) => [club.label, rowsOf[i]!]))
    const all = marks.value.map(mark => ({ mark, patch: patchOf(mark, chart) }))
    const isPicked = ({ cell }: Patch) =>
      keys.has(cellKey(cell)) || (props.picked !== null && cellKey(props.picked) === cellKey(cell))
    for (const { patch } of all) drawPatch(ctx, ink.value, patch, isPicked(patch))
    const flagged = all.map(one => ({
      ...one,
      flag: props.marks?.find(({ kind, cells }) => kind !== 'hole' && cells.includes(cellKey(one.mark.cell))),
      rows: lanes.get(one.mark.y)!,
    }))
    for (const { flag, rows, patch } of flagged) if (flag) takeDiscRoom(rows, patch)
    // Where not all have room, what is pointed at comes first, then what most balls stand behind.
    const rank = ({ patch }: { patch: Patch }) => (isPicked(patch) ? Infinity : patch.cell.balls)
    for (const { patch, rows } of flagged.toSorted((a, b) => rank(b) - rank(a))) {
      const row = takeRoom(ctx, rows, patch)
      if (row) drawNumber(ctx, ink.value, patch, row === 'above')
    }
    for (const { patch, flag } of flagged) {
      if (!flag) continue
      const fill = ink.value[flag.kind === 'finding' ? 'soft' : flag.kind]
      drawFlagNumber(ctx, patch, flag.number, { fill, text: ink.value.paper })
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

const LABEL_FACE = '"Overpass Variable", sans-serif'
const LABEL_PX = { whole: 16, inLines: 13 }
/** A club's label: large where it fits on one line, else smaller and on several. */
function labelAt(chart: Chart, index: number): { lines: string[]; size: number } {
  const label = clubs.value[index]?.label ?? ''
  const room = laneLabelPx(chart.width) - LANE_LABEL_GAP_PX - 1
  const linesOf = (size: number) => {
    chart.ctx.font = `700 ${size}px ${LABEL_FACE}`
    return linesWithin(label, room, text => chart.ctx.measureText(text).width)
  }
  const whole = linesOf(LABEL_PX.whole)
  if (whole.length < 2) return { lines: whole, size: LABEL_PX.whole }
  return { lines: linesOf(LABEL_PX.inLines), size: LABEL_PX.inLines }
}
const labelLines = (chart: Chart, index: number) => labelAt(chart, index).lines
const labelFont = (chart: Chart, index: number) => ({
  size: labelAt(chart, index).size,
  weight: 700,
  lineHeight: 1.1,
  family: LABEL_FACE,
})

const options = computed<ChartOptions<'bar'>>(() => ({
  indexAxis: 'y',
  animation: false,
  maintainAspectRatio: false,
  responsive: true,
  layout: { padding: { right: LANE_RIGHT_PX } },
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
        text: props.totals ? `total, ${unitWord.value}` : unitWord.value,
        color: ink.value.soft,
        align: 'end',
        font: { size: 13, family: '"Overpass Variable", sans-serif' },
        padding: 0,
      },
    },
    y: {
      border: { display: false },
      grid: { color: ink.value.hairline, drawTicks: false, offset: false },
      afterFit: scale => {
        scale.width = laneLabelPx(scale.chart.width)
      },
      ticks: {
        color: ink.value.ink,
        padding: LANE_LABEL_GAP_PX,
        font: ({ chart, index }) => labelFont(chart, index),
        callback(_, index) {
          return labelLines(this.chart, index)
        },
      },
    },
  },
  plugins: { legend: { display: false }, tooltip: { enabled: false } },
}))
const bar = useTemplateRef<{ chart?: Chart }>('bar')
watch(
  () => [props.cursorM, props.picked, props.bands, props.lit, props.marks],
  () => bar.value?.chart?.draw(),
)
const height = computed(() => lanesHeightPx(clubs.value.length, isNarrow.value))
const label = computed(
  () => `Lanes: ${clubs.value.map(club => club.label).join(', ')}. The same figures are in the table.`,
)
</script>

<template>
  <div class="chart-box" :style="{ height: `${height}px` }">
    <Bar ref="bar" :data="data as never" :options="options" :plugins="[bands, patches]" :aria-label="label" />
  </div>
</template>
