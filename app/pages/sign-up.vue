<script setup lang="ts">
import { PASSWORD_MIN, SignUp } from '#shared/account'
import type { DistanceUnit } from '#core/units'
import { api } from '~/utils/api'
import { useFormErrors } from '~/composables/useFormErrors'
import { useAccount } from '~/stores/account'
import FrameDoorFrame from '~/components/frame/DoorFrame.vue'

definePageMeta({ layout: 'plain' })
useHead({ title: 'Open an account' })

/** Where golf is played in yards the browser mostly says so; anybody may choose the other. */
function usualUnit(): DistanceUnit {
  return /^en-(US|GB|IE)\b/i.test(globalThis.navigator?.language ?? 'en-GB') ? 'yd' : 'm'
}

const account = useAccount()
const form = reactive({ name: '', academy: '', email: '', password: '', unit: usualUnit() })
const { general, check, take, of, errors } = useFormErrors()
const busy = ref(false)

async function submit() {
  const value = check(SignUp, form)
  if (!value) return
  busy.value = true
  try {
    await api('/api/auth/sign-up', { method: 'POST', body: value })
    await account.forget()
    await navigateTo('/players')
  } catch (error) {
    take(error)
  } finally {
    busy.value = false
  }
}
</script>

<template>
  <FrameDoorFrame title="Open an account">
    <form class="space-y-1" novalidate @submit.prevent="submit">
      <p v-if="general && errors.length === 0" role="alert" class="mb-3 font-semibold text-error">{{ general }}</p>
      <UFormField label="Your name" name="name" :error="of('name')" help=" "
        ><UInput v-model="form.name" autocomplete="name" class="w-full"
      /></UFormField>
      <UFormField
        label="Academy"
        name="academy"
        :error="of('academy')"
        help="The name your players know you by. It may be your own."
        ><UInput v-model="form.academy" autocomplete="organization" class="w-full"
      /></UFormField>
      <UFormField label="E-mail" name="email" :error="of('email')" help="You sign in with it."
        ><UInput v-model="form.email" type="email" autocomplete="username" class="w-full"
      /></UFormField>
      <UFormField label="Password" name="password" :error="of('password')" :help="`${PASSWORD_MIN} characters or more.`"
        ><UInput v-model="form.password" type="password" autocomplete="new-password" class="w-full"
      /></UFormField>
      <UFormField label="Distances in" help="It can be switched at any moment.">
        <URadioGroup
          v-model="form.unit"
          orientation="horizontal"
          :items="[
            { value: 'yd', label: 'yards' },
            { value: 'm', label: 'metres' },
          ]"
        />
      </UFormField>
      <UButton type="submit" block class="mt-4" size="lg" :loading="busy">Open the account</UButton>
    </form>
    <p class="mt-5 text-center"><ULink to="/sign-in" class="font-semibold underline">I have one: sign in</ULink></p>
  </FrameDoorFrame>
</template>
