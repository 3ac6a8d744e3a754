<script setup lang="ts">
import type { DistanceUnit } from '#core/units'
import { api } from '~/utils/api'
import { useDoorForm } from '~/composables/useDoorForm'
import FrameDoorFrame from '~/components/frame/DoorFrame.vue'
import FrameNewAccountFields from '~/components/frame/NewAccountFields.vue'

definePageMeta({ layout: 'plain' })
useHead({ title: 'Open an account' })

/** Where golf is played in yards the browser mostly says so; anybody may choose the other. */
function usualUnit(): DistanceUnit {
  return /^en-(US|GB|IE)\b/i.test(globalThis.navigator?.language ?? 'en-GB') ? 'yd' : 'm'
}

const form = ref({ name: '', academy: '', email: '', password: '', unit: usualUnit() })
const { general, check, of, errors, busy, enter } = useDoorForm()

const submit = () =>
  enter(async () => {
    const { SignUp } = await import('#shared/account')
    const value = check(SignUp, form.value)
    if (value) await api('/api/auth/sign-up', { method: 'POST', body: value })
    return value !== null
  })
</script>

<template>
  <FrameDoorFrame title="Open an account">
    <form class="space-y-1" novalidate @submit.prevent="submit">
      <p v-if="general && errors.length === 0" role="alert" class="mb-3 font-semibold text-error">{{ general }}</p>
      <FrameNewAccountFields v-model="form" :fault-of="of" />
      <UFormField
        label="Academy"
        name="academy"
        :error="of('academy')"
        help="The name your players know you by. It may be your own."
        ><UInput v-model="form.academy" autocomplete="organization" class="w-full"
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
