<script setup lang="ts">
import type { DistanceUnit } from '#core/units'
import { SIGN_UP_HOURS } from '#shared/keep-times'
import { api } from '~/offline/api'
import { useDoorForm } from '~/features/account/useDoorForm'
import { formSchemas } from '~/ui/form-schemas'
import FrameDoorFrame from '~/ui/frame/DoorFrame.vue'
import FrameNewAccountFields from '~/ui/frame/NewAccountFields.vue'

definePageMeta({ layout: 'plain' })
useHead({ title: 'Open an account' })

/** Where golf is played in yards the browser mostly says so; anybody may choose the other. */
function usualUnit(): DistanceUnit {
  return /^en-(US|GB|IE)\b/i.test(globalThis.navigator?.language ?? 'en-GB') ? 'yd' : 'm'
}

const form = ref({ name: '', academy: '', email: '', password: '', unit: usualUnit() })
const { general, check, of, errors, busy, enter } = useDoorForm()

/** What a mail brought: the account that waits to be opened. */
const token = useRoute().hash.slice(1)
const opening = ref(token !== '')
/** Where the address was sent that opens the account. */
const mailedTo = ref('')

onMounted(async () => {
  if (!opening.value) return
  await enter(async () => {
    await api('/api/auth/open-account', { method: 'POST', body: { token } })
    return true
  })
  // It opened nothing, and why stands above the form: it can be asked for again.
  opening.value = false
})

const submit = () =>
  enter(async () => {
    const value = await check(formSchemas.SignUp, form.value)
    if (!value) return false
    const { mailed } = await api('/api/auth/sign-up', { method: 'POST', body: value })
    if (mailed) mailedTo.value = value.email
    return !mailed
  })
</script>

<template>
  <FrameDoorFrame title="Open an account">
    <p v-if="opening" class="soft min-h-40" role="status">Opening your account…</p>
    <div v-else-if="mailedTo" role="status" class="space-y-2">
      <p class="text-lg font-bold">Check your mail.</p>
      <p>
        A link is on its way to {{ mailedTo }}: it opens your account, within {{ SIGN_UP_HOURS }} hours. Nothing has
        come after some minutes? Look under spam, or
        <UButton variant="link" class="min-h-0 p-0 underline" @click="mailedTo = ''">check what you typed</UButton>.
      </p>
    </div>
    <form v-else class="space-y-2" novalidate @submit.prevent="submit">
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
