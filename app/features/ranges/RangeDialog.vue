<script setup lang="ts">
import { v7 as newId } from 'uuid'
import { fromHeight, toHeight } from '#core/units'
import type { RangeRecord } from '#shared/schemas/range'
import { TARGET_KINDS, FIRMNESSES } from '#shared/choices'
import { TARGETS_MAX } from '#shared/limits'
import { api } from '~/offline/api'
import { useDistance } from '~/ui/useDistance'
import { useFormErrors } from '~/ui/useFormErrors'
import { useRanges } from '~/player/ranges/useRanges'
import { useAccount } from '~/offline/stores/account'
import { typedNumber } from '~/ui/numbers'
import { formSchemas } from '~/ui/form-schemas'
import RangesRangePlan from '~/features/ranges/RangePlan.vue'

/** A range with its signs and targets. A sign that moves offers to count the guesses made against it anew. */
const props = defineProps<{ range?: RangeRecord }>()
const emit = defineEmits<{ saved: [range: RangeRecord] }>()
const open = defineModel<boolean>('open', { required: true })
const { put } = useRanges()
const account = useAccount()
const { unit, from, typed } = useDistance()
const toast = useToast()
const { errors, general, check, take, of } = useFormErrors()

interface Row {
  id: string
  name: string
  kind: (typeof TARGET_KINDS)[number]
  distance: string
  height: string
  right: string
}
const text = (metres: number) => String(Number(typed(metres)))
const form = reactive({
  name: props.range?.name ?? '',
  altitude: String(Math.round(toHeight(props.range?.altitudeM ?? 0, account.heightUnit))),
  bearing: props.range?.bearingDeg == null ? '' : String(props.range.bearingDeg),
  firmness: props.range?.firmness ?? 'soft',
  rows: (props.range?.targets ?? []).map((target): Row => ({
    id: target.id,
    name: target.name,
    kind: target.kind,
    distance: text(target.distanceM),
    height: text(target.heightM),
    right: String(target.rightDeg),
  })),
})
const id = props.range?.id ?? newId()
const busy = ref(false)
const kinds = TARGET_KINDS.map(value => ({ value, label: value }))
const grounds = FIRMNESSES.map(value => ({ value, label: value }))
const add = () => form.rows.push({ id: newId(), name: '', kind: 'sign', distance: '', height: '0', right: '0' })

/** A figure as it stands, in metres; an untouched one keeps its exact value. */
function metresOf(value: string, wasM: number | undefined): number {
  return wasM !== undefined && value === text(wasM) ? wasM : from(typedNumber(value))
}

/** What the rows say, as far as they say where a target stands. */
const drawn = computed(() =>
  form.rows.flatMap(row => {
    const was = props.range?.targets.find(other => other.id === row.id)
    const distanceM = metresOf(row.distance, was?.distanceM)
    const heightM = metresOf(row.height === '' ? '0' : row.height, was?.heightM)
    const rightDeg = typedNumber(row.right === '' ? '0' : row.right)
    const { kind, name } = row
    const isDrawn = distanceM > 0 && Math.abs(rightDeg) <= 80 && Number.isFinite(distanceM)
    return isDrawn ? [{ id: row.id, name, kind, distanceM, heightM: heightM || 0, rightDeg }] : []
  }),
)
const bearing = computed(() => {
  const value = typedNumber(form.bearing)
  return value >= 0 && value <= 360 ? value : null
})
function move(targetId: string, distanceM: number, rightDeg: number) {
  const row = form.rows.find(other => other.id === targetId)!
  row.distance = text(distanceM)
  row.right = String(rightDeg)
}

async function offerRecount(saved: RangeRecord) {
  for (const target of saved.targets) {
    const was = props.range?.targets.find(other => other.id === target.id)
    if (!was || Math.abs(was.distanceM - target.distanceM) < 0.005) continue
    const { guesses } = await api('/api/ranges/:rangeId/guesses', {
      params: { rangeId: saved.id },
      query: { sign: target.id },
    })
    if (guesses === 0) continue
    toast.add({
      title:
        `${guesses} ${guesses === 1 ? 'guess was' : 'guesses were'} ` +
        `made against "${target.name}" where it was thought to stand`,
      duration: 0,
      actions: [
        {
          label: 'Count them anew',
          color: 'neutral',
          variant: 'outline',
          onClick: () => void recount(saved.id, target.id),
        },
        { label: 'Leave them', color: 'neutral', variant: 'ghost' },
      ],
    })
  }
}

async function recount(rangeId: string, signId: string) {
  try {
    const { guesses } = await api('/api/ranges/:rangeId/recount', {
      params: { rangeId },
      method: 'POST',
      body: { signId },
    })
    toast.add({
      title: `${guesses} ${guesses === 1 ? 'guess' : 'guesses'} counted anew`,
      description: 'Setting the sign back and counting again takes it back.',
      color: 'success',
    })
  } catch (error) {
    toast.add({ title: 'They could not be counted anew', description: (error as Error).message, color: 'error' })
  }
}

