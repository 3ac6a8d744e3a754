<script setup lang="ts">
import type { DrillSpec } from '#core/practice/drill-spec'
import { DRILLS } from '#core/practice/drills'
import { asksText, drillTexts } from '#words/practice'
import { usePlan } from '~/features/practice/usePlan'
import { usePracticeNames } from '~/features/practice/usePracticeNames'
import { usePractice } from '~/offline/stores/practice'
import { specForAll } from '~/features/practice/usePracticeClinic'
import PracticeClinicStart from '~/features/practice/ClinicStart.vue'
import PracticeBuild from '~/features/practice/Build.vue'

/** Every drill, and those of the academy's own: what it trains, what it takes, and a start. */
const emit = defineEmits<{ start: [spec: DrillSpec, name?: string] }>()
const none = ref(0)
const { maker, numbers } = usePlan(none)
const names = usePracticeNames()
const practice = usePractice()
const toast = useToast()
const opened = ref('')
const rows = computed(() => DRILLS.map(({ meta, make }) => ({ meta, ...drillTexts(meta.id), spec: make(maker.value) })))
const build = ref(false)
const buildFrom = shallowRef<DrillSpec>()
function change(spec: DrillSpec) {
  buildFrom.value = spec
  build.value = true
}
const clinic = ref(false)
function withAll(spec: DrillSpec) {
  buildFrom.value = spec
  clinic.value = true
}
async function drop(drill: (typeof practice.drills)[number]) {
  try {
    await practice.dropDrill(drill)
    toast.add({
      title: `${drill.name} let go`,
      actions: [{ label: 'Undo', color: 'neutral', variant: 'outline', onClick: () => void practice.keepDrill(drill) }],
    })
  } catch (error) {
    toast.add({ title: 'That could not be done', description: (error as Error).message, color: 'error' })
  }
}
</script>

<template>
  <section aria-labelledby="drills-title">
    <h2 id="drills-title" class="text-xl font-bold">Drills</h2>
    <ul v-if="practice.drills.length > 0" class="raised mt-2 divide-y divide-default">
      <li v-for="drill in practice.drills" :key="drill.id" class="flex items-center gap-3 py-1.5 pr-2 pl-4">
        <span class="min-w-0 flex-1 leading-tight"
          ><b class="block">{{ drill.name }}</b
          ><span class="soft text-sm">your own: {{ asksText(drill.spec, names) }}</span></span
        >
        <UButton
          color="neutral"
          variant="ghost"
          icon="i-lucide-x"
          :aria-label="`Let ${drill.name} go`"
          @click="drop(drill)"
        />
        <UButton
          variant="outline"
          icon="i-lucide-play"
          :aria-label="`Start ${drill.name}`"
          @click="emit('start', drill.spec, drill.name)"
          >Start</UButton
        >
      </li>
    </ul>
    <ul class="raised mt-2 divide-y divide-default">
      <li v-for="{ meta, title, trains, how, spec } in rows" :key="meta.id" class="px-4 py-1.5">
        <div class="flex items-center gap-3">
          <button
            type="button"
            class="min-h-11 min-w-0 flex-1 cursor-pointer text-left leading-tight"
            :aria-expanded="opened === meta.id"
            @click="opened = opened === meta.id ? '' : meta.id"
          >
            <b class="block">{{ title }}</b>
            <span class="soft text-sm">{{ trains }} {{ meta.balls }} balls, {{ meta.minutes }} min.</span>
          </button>
          <UButton
            v-if="spec"
            variant="outline"
            icon="i-lucide-play"
            :aria-label="`Start ${title}`"
            @click="emit('start', spec)"
            >Start</UButton
          >
          <span v-else class="soft text-sm">needs {{ meta.needs }} numbers, has {{ numbers.length }}</span>
        </div>
        <div v-if="opened === meta.id" class="space-y-2 pb-2">
          <p>{{ how }}</p>
          <p v-if="spec" class="soft text-sm">Asks {{ asksText(spec, names) }}.</p>
          <UButton
            v-if="spec"
            color="neutral"
            variant="outline"
            icon="i-lucide-sliders-horizontal"
            @click="change(spec)"
            >Change it</UButton
          >
          <UButton
            v-if="spec && specForAll(spec)"
            color="neutral"
            variant="outline"
            icon="i-lucide-users"
            class="ml-2"
            @click="withAll(spec)"
            >For all on the tee…</UButton
          >
        </div>
      </li>
    </ul>
    <PracticeClinicStart v-if="clinic && buildFrom" v-model:open="clinic" :spec="buildFrom" />
    <PracticeBuild
      v-if="build && buildFrom"
      v-model:open="build"
      :spec="buildFrom"
      @start="(spec, name) => emit('start', spec, name)"
    />
  </section>
</template>
