<script setup lang="ts">
import { BarController, BarElement, CategoryScale, Chart, LinearScale, Tooltip, type ChartData, type ChartOptions, type Plugin } from 'chart.js'
import { color } from 'chart.js/helpers'
import { Bar } from 'vue-chartjs'
import { clubsInUse, isGridClub, rungsInUse } from '#core/bag/bag'
import { plusMinusM, type CarryChart, type ChartCell } from '#core/chart/chart-cell'
import type { Finding } from '#core/gaps/flag'
import { rungName } from '#core/swing/scale'

/** Each club a lane, each stock shot a bar of its window with its number; steps too wide as bands through all lanes. */
const props = defineProps<{ chart: CarryChart, findings: readonly Finding[] }>()
Chart.register(BarController, BarElement, CategoryScale, LinearScale, Tooltip)

const record = usePlayerRecord()
const colorMode = useColorMode()
const { to, from, text, unit } = useDistance()
const { cellName } = useCellNames()
const shown = (cell: ChartCell) => cell.carryM !== null && (cell.kind === 'measured' || cell.kind === 'predicted')
const clubs = computed(() => clubsInUse(record.bag).filter(club => isGridClub(club) && props.chart.some(cell => cell.clubId === club.id && shown(cell))))
const rungs = computed(() => rungsInUse(record.bag))

const LABEL_ROOM_PX = 34
const RING_PX = 8

/** Colours of the theme as the page has them now; read again when it changes. */
const ink = ref({ ink: '#1e2a3a', soft: '#5b6675', hairline: '#ddd6c8', raised: '#ffffff', hole: '#c8401a', tint: '#c8401a1f' })
function readColours() {
  const style = getComputedStyle(document.documentElement)
  const read = (name: string) => style.getPropertyValue(name).trim()
  ink.value = { ink: read('--ink'), soft: read('--soft-ink'), hairline: read('--hairline'), raised: read('--raised'), hole: read('--hole'), tint: read('--hole-tint') }
}
onMounted(readColours)
watch(() => colorMode.value, () => nextTick(readColours))

/** From the paper to the ink: how solid a mark is. */
const shade = (solidity: number) => color(ink.value.ink).mix(color(ink.value.raised), solidity * 0.88).rgbString()

interface Mark { x: [number, number], y: string, carryM: number, plusMinusM: number, name: string, balls: number, predicted: boolean }

const data = computed<ChartData<'bar', Mark[]>>(() => ({
  labels: clubs.value.map(club => club.label),
  datasets: rungs.value.map((rung, i) => ({
    label: rungName(rung),
    data: clubs.value.flatMap((club) => {
      const cell = props.chart.find(c => c.clubId === club.id && c.rungId === rung.id)
      if (!cell || !shown(cell)) return []
      return [{
        x: cell.window80M!.map(to) as [number, number], y: club.label, carryM: cell.carryM!, plusMinusM: plusMinusM(cell)!,
        name: cellName(cell), balls: cell.balls, predicted: cell.kind === 'predicted',
      }]
    }),
    // Predicted: no bar, since no ball has been hit; an open ring marks the number.
    backgroundColor: ({ raw }) => (raw as Mark | undefined)?.predicted ? 'transparent' : shade(swingSolidity(i, rungs.value.length)),
    borderColor: ({ raw }) => (raw as Mark | undefined)?.predicted ? 'transparent' : ink.value.ink,
    borderWidth: 1.5,
    borderRadius: 10,
    borderSkipped: false,
    barThickness: 20,
    grouped: false,
  })),
}))

const range = computed(() => {
  const ends = data.value.datasets.flatMap(set => set.data.flatMap(mark => mark.x))
  return { min: Math.max(0, Math.floor((Math.min(...ends) - 4) / 5) * 5), max: Math.ceil((Math.max(...ends) + 4) / 5) * 5 }
})

const holes = computed(() => props.findings.filter(finding => finding.flag === 'step'))