async function save(archived = props.range?.archived ?? false) {
  const value = await check(formSchemas.RangeRecord, {
    id,
    name: form.name,
    altitudeM: fromHeight(typedNumber(form.altitude), account.heightUnit),
    bearingDeg: form.bearing.trim() === '' ? null : typedNumber(form.bearing),
    firmness: form.firmness,
    archived,
    targets: form.rows.map(row => {
      const was = props.range?.targets.find(other => other.id === row.id)
      return {
        id: row.id,
        name: row.name,
        kind: row.kind,
        distanceM: metresOf(row.distance, was?.distanceM),
        heightM: metresOf(row.height === '' ? '0' : row.height, was?.heightM),
        rightDeg: typedNumber(row.right === '' ? '0' : row.right),
      }
    }),
    version: (props.range?.version ?? 0) + 1,
  })
  if (!value) return
  busy.value = true
  try {
    await put(value)
    emit('saved', value)
    open.value = false
    toast.add({ title: archived ? `${value.name} is archived` : `${value.name} is saved`, color: 'success' })
    await offerRecount(value)
  } catch (error) {
    take(error)
  } finally {
    busy.value = false
  }
}
/** On a phone each row reads by itself; in a table the first row says what the columns are. */
const labelOnce = (row: number) => (row === 0 ? {} : { label: 'sm:hidden' })
</script>

<template>
  <UModal
    v-model:open="open"
    :title="range ? range.name : 'A new range'"
    description="Laser each sign once from the tee: guesses are made against them, and targets are chosen from them."
    :ui="{ content: 'max-w-[75rem]' }"
  >
    <template #body>
      <p v-if="general && errors.length === 0" role="alert" class="mb-2 font-semibold text-error">{{ general }}</p>
      <form id="range-form" novalidate @submit.prevent="save()">
        <div class="grid items-start gap-x-8 gap-y-4 lg:grid-cols-[minmax(0,1fr)_min(21rem,50%)]">
          <div>
            <div class="grid grid-cols-2 gap-x-4 sm:grid-cols-4">
              <UFormField label="Name" :error="of('name')" help=" "
                ><UInput v-model="form.name" autofocus class="w-full"
              /></UFormField>
              <UFormField :label="`Altitude, ${account.heightUnit}`" :error="of('altitudeM')" help=" "
                ><UInput v-model="form.altitude" inputmode="numeric" class="w-full"
              /></UFormField>
              <UFormField label="Looks towards, °" :error="of('bearingDeg')" help="north 0, east 90"
                ><UInput v-model="form.bearing" inputmode="numeric" placeholder="not known" class="w-full"
              /></UFormField>
              <UFormField label="Ground" help="how far balls run"
                ><USelect v-model="form.firmness" :items="grounds" class="w-full"
              /></UFormField>
            </div>
            <h3 class="mt-2 mb-1 font-bold">Signs and targets</h3>
            <ul class="space-y-2">
              <li
                v-for="(row, i) in form.rows"
                :key="row.id"
                class="grid grid-cols-2 items-start gap-2 border-b border-default pb-2 sm:grid-cols-[2fr_1fr_1fr_1fr_1fr_auto]"
              >
                <UFormField :label="'Name'" :ui="labelOnce(i)" :error="of(`targets.${i}.name`)"
                  ><UInput
                    v-model="row.name"
                    :aria-label="`Name of target ${i + 1}`"
                    placeholder="the 100"
                    class="w-full"
                /></UFormField>
                <UFormField :label="'Kind'" :ui="labelOnce(i)"
                  ><USelect v-model="row.kind" :items="kinds" :aria-label="`Kind of target ${i + 1}`" class="w-full"
                /></UFormField>
                <UFormField :label="`Distance, ${unit}`" :ui="labelOnce(i)" :error="of(`targets.${i}.distanceM`)"
                  ><UInput
                    v-model="row.distance"
                    :aria-label="`Distance of target ${i + 1}`"
                    inputmode="decimal"
                    class="w-full"
                /></UFormField>
                <UFormField :label="`Above tee, ${unit}`" :ui="labelOnce(i)" :error="of(`targets.${i}.heightM`)"
                  ><UInput
                    v-model="row.height"
                    :aria-label="`Height of target ${i + 1}`"
                    inputmode="text"
                    class="w-full"
                /></UFormField>
                <UFormField :label="'Right, °'" :ui="labelOnce(i)" :error="of(`targets.${i}.rightDeg`)"
                  ><UInput
                    v-model="row.right"
                    :aria-label="`Degrees right of target ${i + 1}`"
                    inputmode="text"
                    class="w-full"
                /></UFormField>
                <UButton
                  color="neutral"
                  variant="ghost"
                  icon="i-lucide-trash-2"
                  :aria-label="`Take ${row.name || `target ${i + 1}`} away`"
                  :class="i === 0 && 'sm:mt-6'"
                  @click="form.rows.splice(i, 1)"
                />
              </li>
            </ul>
            <UButton
              class="mt-3"
              color="neutral"
              variant="outline"
              icon="i-lucide-plus"
              :disabled="form.rows.length >= TARGETS_MAX"
              @click="add"
              >Add a sign or target</UButton
            >
          </div>
          <div v-if="drawn.length > 0">
            <RangesRangePlan
              :name="form.name || 'The range'"
              :targets="drawn"
              :bearing-deg="bearing"
              movable
              @move="move"
            />
            <p class="soft text-sm">Drag a target to where it stands, or type it.</p>
          </div>
        </div>
      </form>
    </template>
    <template #footer>
      <UButton type="submit" form="range-form" :loading="busy">Save</UButton>
      <UButton color="neutral" variant="outline" @click="open = false">Cancel</UButton>
      <span class="flex-1" />
      <UButton
        v-if="range"
        color="neutral"
        variant="ghost"
        :icon="range.archived ? 'i-lucide-archive-restore' : 'i-lucide-archive'"
        @click="save(!range.archived)"
        >{{ range.archived ? 'Bring it back' : 'Archive it' }}</UButton
      >
    </template>
  </UModal>
</template>
