<script setup lang="ts">
import { isGridClub, clubsInUse } from '#core/bag/bag'
import { GRID_LOFT_MAX_DEG, GRID_LOFT_MIN_DEG } from '#core/limits'
import { rungName } from '#core/swing/scale'
import { BEND_MOST_DEG, equalSteps, MADE_LOFTS, type WhatIf } from '#core/what-if/thought-of'
import { BEND_CAUTION } from '#words/what-if'
import { usePlayerRecord } from '~/offline/stores/record'

/** Clubs and swing lengths of a bag that is only thought of. */
const props = defineProps<{ newRungs: readonly { id: string; label: string; fraction: number }[] }>()
const bag = defineModel<WhatIf>({ required: true })
const record = usePlayerRecord()
const own = computed(() => clubsInUse(record.bag).filter(isGridClub))
const gone = computed(() => own.value.filter(club => !bag.value.clubs.some(other => other.from === club.id)))
const ownLoft = (from: string | null) => own.value.find(club => club.id === from)?.loftDeg ?? null

const byLoft = (clubs: WhatIf['clubs']) => [...clubs].sort((a, b) => b.loftDeg - a.loftDeg)
const change = (more: Partial<WhatIf>) => {
  bag.value = { ...bag.value, ...more }
}
const bend = (id: string, by: number) =>
  change({
    clubs: bag.value.clubs.map(club =>
      club.id === id
        ? { ...club, loftDeg: club.loftDeg + by, ...(club.from === null && { label: `${club.loftDeg + by}°` }) }
        : club,
    ),
  })
const canBend = (club: WhatIf['clubs'][number], by: number) => {
  const loft = club.loftDeg + by
  const before = ownLoft(club.from)
  return (
    loft >= GRID_LOFT_MIN_DEG &&
    loft <= GRID_LOFT_MAX_DEG &&
    (before === null || Math.abs(loft - before) <= BEND_MOST_DEG)
  )
}
const bentWords = (club: WhatIf['clubs'][number]) => {
  const before = ownLoft(club.from)
  if (before === null) return 'not owned: predicted'
  const by = club.loftDeg - before
  return by === 0 ? 'as it is' : `${Math.abs(by)}° ${by < 0 ? 'stronger' : 'weaker'}: predicted`
}
const takeOut = (id: string) => change({ clubs: bag.value.clubs.filter(club => club.id !== id) })
const putBack = (id: string) => {
  const club = own.value.find(other => other.id === id)!
  change({ clubs: byLoft([...bag.value.clubs, { id, from: id, label: club.label, loftDeg: club.loftDeg }]) })
}

const loft = ref<number>()
const newId = () => {
  let n = 0
  while (bag.value.clubs.some(club => club.id === `new ${n}`)) n++
  return `new ${n}`
}
function add(loftDeg: number | undefined) {
  if (loftDeg === undefined) return
  const labels = new Set(bag.value.clubs.map(club => club.label))
  change({
    clubs: byLoft([
      ...bag.value.clubs,
      { id: newId(), from: null, label: labels.has(`${loftDeg}°`) ? `${loftDeg}° b` : `${loftDeg}°`, loftDeg },
    ]),
  })
  loft.value = undefined
}

/** From a pitching wedge on: irons stay as they are. */
const isWedge = ({ loftDeg }: { loftDeg: number }) => loftDeg >= WEDGE_FROM_DEG
const WEDGE_FROM_DEG = 44

/** Sets of equal loft steps between the strongest and the weakest wedge: a place to begin. */
const sets = computed(() => {
  const lofts = own.value.filter(isWedge).map(club => club.loftDeg)
  if (lofts.length < 2) return []
  const [strong, weak] = [Math.min(...lofts), Math.max(...lofts)]
  return [3, 4]
    .filter(count => weak - strong >= 2 * (count - 1))
    .map(count => ({ count, lofts: equalSteps(strong, weak, count) }))
})
const useSet = (lofts: readonly number[]) =>
  change({
    clubs: byLoft([
      ...bag.value.clubs.filter(club => !isWedge(club)),
      ...lofts.map((loftDeg, i) => {
        const there = own.value.find(club => club.loftDeg === loftDeg)
        return there
          ? { id: there.id, from: there.id, label: there.label, loftDeg }
          : { id: `new ${i}`, from: null, label: `${loftDeg}°`, loftDeg }
      }),
    ]),
  })

