<script setup lang="ts">
import { v7 as newId } from 'uuid'
import type { MadeInvitation } from '#shared/academy'
import { INVITATION_DAYS } from '#shared/keep-times'
import { ROLE_WORDS, ROLES } from '#shared/rights'
import { api } from '~/offline/api'
import { useFormErrors } from '~/ui/useFormErrors'
import { useOneAtATime } from '~/ui/useOneAtATime'
import { formSchemas } from '~/ui/form-schemas'
import FramePlainSelect from '~/ui/frame/PlainSelect.vue'
import FrameShownOnce from '~/ui/frame/ShownOnce.vue'

/** Makes an invitation: an address to be handed on, shown once. */
const emit = defineEmits<{ made: [] }>()
const form = reactive({ forWhom: '', role: 'coach' })
const made = shallowRef<MadeInvitation>()
const { errors, general, check, take, of } = useFormErrors()
const { busy, run } = useOneAtATime()
const roles = ROLES.map(value => ({ value, label: ROLE_WORDS[value].name }))
// Behind the "#", so that the token is in no log.
const address = computed(() => (made.value ? `${window.location.origin}/join#${made.value.token}` : ''))

async function invite() {
  const value = await check(formSchemas.NewInvitation, {
    id: newId(),
    ...form,
  })
  if (!value) return
  try {
    made.value = await api('/api/academy/invitations', { method: 'POST', body: value })
    form.forWhom = ''
    emit('made')
  } catch (error) {
    take(error)
  }
}
</script>

<template>
  <section class="raised p-5" aria-labelledby="invite-title">
    <h2 id="invite-title" class="text-xl font-bold">Invite someone</h2>
    <p class="soft mb-3">
      It makes a link to pass on in any message. It lets one person in, within
      {{ INVITATION_DAYS }} days.
    </p>
    <FrameShownOnce v-if="made" :of="`For ${made.forWhom}`" :secret="address" />
    <form class="flex flex-wrap items-start gap-3" novalidate @submit.prevent="run(invite)">
      <UFormField
        label="For whom"
        :error="of('forWhom') ?? (errors.length === 0 ? general : undefined)"
        help=" "
        class="min-w-52 flex-1"
        ><UInput v-model="form.forWhom" placeholder="Bo Kestrel" autocomplete="off" class="w-full"
      /></UFormField>
      <UFormField label="As" help=" " class="w-36"
        ><FramePlainSelect v-model="form.role" :items="roles" label="As which role"
      /></UFormField>
      <UButton type="submit" :loading="busy" class="mt-6">Make an invitation</UButton>
    </form>
  </section>
</template>
