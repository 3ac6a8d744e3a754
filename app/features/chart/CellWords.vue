<script setup lang="ts">
import { CONTRADICTED, OFF_BY_M, nearestBelieved, oddsOff } from '#core/history/coach-remarks'
import type { ChartCell } from '#core/chart/chart-cell'
import { beliefCostText, contradictionText } from '#words/believed'
import { WHY_MAX } from '#shared/limits'
import type { BagChange } from '#shared/schemas/bag'
import { api } from '~/offline/api'
import { useCellRemarks } from '~/player/useCellRemarks'
import { useDistance } from '~/ui/useDistance'
import { useCellNames } from '~/calculation/useNumbers'
import { usePlayerRecord } from '~/offline/stores/record'
import { shortDate } from '~/ui/dates'
import { typedCarry } from '~/ui/typed-carry'

/**
 * What coach and player say of one stock shot: a number written by hand, what is believed, a note, and striking it
 * out.
 */
const props = defineProps<{ cell: ChartCell }>()
const record = usePlayerRecord()
const { text, typed, believed, unit } = useDistance()
const { remarksOf, say } = useCellRemarks()
const { cellName } = useCellNames()
const toast = useToast()
const said = computed(() => remarksOf(props.cell))
const struck = computed(() => props.cell.kind === 'struck-out')
const form = ref<'written' | 'believed' | 'note' | 'struck'>()
const number = ref('')
const why = ref('')
const fault = ref('')

const TITLES = {
  written: 'Write a number',
  believed: 'What the player believes',
  note: 'Note',
  struck: 'Stop using it',
}
const contradiction = computed(() => {
  const written = said.value.written
  if (!written) return null
  const odds = oddsOff(props.cell, written.carryM!, OFF_BY_M)
  return odds !== null && odds >= CONTRADICTED
    ? contradictionText(written.carryM!, props.cell.carryM!, odds, OFF_BY_M, unit.value)
    : null
})

function start(what: NonNullable<typeof form.value>) {
  form.value = what
  fault.value = ''
  const known = said.value[what]
  number.value = known?.carryM
    ? believed(known)
    : what === 'written' && props.cell.carryM !== null
      ? text(props.cell.carryM)
      : ''
  why.value = what === 'note' ? (known?.why ?? '') : ''
}

async function saveStruck(out: boolean, reason: string) {
  const { clubId, rungId } = props.cell
  const { clubs, scale, struckOut } = record.bag
  const others = struckOut.filter(cell => cell.clubId !== clubId || cell.rungId !== rungId)
  const change: BagChange = {
    version: record.bagVersion,
    clubs,
    scale,
    struckOut: out ? [...others, { clubId, rungId }] : others,
  }
  const before = said.value.struck?.why ?? ''
  record.takeBag(
    await api('/api/players/:playerId/bag', { params: { playerId: record.playerId }, method: 'PUT', body: change }),
  )
  await say(props.cell, 'struck', null, reason, out ? 'not used now' : 'in use again', out, () => strike(!out, before))
}

async function strike(out: boolean, reason: string) {
  try {
    await saveStruck(out, reason)
    form.value = undefined
  } catch (error) {
    toast.add({
      title: `${cellName(props.cell)} could not be ${out ? 'taken out of use' : 'taken back'}`,
      description: (error as Error).message,
      color: 'error',
    })
  }
}

async function save() {
  const what = form.value!
  const reason = why.value.trim()
  if (reason.length > WHY_MAX) return void (fault.value = `At most ${WHY_MAX} characters: this has ${reason.length}.`)
  if (what === 'struck') return strike(true, reason)
  if (what === 'note') {
    await say(props.cell, 'note', null, reason, reason ? 'noted' : 'the note is gone', reason !== '')
  } else {
    const carry = typedCarry(number.value, unit.value, what === 'believed')
    if (!carry.ok) return void (fault.value = carry.fault)
    await say(props.cell, what, carry.metres, reason, `${number.value} ${unit.value} ${what}`)
  }
  form.value = undefined
}
const cost = computed(() =>
  said.value.believedFirst && props.cell.balls > 0 && props.cell.carryM !== null
    ? beliefCostText(nearestBelieved(said.value.believedFirst, props.cell.carryM), props.cell.carryM, unit.value)
    : '',
)
</script>

