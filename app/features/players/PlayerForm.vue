<script setup lang="ts">
import { v7 as newId } from 'uuid'
import { HANDS } from '#core/shot/hand'
import { HAND_WORDS, LEVEL_HANDICAPS, LEVEL_WORDS } from '#shared/choices'
import { LEVELS } from '#core/level'
import type { Player } from '#shared/player'
import { mayDo } from '#shared/rights'
import { useAccount } from '~/offline/stores/account'
import { Refused, api } from '~/offline/api'
import { useFormErrors } from '~/ui/useFormErrors'
import { formSchemas } from '~/ui/form-schemas'
import PlayersGuardianField from '~/features/players/GuardianField.vue'
import PlayersWhoseField from '~/features/players/WhoseField.vue'

/** Adds a player, or edits the one given. */
const props = defineProps<{ player?: Player }>()
const emit = defineEmits<{ saved: [player: Player] }>()
const open = defineModel<boolean>('open', { required: true })

const form = reactive({
  name: props.player?.name ?? '',
  level: props.player?.level ?? 'unknown',
  hand: props.player?.hand ?? 'right',
  note: props.player?.note ?? '',
})
const account = useAccount()
const mayTeach = computed(() => mayDo(account.account?.role ?? 'reader', 'teach'))
const guardian = shallowRef(props.player?.guardian ?? null)
const coachId = ref(props.player?.coachId ?? null)
/** Set once, so that "Add" pressed twice on a bad network adds one player. */
const id = props.player?.id ?? newId()
const version = ref(props.player?.version ?? 1)
const theirs = shallowRef<Player>()
const { general, check, take, of, clear } = useFormErrors()
const busy = ref(false)

/** Sent only where it was changed: it is written down who noted what. */
const guarded = () =>
  JSON.stringify(guardian.value) === JSON.stringify(props.player?.guardian ?? null) ? {} : { guardian: guardian.value }
/** Said only where it is another one: a page of before knows nothing of it. */
const handedTo = () => (coachId.value && coachId.value !== props.player?.coachId ? { coachId: coachId.value } : {})

async function save() {
  busy.value = true
  try {
    const value = props.player
      ? await check(formSchemas.PlayerChange, { ...form, ...handedTo(), ...guarded(), version: version.value })
      : await check(formSchemas.NewPlayer, { ...form, ...guarded(), id })
    if (!value) return
    const saved = props.player
      ? await api('/api/players/:playerId', { params: { playerId: id }, method: 'PATCH', body: value })
      : await api('/api/players', { method: 'POST', body: value })
    emit('saved', saved)
    open.value = false
  } catch (error) {
    take(error)
    theirs.value = error instanceof Refused && error.status === 409 ? (error.current as Player) : undefined
  } finally {
    busy.value = false
  }
}

/** What another page wrote in a field meanwhile, when it differs from what stands here. */
function changedElsewhere(field: 'name' | 'level' | 'hand' | 'note'): string | undefined {
  if (!theirs.value || theirs.value[field] === form[field]) return undefined
  const { level, hand } = theirs.value
  const value = { ...theirs.value, level: LEVEL_WORDS[level], hand: HAND_WORDS[hand] }[field]
  return `The other page says "${value}".`
}

function keepMine() {
  version.value = theirs.value!.version
  theirs.value = undefined
  clear()
  return save()
}

function takeTheirs() {
  emit('saved', theirs.value!)
  open.value = false
}

const hands = HANDS.map(value => ({ value, label: HAND_WORDS[value] }))
const levels = LEVELS.map(value => ({
  value,
  label: [LEVEL_WORDS[value], LEVEL_HANDICAPS[value]].filter(Boolean).join(', '),
}))
</script>

<template>
  <UModal
    v-model:open="open"
    :title="player ? 'Edit player' : 'Add a player'"
    :description="player ? player.name : 'A name is enough to begin.'"
  >
    <template #body>
      <form id="player-form" class="space-y-2.5" novalidate @submit.prevent="save">
        <p v-if="general" role="alert" class="mb-2 font-semibold text-error">{{ general }}</p>
        <UFormField label="Name" name="name" :error="of('name') ?? changedElsewhere('name')"
          ><UInput v-model="form.name" autofocus autocomplete="off" class="w-full"
        /></UFormField>
        <UFormField
          label="Level"
          name="level"
          :error="of('level') ?? changedElsewhere('level')"
          help="How wide the shots of such a player usually scatter."
          ><USelect v-model="form.level" :items="levels" class="w-full"
        /></UFormField>
        <UFormField
          label="Plays"
          name="hand"
          :error="of('hand') ?? changedElsewhere('hand')"
          help="Which way a draw and a fade turn."
          ><USelect v-model="form.hand" :items="hands" class="w-full"
        /></UFormField>
        <UFormField
          label="Note"
          name="note"
          :error="of('note') ?? changedElsewhere('note')"
          help="A goal, a habit; nothing about health. #juniors puts the player in a group."
          ><UInput v-model="form.note" class="w-full"
        /></UFormField>
        <PlayersGuardianField v-model="guardian" :error="of('guardian.name') ?? of('guardian.agreedAtMs')" />
        <PlayersWhoseField v-if="player && mayTeach" v-model="coachId" />
      </form>
    </template>
    <template #footer>
      <template v-if="theirs">
        <UButton :loading="busy" @click="keepMine">Save mine over it</UButton>
        <UButton color="neutral" variant="outline" @click="takeTheirs">Take theirs</UButton>
      </template>
      <UButton v-else type="submit" form="player-form" :loading="busy">{{ player ? 'Save' : 'Add player' }}</UButton>
      <UButton color="neutral" variant="outline" @click="open = false">Cancel</UButton>
    </template>
  </UModal>
</template>
