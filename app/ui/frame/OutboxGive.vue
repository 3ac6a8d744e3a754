<script setup lang="ts">
import { v7 as newId } from 'uuid'
import { clubsInUse, rungsInUse } from '#core/bag/bag'
import { rungName } from '#core/swing/scale'
import type { PlayerRecord } from '#shared/record'
import { USUAL_PLAN } from '#shared/choices'
import type { SessionRecord } from '#shared/schemas/session'
import type { Lacking, OutboxItem } from '~/offline/outbox/entries'
import { api } from '~/offline/api'
import { useOutbox } from '~/offline/stores/outbox'

/**
 * A ball whose club, swing length or session another screen took away: to what it goes instead, alone or with all
 * like it.
 */
const props = defineProps<{ item: OutboxItem }>()
const emit = defineEmits<{ close: []; given: [] }>()
const outbox = useOutbox()

const theirs = shallowRef<PlayerRecord>()
const failure = ref('')
const clubId = ref('')
const rungId = ref('')
const shot = computed(() => (props.item.entry.kind === 'shot' ? props.item.entry.record : null))
const lacks = computed(() => new Set<Lacking>(props.item.lacks))

/** Refused balls of the same player that lack the same thing. */
const alike = computed(() =>
  outbox.refused.filter(
    ({ playerId, entry, lacks: others }) =>
      playerId === props.item.playerId &&
      entry.kind === 'shot' &&
      others?.some(name => lacks.value.has(name) && entry.record[name] === shot.value?.[name]),
  ),
)

const clubs = computed(() =>
  theirs.value ? clubsInUse(theirs.value.bag).map(club => ({ value: club.id, label: club.label })) : [],
)
const rungs = computed(() =>
  theirs.value ? rungsInUse(theirs.value.bag).map(rung => ({ value: rung.id, label: rungName(rung) })) : [],
)

async function load() {
  failure.value = ''
  try {
    theirs.value = await api('/api/players/:playerId', { params: { playerId: props.item.playerId } })
    clubId.value = clubs.value.find(club => club.value === shot.value?.clubId)?.value ?? clubs.value[0]?.value ?? ''
    rungId.value = rungs.value.find(rung => rung.value === shot.value?.rungId)?.value ?? rungs.value[0]?.value ?? ''
  } catch (error) {
    failure.value = (error as Error).message
  }
}
onMounted(load)

/** A session of their own, for balls whose session went to another player or is gone. */
async function newSession(balls: readonly OutboxItem[]): Promise<string> {
  const times = balls.flatMap(({ entry }) => (entry.kind === 'shot' ? [entry.record.hitAtMs] : []))
  const session: SessionRecord = {
    id: newId(),
    startedAtMs: Math.min(...times),
    endedAtMs: Math.max(...times),
    method: shot.value!.method,
    ball: 'own',
    surface: 'grass',
    air: [],
    plan: { ...USUAL_PLAN, name: 'Balls that waited' },
    version: 1,
  }
  await outbox.add(props.item.playerId, { kind: 'session', record: session })
  return session.id
}

async function give(balls: readonly OutboxItem[]) {
  const sessionId = lacks.value.has('sessionId') ? await newSession(balls) : undefined
  await outbox.give(balls, {
    ...(lacks.value.has('clubId') && { clubId: clubId.value }),
    ...(lacks.value.has('rungId') && { rungId: rungId.value }),
    ...(sessionId && { sessionId }),
  })
  emit('given')
}
const ready = computed(
  () => theirs.value && (!lacks.value.has('clubId') || clubId.value) && (!lacks.value.has('rungId') || rungId.value),
)
</script>

<template>
  <UModal
    :open="true"
    title="Give the ball to another stock shot"
    :description="item.refused ?? ''"
    @update:open="$emit('close')"
  >
    <template #body>
      <p v-if="failure" role="alert" class="flex flex-wrap items-center gap-3 text-error">
        {{ failure }} <UButton size="sm" color="neutral" variant="outline" @click="load">Try again</UButton>
      </p>
      <p v-else-if="!theirs" class="soft" role="status">Looking into the bag…</p>
      <div v-else class="space-y-3">
        <UFormField v-if="lacks.has('clubId')" label="Club"
          ><USelect v-model="clubId" :items="clubs" class="w-44" aria-label="Club"
        /></UFormField>
        <UFormField v-if="lacks.has('rungId')" label="Swing length"
          ><USelect v-model="rungId" :items="rungs" class="w-44" aria-label="Swing length"
        /></UFormField>
        <p v-if="lacks.has('sessionId')">
          Its session was merged, or is another player's now: the ball goes into a session of its own.
        </p>
      </div>
    </template>
    <template #footer>
      <UButton :disabled="!ready" @click="give([item])">This ball</UButton>
      <UButton v-if="alike.length > 1" variant="outline" :disabled="!ready" @click="give(alike)"
        >All {{ alike.length }} like it</UButton
      >
      <UButton color="neutral" variant="ghost" @click="$emit('close')">Cancel</UButton>
    </template>
  </UModal>
</template>