<template>
  <section class="space-y-2" :aria-label="`Remarks on ${cellName(cell)}`">
    <p v-if="said.written" class="flex flex-wrap items-baseline gap-x-3">
      <span
        ><span class="soft">Written: </span
        ><strong class="text-xl underline decoration-2 underline-offset-4"
          >{{ typed(said.written.carryM!) }} {{ unit }}</strong
        ><template v-if="said.written.why">, {{ said.written.why }}</template>
        <span class="soft text-sm">{{ shortDate(said.written.saidAtMs) }}</span></span
      >
      <UButton
        size="sm"
        color="neutral"
        variant="outline"
        @click="say(cell, 'written', null, '', 'the written number is taken back', false)"
        >Take it back</UButton
      >
    </p>
    <p v-if="contradiction" class="border-l-[5px] border-(--weak) pl-3">
      <UIcon name="i-lucide-circle-alert" class="text-(--weak)" /> {{ contradiction }}
    </p>
    <p v-if="said.believedFirst">
      <span class="soft">Believed: </span><strong>{{ believed(said.believedFirst) }} {{ unit }}</strong
      ><template v-if="cost">, {{ cost }}</template
      ><template v-if="said.believed && said.believed.id !== said.believedFirst.id"
        >; by now {{ believed(said.believed) }} {{ unit }}</template
      >{{ ' ' }}<span class="soft text-sm">{{ shortDate(said.believedFirst.saidAtMs) }}</span>
    </p>
    <p v-if="struck && said.struck?.why">
      <span class="soft">Not used: </span>{{ said.struck.why }}
      <span class="soft text-sm">{{ shortDate(said.struck.saidAtMs) }}</span>
    </p>
    <p v-if="said.note"><span class="soft">Note: </span>{{ said.note.why }}</p>
    <form v-if="form" class="raised space-y-2 p-3" novalidate @submit.prevent="save">
      <p class="font-bold">{{ TITLES[form] }}</p>
      <UFormField v-if="form === 'written' || form === 'believed'" :label="`Carry, ${unit}`" :error="fault || undefined"
        ><UInput v-model="number" inputmode="decimal" autofocus class="w-28"
      /></UFormField>
      <UFormField
        :label="form === 'note' ? 'Note' : 'Why'"
        :error="form === 'note' || form === 'struck' ? fault || undefined : undefined"
        ><UInput
          v-model="why"
          :placeholder="
            form === 'written'
              ? 'plays it lower than it was measured'
              : form === 'struck'
                ? 'flies too high to be used'
                : ''
          "
          :autofocus="form === 'note' || form === 'struck'"
          class="w-full"
      /></UFormField>
      <div class="flex gap-2">
        <UButton type="submit">{{ form === 'struck' ? 'Stop using it' : 'Save' }}</UButton
        ><UButton color="neutral" variant="outline" @click="form = undefined">Cancel</UButton>
      </div>
    </form>
    <div v-else class="flex flex-wrap gap-2">
      <UButton
        v-if="!struck"
        size="sm"
        color="neutral"
        variant="outline"
        icon="i-lucide-pen-line"
        @click="start('written')"
        >{{ said.written ? 'Write another' : 'Write a number' }}</UButton
      >
      <UButton size="sm" color="neutral" variant="outline" icon="i-lucide-message-circle" @click="start('believed')"
        >Believed</UButton
      >
      <UButton size="sm" color="neutral" variant="outline" icon="i-lucide-sticky-note" @click="start('note')"
        >Note</UButton
      >
      <UButton
        v-if="struck"
        size="sm"
        color="neutral"
        variant="outline"
        icon="i-lucide-undo-2"
        @click="strike(false, '')"
        >Use it again</UButton
      >
      <UButton v-else size="sm" color="neutral" variant="outline" icon="i-lucide-ban" @click="start('struck')"
        >Stop using</UButton
      >
    </div>
  </section>
</template>
