<script setup lang="ts">
import type { FactorToSetUp, SecondFactorState } from '#shared/account'
import { useFormErrors } from '~/ui/useFormErrors'
import { api } from '~/offline/api'
import { formSchemas } from '~/ui/form-schemas'

/** A second step at sign-in: figures of an app on the coach's phone. Set up, and switched off again. */
const state = shallowRef<SecondFactorState>()
const failure = ref('')
const toSetUp = shallowRef<FactorToSetUp & { picture: string }>()
const codes = shallowRef<string[]>()
const current = ref('')
const code = ref('')
const busy = ref(false)
const { general, check, take, of, errors, clear } = useFormErrors()
const toast = useToast()

async function load() {
  try {
    state.value = await api('/api/account/second-factor')
    failure.value = ''
  } catch (error) {
    failure.value = (error as Error).message
  }
}
onMounted(load)

async function tryTo(work: () => Promise<void>) {
  busy.value = true
  try {
    await work()
  } catch (error) {
    take(error)
  } finally {
    busy.value = false
  }
}

const begin = () =>
  tryTo(async () => {
    const value = await check(formSchemas.OwnPassword, { current: current.value })
    if (!value) return
    const made = await api('/api/account/second-factor', { method: 'POST', body: value })
    const { toString } = await import('qrcode')
    const picture = await toString(made.uri, { type: 'svg', margin: 1 })
    toSetUp.value = { ...made, picture: `data:image/svg+xml;utf8,${encodeURIComponent(picture)}` }
    current.value = ''
  })

const confirm = () =>
  tryTo(async () => {
    const value = await check(formSchemas.FactorCode, { code: code.value })
    if (!value) return
    codes.value = (await api('/api/account/second-factor/confirm', { method: 'POST', body: value })).codes
    code.value = ''
    toSetUp.value = undefined
    await load()
  })

const off = () =>
  tryTo(async () => {
    const value = await check(formSchemas.OwnPassword, { current: current.value })
    if (!value) return
    await api('/api/account/second-factor/off', { method: 'POST', body: value })
    current.value = ''
    codes.value = undefined
    await load()
    toast.add({ title: 'The second step is off', description: 'The password alone is enough again.' })
  })

function stop() {
  toSetUp.value = undefined
  code.value = ''
  clear()
}

const inFours = (secret: string) => secret.replace(/(.{4})(?=.)/g, '$1 ')
const codesText = computed(() => codes.value?.join('\n') ?? '')
async function copy() {
  await navigator.clipboard.writeText(codesText.value)
  toast.add({ title: 'Copied' })
}
</script>

<template>
  <section class="raised mt-6 p-5" aria-labelledby="factor-title">
    <h2 id="factor-title" class="text-xl font-bold">A second step at sign-in</h2>
    <p v-if="failure" role="alert" class="flex flex-wrap items-center gap-3 font-semibold text-error">
      {{ failure }} <UButton size="sm" color="neutral" variant="outline" @click="load">Try again</UButton>
    </p>
    <div v-else class="mt-1 min-h-24">
      <p v-if="general && errors.length === 0" role="alert" class="mb-2 font-semibold text-error">{{ general }}</p>
      <template v-if="codes">
        <p class="font-semibold">
          It is on. Keep these spare codes apart from the phone; they are shown only this once.
        </p>
        <p class="soft">Each lets you in once when the phone is lost.</p>
        <ul class="mt-2 grid grid-cols-2 gap-x-6 text-lg font-semibold tracking-wider sm:grid-cols-4">
          <li v-for="one in codes" :key="one">{{ one }}</li>
        </ul>
        <div class="mt-3 flex gap-2">
          <UButton color="neutral" variant="outline" icon="i-lucide-copy" @click="copy">Copy them</UButton>
          <UButton @click="codes = undefined">I have kept them</UButton>
        </div>
      </template>
      <form v-else-if="toSetUp" class="flex flex-wrap gap-x-6 gap-y-3" novalidate @submit.prevent="confirm">
        <img
          :src="toSetUp.picture"
          alt="The same as a picture, for the app"
          width="176"
          height="176"
          class="bg-white"
        />
        <div class="min-w-60 flex-1">
          <p>In an app that makes one-time figures, add this account: by the picture, or by typing</p>
          <p class="my-2 text-lg font-semibold tracking-wider break-words">{{ inFours(toSetUp.secret) }}</p>
          <UFormField label="The six digits it shows" name="code" :error="of('code')" help=" "
            ><UInput v-model="code" inputmode="numeric" autocomplete="one-time-code" class="w-36"
          /></UFormField>
          <div class="flex gap-2">
            <UButton type="submit" :loading="busy">Switch it on</UButton>
            <UButton color="neutral" variant="outline" @click="stop">Leave it</UButton>
          </div>
        </div>
      </form>
      <form v-else-if="state" class="space-y-1" novalidate @submit.prevent="state.on ? off() : begin()">
        <p v-if="state.on">
          <UIcon name="i-lucide-shield-check" class="text-success" /> On: signing in asks for a code from your phone.
          <span :class="state.spare < 3 ? 'font-semibold' : 'soft'"
            >{{ state.spare }} {{ state.spare === 1 ? 'spare code' : 'spare codes' }} left.</span
          >
        </p>
        <p v-else class="soft">
          Off. With it a stolen password is not enough: signing in takes a code from your phone too.
        </p>
        <UFormField label="Current password" name="current" :error="of('current')" help=" "
          ><UInput v-model="current" type="password" autocomplete="current-password" class="w-full"
        /></UFormField>
        <UButton
          type="submit"
          :color="state.on ? 'neutral' : 'primary'"
          :variant="state.on ? 'outline' : 'solid'"
          :loading="busy"
          >{{ state.on ? 'Switch it off' : 'Set it up' }}</UButton
        >
      </form>
    </div>
  </section>
</template>