const rungs = computed(() => [
  ...record.bag.scale.rungs
    .filter(rung => !rung.retired)
    .map(rung => ({
      id: rung.id,
      label: rungName(rung),
      fresh: null as { id: string; label: string; fraction: number } | null,
    })),
  ...props.newRungs.map(rung => ({ id: rung.id, label: rung.label, fresh: rung })),
])
function toggle(rung: { id: string; fresh: WhatIf['newRungs'][number] | null }) {
  const on = bag.value.rungs.includes(rung.id)
  const order = rungs.value.map(other => other.id)
  const next = on
    ? bag.value.rungs.filter(id => id !== rung.id)
    : [...bag.value.rungs, rung.id].sort((a, b) => order.indexOf(a) - order.indexOf(b))
  if (next.length > 0)
    change({
      rungs: next,
      newRungs: props.newRungs
        .filter(other => next.includes(other.id))
        .map(({ id, label, fraction }) => ({ id, label, fraction })),
    })
}
</script>

<template>
  <section class="raised p-4" aria-labelledby="thought-title">
    <h2 id="thought-title" class="text-lg font-bold">The bag to try</h2>
    <ul class="mt-2 divide-y divide-default">
      <li v-for="club in bag.clubs" :key="club.id" class="flex flex-wrap items-center gap-x-2 gap-y-1 py-1.5">
        <strong class="w-16 shrink-0 text-lg">{{ club.label }}</strong>
        <UButton
          icon="i-lucide-minus"
          color="neutral"
          variant="outline"
          :aria-label="`${club.label}: one degree less`"
          :disabled="!canBend(club, -1)"
          @click="bend(club.id, -1)"
        />
        <span class="w-11 text-center text-lg font-bold">{{ club.loftDeg }}°</span>
        <UButton
          icon="i-lucide-plus"
          color="neutral"
          variant="outline"
          :aria-label="`${club.label}: one degree more`"
          :disabled="!canBend(club, 1)"
          @click="bend(club.id, 1)"
        />
        <span class="soft min-w-0 flex-1 text-sm">{{ bentWords(club) }}</span>
        <UButton
          icon="i-lucide-x"
          color="neutral"
          variant="ghost"
          :disabled="bag.clubs.length === 1"
          :aria-label="`Leave the ${club.label} at home`"
          @click="takeOut(club.id)"
        />
      </li>
      <li v-for="club in gone" :key="club.id" class="soft flex items-center gap-2 py-1.5">
        <s class="w-16 shrink-0 text-lg">{{ club.label }}</s><span class="flex-1 text-sm">left at home</span>
        <UButton size="sm" color="neutral" variant="outline" @click="putBack(club.id)">Put back</UButton>
      </li>
    </ul>
    <div class="mt-2 flex flex-wrap items-center gap-2">
      <USelect
        v-model="loft"
        :items="MADE_LOFTS.map(value => ({ value, label: `${value}°` }))"
        placeholder="Add a club of…"
        aria-label="Add a club of"
        class="w-40"
        @update:model-value="add($event as number)"
      />
      <UButton v-for="set in sets" :key="set.count" size="sm" color="neutral" variant="ghost" @click="useSet(set.lofts)"
        >{{ set.count }} in equal steps: {{ set.lofts.map(value => `${value}°`).join(' ') }}</UButton
      >
    </div>
    <p
      v-if="bag.clubs.some(club => club.from !== null && ownLoft(club.from) !== club.loftDeg)"
      class="mt-2 flex gap-2 text-sm"
    >
      <UIcon name="i-lucide-triangle-alert" class="mt-0.5 shrink-0 text-(--weak)" />{{ BEND_CAUTION }}
    </p>
    <h3 class="mt-4 font-bold">Swing lengths</h3>
    <div class="mt-1 flex flex-wrap gap-2">
      <UButton
        v-for="rung in rungs"
        :key="rung.id"
        size="sm"
        color="neutral"
        :variant="bag.rungs.includes(rung.id) ? 'solid' : 'outline'"
        :aria-pressed="bag.rungs.includes(rung.id)"
        :icon="bag.rungs.includes(rung.id) ? 'i-lucide-check' : 'i-lucide-plus'"
        @click="toggle(rung)"
        >{{ rung.label }}</UButton
      >
    </div>
  </section>
</template>