const bands: Plugin<'bar'> = {
  id: 'bands',
  beforeDatasetsDraw({ ctx, chartArea, scales }) {
    ctx.save()
    for (const { fromM, toM } of holes.value) {
      const left = scales.x!.getPixelForValue(to(fromM))
      const right = scales.x!.getPixelForValue(to(toM))
      ctx.fillStyle = ink.value.tint
      ctx.fillRect(left, chartArea.top, right - left, chartArea.height)
      ctx.strokeStyle = ink.value.hole
      ctx.lineWidth = 1.5
      ctx.setLineDash([2, 3])
      ctx.strokeRect(left, chartArea.top - 1, right - left, chartArea.height + 2)
    }
    ctx.restore()
  },
}

function ring(ctx: CanvasRenderingContext2D, x: number, y: number) {
  ctx.beginPath()
  ctx.arc(x, y, RING_PX, 0, 2 * Math.PI)
  ctx.setLineDash([3, 3])
  ctx.lineWidth = 1.5
  ctx.strokeStyle = ink.value.ink
  ctx.stroke()
  ctx.setLineDash([])
}

const numbers: Plugin<'bar'> = {
  id: 'numbers',
  afterDatasetsDraw(chart) {
    const { ctx, scales } = chart
    ctx.save()
    ctx.textAlign = 'center'
    ctx.textBaseline = 'top'
    const placed = new Map<string, number[]>()
    for (const set of chart.data.datasets as unknown as { data: Mark[] }[]) {
      for (const mark of set.data) {
        const x = scales.x!.getPixelForValue(to(mark.carryM))
        const lane = placed.get(mark.y) ?? []
        placed.set(mark.y, lane)
        // A number that would stand on another goes above its lane instead of below.
        const above = lane.some(other => Math.abs(other - x) < LABEL_ROOM_PX)
        if (!above) lane.push(x)
        const y = scales.y!.getPixelForValue(chart.data.labels!.indexOf(mark.y)) + (above ? -28 : 13)
        if (mark.predicted) ring(ctx, x, scales.y!.getPixelForValue(chart.data.labels!.indexOf(mark.y)))
        ctx.font = `${mark.predicted ? 'italic 500' : '700'} 15px "Overpass Variable", sans-serif`
        ctx.fillStyle = mark.predicted ? ink.value.soft : ink.value.ink
        ctx.fillText(text(mark.carryM), x, y)
      }
    }
    ctx.restore()
  },
}

const options = computed<ChartOptions<'bar'>>(() => ({
  indexAxis: 'y',
  animation: false,
  maintainAspectRatio: false,
  responsive: true,
  layout: { padding: { right: 8 } },
  scales: {
    x: {
      ...range.value, position: 'top', border: { display: false },
      grid: { color: ink.value.hairline, tickLength: 6 },
      ticks: { color: ink.value.soft, font: { size: 14, family: '"Overpass Variable", sans-serif' }, maxRotation: 0, autoSkipPadding: 14, includeBounds: false },
      title: { display: true, text: unit.value === 'yd' ? 'yards' : 'metres', color: ink.value.soft, align: 'end', font: { size: 13 }, padding: 0 },
    },
    y: {
      border: { display: false }, grid: { color: ink.value.hairline, drawTicks: false },
      ticks: { color: ink.value.ink, padding: 8, font: { size: 17, weight: 700, family: '"Overpass Variable", sans-serif' } },
    },
  },
  plugins: {
    legend: { display: false },
    tooltip: {
      displayColors: false,
      callbacks: {
        title: ([item]) => (item!.raw as Mark).name,
        label: ({ raw }) => {
          const { x, carryM, plusMinusM, balls, predicted } = raw as Mark
          return [
            `${text(carryM)} ± ${text(plusMinusM)} ${unit.value}, ${predicted ? 'predicted' : `${balls} ${balls === 1 ? 'ball' : 'balls'}`}`,
            `8 in 10 from ${text(from(x[0]))} to ${text(from(x[1]))} ${unit.value}`,
          ]
        },
      },
    },
  },
}))
const height = computed(() => 54 + clubs.value.length * 62)
const label = computed(() => `Lanes: ${clubs.value.map(club => club.label).join(', ')}. The same figures are in the table.`)
</script>

<template>
  <div class="overflow-x-auto" role="region" aria-label="Lanes, may be scrolled sideways" tabindex="0">
    <div class="min-w-[560px]" :style="{ height: `${height}px` }">
      <Bar :data="(data as never)" :options="options" :plugins="[bands, numbers]" :aria-label="label" />
    </div>
  </div>
</template>
