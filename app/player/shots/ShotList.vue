<script setup lang="ts">
import { doesCount } from '#core/shot/shot'
import { marksOf } from '#shared/marks'
import { asideReasonText } from '#words/set-aside'
import { clockText } from '#words/clock'
import { calledOffM } from '#core/session/called'
import { offText } from '#words/called'
import { sideText, spinText } from '#words/readings'
import { feltText } from '#words/typed'
import type { ShotRecord } from '#shared/schemas/session'
import { useDistance } from '~/ui/useDistance'
import { useCellNames, useNumbers } from '~/calculation/useNumbers'
import { useSpeedCalls } from '~/player/useSpeedCalls'
import { useAccount } from '~/offline/stores/account'
import { useOutbox } from '~/offline/stores/outbox'
import { usePlayerRecord } from '~/offline/stores/record'
import { clockTime, shortDate } from '~/ui/dates'

/** Balls, newest first: what each carried, and whether it counts. A tap opens it. */
defineProps<{
  shots: readonly ShotRecord[]
  showDate?: boolean
  hideName?: boolean
  picking?: boolean
  neutralM?: ReadonlyMap<string, number>
}>()
/** Ids chosen while picking. */
const picked = defineModel<string[]>('picked', { default: () => [] })
const toggle = (id: string) => {
  picked.value = picked.value.includes(id) ? picked.value.filter(other => other !== id) : [...picked.value, id]
}
defineEmits<{ open: [shot: ShotRecord] }>()
const { text, typed, unit, whole } = useDistance()
const { cellName, swingLabel } = useCellNames()
const record = usePlayerRecord()
const { setAside, speedCalls } = useNumbers()
const { missText } = useSpeedCalls()
const aside = computed(() => new Map(setAside.value.map(({ shot, why }) => [shot, why])))
const account = useAccount()
const outbox = useOutbox()
const unsent = computed(
  () =>
    new Set(
      outbox.stuck || outbox.aside.length > 0
        ? [...outbox.waiting, ...outbox.aside].map(item => item.entry.record.id)
        : [],
    ),
)
const refused = computed(() => new Set(outbox.refused.map(item => item.entry.record.id)))

/** A line for who does not see it. */
function readOut(shot: ShotRecord): string {
  const out = shot.leftOut ? `, left out: ${shot.leftOut}` : ''
  return `${cellName(shot)}, ${typed(shot.carryM)} ${unit.value}${out}`
}
</script>

<template>
  <ol class="divide-y divide-default">
    <!-- A ball more leaves all other lines as they are: dozens of them made anew would cost the moment in which the
    number is awaited. -->
    <li
      v-for="shot in shots"
      :key="shot.id"
      v-memo="[
        shot,
        unit,
        account.decimals,
        record.bag,
        neutralM?.get(shot.id),
        aside.get(shot.id),
        picking,
        picked.includes(shot.id),
        refused.has(shot.id),
        unsent.has(shot.id),
        speedCalls,
      ]"
    >
      <button
        type="button"
        class="flex min-h-11 w-full cursor-pointer items-center gap-3 px-2 text-left hover:bg-elevated"
        :aria-label="readOut(shot)"
        :aria-pressed="picking ? picked.includes(shot.id) : undefined"
        @click="picking ? toggle(shot.id) : $emit('open', shot)"
      >
        <UIcon
          v-if="picking"
          :name="picked.includes(shot.id) ? 'i-lucide-square-check-big' : 'i-lucide-square'"
          class="shrink-0"
        />
        <span class="w-20 shrink-0 text-xl font-bold" :class="!doesCount(shot) && 'soft line-through'"
          >{{ typed(shot.carryM) }}<span class="soft ml-1 text-sm font-normal">{{ unit }}</span></span
        >
        <span class="min-w-0 flex-1 truncate">
          <template v-if="!hideName">{{ cellName(shot) }}</template>
          <span v-if="shot.leftOut" class="soft"> {{ hideName ? '' : '– ' }}left out: {{ shot.leftOut }}</span>
          <span v-else-if="aside.has(shot.id)" class="soft">
            {{ hideName ? '' : '– ' }}set aside: {{ asideReasonText(aside.get(shot.id)!) }}</span
          >
          <span v-else-if="shot.strike && shot.strike !== 'clean'" class="soft">
            {{ hideName ? '' : '– ' }}{{ marksOf(shot).join(', ') }}, weighs little</span
          >
          <span v-else-if="marksOf(shot).length > 0" class="soft">
            {{ hideName ? '' : '– ' }}{{ marksOf(shot).join(', ') }}</span
          >
          <span v-else-if="shot.strike === 'clean'" class="soft"> {{ hideName ? '' : '– ' }}counts, by your word</span>
        </span>
        <span
          v-if="neutralM?.has(shot.id) && whole(neutralM.get(shot.id)!) !== whole(shot.carryM)"
          class="soft text-sm whitespace-nowrap"
          >{{ missText(shot) ? 'at the call' : 'neutral' }} {{ text(neutralM.get(shot.id)!) }}</span
        >
        <span v-if="missText(shot)" class="soft text-sm whitespace-nowrap max-sm:hidden">{{ missText(shot) }}</span>
        <span v-if="shot.balls > 1" class="soft flex items-center gap-1 text-sm whitespace-nowrap"
          ><UIcon name="i-lucide-layers" /> {{ shot.balls }} balls</span
        >
        <span v-if="shot.readings?.sideM !== undefined" class="soft text-sm whitespace-nowrap max-sm:hidden">{{
          sideText(shot.readings.sideM, unit)
        }}</span>
        <span v-if="shot.readings?.spinRpm !== undefined" class="soft text-sm whitespace-nowrap max-sm:hidden"
          >{{ spinText(shot.readings.spinRpm) }} rpm</span
        >
        <span v-if="shot.taken?.askedRungId" class="soft text-sm whitespace-nowrap"
          >asked {{ swingLabel({ ...shot, rungId: shot.taken.askedRungId }) }}</span
        >
        <span v-if="shot.taken?.called" class="soft text-sm whitespace-nowrap"
          >called {{ typed(shot.taken.called.targetM) }},
          {{ offText(calledOffM(shot.taken.called, shot.carryM), unit) }}</span
        >
        <span v-if="shot.taken?.feltPercent !== undefined" class="soft text-sm whitespace-nowrap">{{
          feltText(shot.taken.feltPercent)
        }}</span>
        <span v-if="shot.taken?.lies" class="soft text-sm whitespace-nowrap max-sm:hidden">lies</span>
        <span v-if="shot.taken?.clockMs" class="soft text-sm whitespace-nowrap" :title="clockText(shot.taken.clockMs)"
          ><UIcon name="i-lucide-clock-alert" /> time set right</span
        >
        <span v-if="refused.has(shot.id)" class="flex items-center gap-1 text-sm font-semibold text-error"
          ><UIcon name="i-lucide-circle-alert" /> refused</span
        >
        <span v-else-if="unsent.has(shot.id)" class="flex items-center gap-1 text-sm font-semibold text-warning"
          ><UIcon name="i-lucide-cloud-off" /> waiting</span
        >
        <span class="soft text-sm whitespace-nowrap"
          >{{ showDate ? `${shortDate(shot.hitAtMs)} ` : '' }}{{ clockTime(shot.hitAtMs) }}</span
        >
      </button>
    </li>
  </ol>
</template>
