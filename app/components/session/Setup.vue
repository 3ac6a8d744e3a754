<script setup lang="ts">
import { v7 as newId } from 'uuid'
import { METHODS } from '#core/shot/shot'
import { METHOD_WORDS, type SessionRecord } from '#shared/session'
import type { Air } from '~/utils/air-draft'

/** How the numbers are taken today. Remembered from the last session. */
const emit = defineEmits<{ start: [session: SessionRecord] }>()
const record = usePlayerRecord()
const last = record.sessions.at(-1)
// Today's air is still there when another session begins within the hours; the place stays for longer.
const STILL_HOLDS_MS = 4 * 3_600_000
const lastAir = record.sessions.findLast(session => session.air.length > 0)?.air.at(-1)
const air = shallowRef<Air | null>(lastAir && Date.now() - lastAir.fromMs < STILL_HOLDS_MS ? lastAir : null)
const airOpen = ref(false)
const { airText } = useAirUnits()
const setup = reactive({ method: last?.method ?? 'monitor', ball: last?.ball ?? 'own', surface: last?.surface ?? 'grass' })

const METHOD_ICONS = { monitor: 'i-lucide-radar', laser: 'i-lucide-crosshair', paces: 'i-lucide-footprints', watch: 'i-lucide-watch', guess: 'i-lucide-signpost' } as const
const balls = [{ value: 'own', label: 'Own ball' }, { value: 'range', label: 'Range ball' }] as const
const surfaces = [{ value: 'grass', label: 'Grass' }, { value: 'mat', label: 'Mat' }] as const

function start() {
  const now = Date.now()
  const taken = air.value ? [{ ...air.value, fromMs: now }] : []
  emit('start', { id: newId(), startedAtMs: now, endedAtMs: null, ...setup, air: taken, version: 1 })
}
</script>

<template>
  <section class="raised space-y-4 p-5" aria-labelledby="setup-title">
    <h2 id="setup-title" class="text-xl font-bold">New session</h2>
    <fieldset>
      <legend class="soft mb-1 text-sm">How is the carry measured?</legend>
      <div class="grid grid-cols-2 gap-2 sm:grid-cols-5">
        <UButton
          v-for="method in METHODS" :key="method" :icon="METHOD_ICONS[method]" color="neutral" :variant="setup.method === method ? 'solid' : 'outline'" :aria-pressed="setup.method === method"
          class="justify-center" @click="setup.method = method"
        >
          {{ METHOD_WORDS[method] }}
        </UButton>
      </div>
    </fieldset>
    <div class="grid grid-cols-2 gap-4 sm:max-w-lg">
      <fieldset v-for="(choice, i) in [{ legend: 'Ball', key: 'ball', options: balls }, { legend: 'Surface', key: 'surface', options: surfaces }] as const" :key="i">
        <legend class="soft mb-1 text-sm">{{ choice.legend }}</legend>
        <div class="flex flex-wrap gap-2">
          <UButton
            v-for="option in choice.options" :key="option.value" color="neutral" :variant="setup[choice.key] === option.value ? 'solid' : 'outline'" :aria-pressed="setup[choice.key] === option.value"
            @click="Object.assign(setup, { [choice.key]: option.value })"
          >
            {{ option.label }}
          </UButton>
        </div>
      </fieldset>
    </div>
    <div class="flex flex-wrap items-center gap-x-4 gap-y-2">
      <p><span class="soft">Air: </span>{{ air ? airText(air) : 'not taken, the numbers stay as measured' }}</p>
      <UButton color="neutral" variant="outline" icon="i-lucide-wind" @click="airOpen = true">{{ air ? 'Change the air' : 'Take the air' }}</UButton>
    </div>
    <SessionAirDialog v-if="airOpen" v-model:open="airOpen" :air="air ?? (lastAir ? { ...USUAL_AIR, altitudeM: lastAir.altitudeM, ground: lastAir.ground } : null)" @save="air = $event" @none="air = null" />
    <p v-if="setup.ball === 'range'" class="soft">Range balls fly shorter than the balls one plays, by 5 % or so: it is taken out, and makes the numbers less sure. Serious numbers are taken with the ball one plays.</p>
    <FrameSafetyNote :pacing="setup.method === 'paces'" />
    <UButton size="xl" icon="i-lucide-play" @click="start">Start the session</UButton>
  </section>
</template>
