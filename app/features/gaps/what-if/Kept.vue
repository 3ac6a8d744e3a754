<script setup lang="ts">
import { v7 as newId } from 'uuid'
import type { WhatIf } from '#core/what-if/thought-of'
import type { HandedBag } from '#shared/schemas/handed-bag'
import { WHAT_IF_NAME_MAX } from '#shared/limits'
import type { KeptWhatIf } from '#shared/what-if'
import { api } from '~/offline/api'
import { usePlayerRecord } from '~/offline/stores/record'
import { shortDate } from '~/ui/dates'

/** Bags that were kept under a name. */
const props = defineProps<{ bag: WhatIf; pageOf: (body: WhatIf) => Promise<HandedBag> }>()
const emit = defineEmits<{ look: [body: WhatIf]; compare: [kept: KeptWhatIf] }>()
const record = usePlayerRecord()
const toast = useToast()
const kept = shallowRef<KeptWhatIf[]>()
const name = ref('')
const failure = ref('')
const busy = ref(false)
const ROUTE = '/api/players/:playerId/what-ifs'

async function ask(work: () => Promise<KeptWhatIf[]>): Promise<boolean> {
  busy.value = true
  failure.value = ''
  try {
    kept.value = await work()
    return true
  } catch (error) {
    failure.value = (error as Error).message
    return false
  } finally {
    busy.value = false
  }
}
const load = () => ask(() => api(ROUTE, { params: { playerId: record.playerId } }))
onMounted(load)
async function keep() {
  if (name.value.trim() === '') {
    failure.value = 'A name is missing: what shall it be called?'
    return
  }
  if (
    await ask(() =>
      api(ROUTE, {
        params: { playerId: record.playerId },
        method: 'POST',
        body: { id: newId(), name: name.value.trim(), body: props.bag },
      }),
    )
  )
    name.value = ''
}
/**
 * On the player's phone, below the published chart; taken back it is gone from there when the phone next has a
 * connection.
 */
async function hand(one: KeptWhatIf, over: boolean) {
  const put = async (page: HandedBag | null) =>
    api(`${ROUTE}/:whatIfId/page`, {
      params: { playerId: record.playerId, whatIfId: one.id },
      method: 'PUT',
      body: { page },
    })
  if (await ask(async () => put(over ? await props.pageOf(one.body) : null)))
    toast.add({
      title: over ? `${one.name} is on the player's phone` : `${one.name} is taken back`,
      description: over
        ? "Below the chart, for whoever has the player's link. The link itself is made where the chart is published."
        : undefined,
      color: over ? 'success' : undefined,
    })
}
async function drop(one: KeptWhatIf) {
  if (
    !(await ask(() =>
      api(`${ROUTE}/:whatIfId`, { params: { playerId: record.playerId, whatIfId: one.id }, method: 'DELETE' }),
    ))
  )
    return
  const { id, name, body } = one
  toast.add({
    title: `${name} is gone.`,
    actions: [
      {
        label: 'Undo',
        color: 'neutral',
        variant: 'outline',
        onClick: () =>
          void ask(() =>
            api(ROUTE, { params: { playerId: record.playerId }, method: 'POST', body: { id, name, body } }),
          ),
      },
    ],
  })
}
</script>

<template>
  <section class="raised p-4 print:hidden" aria-labelledby="kept-title">
    <h2 id="kept-title" class="text-lg font-bold">Kept</h2>
    <p v-if="failure" role="alert" class="flex flex-wrap items-center gap-2 font-semibold text-error">
      {{ failure }} <UButton v-if="!kept" size="sm" color="neutral" variant="outline" @click="load">Try again</UButton>
    </p>
    <form class="mt-1 flex flex-wrap gap-2" @submit.prevent="keep">
      <UInput
        v-model="name"
        :maxlength="WHAT_IF_NAME_MAX"
        placeholder="Name of this bag"
        aria-label="Name of this bag"
        class="min-w-0 flex-1"
      />
      <UButton type="submit" :loading="busy">Keep it</UButton>
    </form>
    <ul v-if="kept && kept.length > 0" class="mt-2 divide-y divide-default">
      <li v-for="one in kept" :key="one.id" class="flex flex-wrap items-center gap-2 py-1.5">
        <span class="min-w-0 flex-1"
          ><strong>{{ one.name }}</strong>
          <span class="soft"
            >{{ one.body.clubs.map(club => `${club.loftDeg}°`).join(' ') }}, {{ shortDate(one.keptAtMs)
            }}{{ one.handedAtMs === null ? '' : `, with the player since ${shortDate(one.handedAtMs)}` }}</span
          ></span
        >
        <UButton size="sm" color="neutral" variant="outline" @click="emit('look', one.body)">Look at it</UButton>
        <UButton size="sm" color="neutral" variant="ghost" @click="emit('compare', one)">Compare with it</UButton>
        <UButton
          v-if="one.handedAtMs === null"
          size="sm"
          color="neutral"
          variant="ghost"
          icon="i-lucide-smartphone"
          :loading="busy"
          @click="hand(one, true)"
          >Hand to the player</UButton
        >
        <UButton
          v-else
          size="sm"
          color="neutral"
          variant="ghost"
          icon="i-lucide-undo-2"
          :loading="busy"
          @click="hand(one, false)"
          >Take back from the player</UButton
        >
        <UButton
          size="sm"
          color="neutral"
          variant="ghost"
          icon="i-lucide-trash-2"
          :aria-label="`Let ${one.name} go`"
          @click="drop(one)"
        />
      </li>
    </ul>
    <p v-else-if="kept" class="soft mt-1">Nothing kept yet.</p>
  </section>
</template>
