<script setup lang="ts">
import type { ResetLook } from '#shared/academy'
import { PASSWORD_MIN } from '#shared/password'
import { api } from '~/offline/api'
import { useDoorForm } from '~/features/account/useDoorForm'
import { formSchemas } from '~/ui/form-schemas'
import FrameDoorFrame from '~/ui/frame/DoorFrame.vue'

/** Where the owner's address for a lost password leads: a new one, and in. */
definePageMeta({ layout: 'plain' })
useHead({ title: 'A new password' })
const route = useRoute()
const token = route.hash.slice(1)
const whose = shallowRef<ResetLook>()
const failure = ref('')
const password = ref('')
const code = ref('')
/** Whose sign-in has a second step is asked for it here too. */
const asksCode = ref(false)
const { general, check, of, errors, clear, busy, enter } = useDoorForm()

onMounted(async () => {
  try {
    whose.value = await api('/api/auth/reset-look', { method: 'POST', body: { token } })
  } catch (error) {
    failure.value = (error as Error).message
  }
})

watch(errors, () => {
  if (!of('code') || asksCode.value) return
  // Asked for the first time: nothing was wrong.
  asksCode.value = true
  clear()
})

const submit = () =>
  enter(async () => {
    const value = await check(formSchemas.Reset, {
      token,
      password: password.value,
      ...(asksCode.value && { code: code.value }),
    })
    if (value) await api('/api/auth/reset', { method: 'POST', body: value })
    return value !== null
  })
</script>

<template>
  <FrameDoorFrame title="A new password">
    <p v-if="failure" role="alert" class="font-semibold text-error">{{ failure }}</p>
    <p v-else-if="!whose" class="soft min-h-40" role="status">Looking whose it is…</p>
    <form v-else class="space-y-2" novalidate @submit.prevent="submit">
      <p class="mb-3">
        For <strong>{{ whose.name }}</strong> of {{ whose.academy }}, signing in as {{ whose.email }}. It signs you out
        everywhere else.
      </p>
      <p v-if="general && errors.length === 0" role="alert" class="mb-3 font-semibold text-error">{{ general }}</p>
      <input type="email" autocomplete="username" :value="whose.email" class="hidden" aria-hidden="true" readonly />
      <UFormField
        label="New password"
        name="password"
        :error="of('password')"
        :help="`${PASSWORD_MIN} characters or more.`"
        ><UInput v-model="password" type="password" autocomplete="new-password" class="w-full"
      /></UFormField>
      <UFormField v-if="asksCode" label="Code" name="code" :error="of('code')" help="From your phone, or a spare one."
        ><UInput v-model="code" autocomplete="one-time-code" class="w-full"
      /></UFormField>
      <UButton type="submit" block size="lg" class="mt-3" :loading="busy">Set it and go in</UButton>
    </form>
    <p class="mt-5 text-center"><ULink to="/sign-in" class="font-semibold underline">To the sign-in</ULink></p>
  </FrameDoorFrame>
</template>
