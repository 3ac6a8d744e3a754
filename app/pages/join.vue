<script setup lang="ts">
import type { InvitedTo } from '#shared/academy'
import { ROLE_WORDS } from '#shared/rights'
import { api } from '~/offline/api'
import { useDoorForm } from '~/features/account/useDoorForm'
import { formSchemas } from '~/ui/form-schemas'
import FrameDoorFrame from '~/ui/frame/DoorFrame.vue'
import FrameNewAccountFields from '~/ui/frame/NewAccountFields.vue'

/** Where an invitation leads: an account of one's own in somebody's academy. */
definePageMeta({ layout: 'plain' })
useHead({ title: 'Invitation' })
const route = useRoute()
const token = route.hash.slice(1)
const invited = shallowRef<InvitedTo>()
const failure = ref('')
const form = ref({ name: '', email: '', password: '' })
const { general, check, of, errors, busy, enter } = useDoorForm()

onMounted(async () => {
  try {
    invited.value = await api('/api/auth/invitation', { method: 'POST', body: { token } })
    form.value.name ||= invited.value.forWhom
  } catch (error) {
    failure.value = (error as Error).message
  }
})

const submit = () =>
  enter(async () => {
    const value = await check(formSchemas.Join, { ...form.value, token })
    if (value) await api('/api/auth/join', { method: 'POST', body: value })
    return value !== null
  })
</script>

<template>
  <FrameDoorFrame :title="invited ? `Join ${invited.academy}` : 'Invitation'">
    <p v-if="failure" role="alert" class="font-semibold text-error">{{ failure }}</p>
    <p v-else-if="!invited" class="soft min-h-40" role="status">Looking at the invitation…</p>
    <form v-else class="space-y-2" novalidate @submit.prevent="submit">
      <p class="mb-3">
        As <strong>{{ ROLE_WORDS[invited.role].name.toLowerCase() }}</strong>. {{ ROLE_WORDS[invited.role].may }}
      </p>
      <p v-if="general && errors.length === 0" role="alert" class="mb-3 font-semibold text-error">{{ general }}</p>
      <FrameNewAccountFields v-model="form" :fault-of="of" />
      <UButton type="submit" block size="lg" class="mt-3" :loading="busy">Join</UButton>
    </form>
    <p class="mt-5 text-center"><ULink to="/sign-in" class="font-semibold underline">To the sign-in</ULink></p>
  </FrameDoorFrame>
</template>
