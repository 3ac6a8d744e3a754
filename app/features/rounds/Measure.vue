<script setup lang="ts">
import { v5, v7 as newId } from 'uuid'
import { cellKey, clubsInUse, gridCells, rungsInUse } from '#core/bag/bag'
import type { TypedBall } from '#core/shot/typed-ball'
import { newShot } from '#shared/session'
import { USUAL_PLAN } from '#shared/choices'
import type { ShotRecord } from '#shared/schemas/session'
import { useCellNames } from '~/calculation/useNumbers'
import { usePlayerRecord } from '~/offline/stores/record'
import { dayOfInput, inputDay } from '~/ui/dates'
import { serverNowMs } from '~/offline/server-clock'
import FramePlainSelect from '~/ui/frame/PlainSelect.vue'
import ShotsWatchDialog from '~/player/shots/WatchDialog.vue'

/** A shot measured on a hole, with any club: from where it was hit to where it lies, by this device's position. */
const record = usePlayerRecord()
const { cellName } = useCellNames()
const toast = useToast()
const shots = computed(() => gridCells(record.bag).map(cell => ({ value: cellKey(cell), label: cellName(cell) })))
const key = ref('')
const isReady = computed(() => clubsInUse(record.bag).length > 0 && rungsInUse(record.bag).length > 0)
const open = ref(false)
/** Fairway: grass of usual firmness, to where the ball lies. */
const plan = { ...USUAL_PLAN, name: 'On the course', firmness: 'medium' as const, measuredTo: 'rest' as const }
/** All that is measured on one day is one visit. */
const day = () => inputDay(serverNowMs())
const sessionId = computed(() => v5(`course ${day()}`, record.playerId!))

async function log({ carryM }: TypedBall, more: Partial<ShotRecord>) {
  const [clubId = '', rungId = ''] = key.value.split('/')
  const nowMs = serverNowMs()
  const id = newId()
  try {
    const known = record.sessions.find(session => session.id === sessionId.value)
    if (!known)
      await record.putSession({
        id: sessionId.value,
        startedAtMs: dayOfInput(day()) ?? nowMs,
        endedAtMs: nowMs,
        method: 'watch',
        ball: 'own',
        surface: 'grass',
        air: [],
        plan,
        version: 1,
      })
    const ball = { id, sessionId: sessionId.value, clubId, rungId, carryM, method: 'watch' as const, hitAtMs: nowMs }
    await record.putShot(newShot({ ...ball, ...more }))
  } catch (error) {
    toast.add({ title: 'That could not be kept', description: (error as Error).message, color: 'error' })
    return
  }
  toast.add({
    title: 'Measured and logged',
    description: 'It counts for the chart, the run taken out. It stands under Range session, On the course.',
    actions: [
      {
        label: 'Undo',
        color: 'neutral',
        variant: 'outline',
        onClick: () => void record.changeShot(id, { deleted: true }),
      },
    ],
  })
}
</script>

<template>
  <section v-if="isReady" aria-labelledby="measure-title">
    <h2 id="measure-title" class="mb-2 text-xl font-bold">Measure a shot on a hole</h2>
    <div class="flex flex-wrap items-center gap-2">
      <FramePlainSelect v-model="key" :items="shots" placeholder="Hit with…" label="Hit with" class="w-48" />
      <UButton color="neutral" variant="outline" icon="i-lucide-map-pin" :disabled="key === ''" @click="open = true"
        >Start to ball</UButton
      >
    </div>
    <ShotsWatchDialog
      v-if="open"
      v-model:open="open"
      :name="shots.find(({ value }) => value === key)?.label ?? ''"
      :plan="plan"
      :session-id="sessionId"
      @log="log"
    />
  </section>
</template>
