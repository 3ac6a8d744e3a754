<script setup lang="ts">
import { cellKey } from '#core/bag/bag'
import { plusMinusM, type ChartCell } from '#core/chart/chart-cell'
import { calibrationOptions, newestMethod, playerShots } from '#shared/calibration-input'
import { isMarked, marksOf } from '#shared/marks'
import type { ShotRecord } from '#shared/schemas/session'
import { markedText, withoutFacesText } from '#words/marked'
import { calibrateOnce } from '~/calculation/useCalibrateOnce'
import { useDistance } from '~/ui/useDistance'
import { usePlayerRecord } from '~/offline/stores/record'
import { serverNowMs } from '~/offline/server-clock'

/** Marks of a stock shot's balls, counted; and its number without those of which the face was open or closed. */
const props = defineProps<{ cell: ChartCell }>()
const record = usePlayerRecord()
const { unit } = useDistance()

/** Balls of the club and of the stock shot, in one go over the record: a ball more must not cost a long one dearly. */
const seen = computed(() => {
  const { clubId, rungId } = props.cell
  const own: ShotRecord[] = []
  let [ofClub, marked] = [0, 0]
  for (const shot of record.records) {
    if (shot.clubId !== clubId || shot.deleted) continue
    ofClub++
    if (isMarked(shot)) marked++
    if (shot.rungId === rungId) own.push(shot)
  }
  return { own, ofClub, marked }
})
const own = computed(() => seen.value.own)
const line = computed(() => {
  const counts = new Map<string, number>()
  for (const mark of own.value.filter(isMarked).flatMap(marksOf)) counts.set(mark, (counts.get(mark) ?? 0) + 1)
  return counts.size === 0 ? '' : markedText(counts, own.value.length, seen.value.marked, seen.value.ofClub)
})

const faces = computed(() => own.value.filter(shot => shot.leftOut === null && shot.taken?.face))
const without = ref('')
watchDebounced(
  () => [faces.value.map(shot => shot.id).join(), props.cell.carryM] as const,
  async ([ids]) => {
    without.value = ''
    if (ids === '') return
    const { player, bag, sessions, records } = record
    const out = new Set(ids.split(','))
    const kept = records.filter(shot => !out.has(shot.id))
    const options = calibrationOptions(player!.thresholds, newestMethod(sessions))
    try {
      const { chart } = await calibrateOnce(playerShots(player!, toRaw(bag), sessions, kept, serverNowMs()), options)
      const cell = chart.find(one => cellKey(one) === cellKey(props.cell))
      if (cell?.carryM == null) return
      without.value = withoutFacesText(faces.value.length, cell.carryM, plusMinusM(cell) ?? 0, unit.value)
    } catch (error) {
      without.value = `The number without them could not be worked out: ${(error as Error).message}`
    }
  },
  { immediate: true, debounce: 1200 },
)
</script>

<template>
  <div v-if="line">
    <p class="soft">{{ line }}</p>
    <p v-if="without">{{ without }}</p>
  </div>
</template>
