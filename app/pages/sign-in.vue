<script setup lang="ts">
import type { SignUpDoor } from '#shared/account'
import { api } from '~/offline/api'
import { useFormErrors } from '~/ui/useFormErrors'
import { useAccount } from '~/offline/stores/account'
import { formSchemas } from '~/ui/form-schemas'
import FrameDoorFrame from '~/ui/frame/DoorFrame.vue'

definePageMeta({ layout: 'plain' })
useHead({ title: 'Sign in' })

const account = useAccount()
const route = useRoute()
const form = reactive({ email: '', password: '', code: '' })
/** The password was right, and a code is asked for beside it. */
const asksCode = ref(false)
const { general, check, take, of, errors, clear } = useFormErrors()
const busy = ref(false)
const doors = ref<{ demo: boolean; signUp: SignUpDoor; mail: boolean }>({ demo: false, signUp: 'closed', mail: false })
const sent = ref(false)

onMounted(async () => {
  try {
    doors.value = await api('/api/auth/doors')
  } catch (error) {
    take(error)
  }
})

/** Only back into the application: an address of our own, not of another host. */
function backTo(): string {
  const back = String(route.query.back ?? '')
  return /^\/(?![/\\])/.test(back) ? back : '/players'
}

async function enter(route: '/api/auth/sign-in' | '/api/auth/demo', body: object = {}) {
  busy.value = true
  try {
    const entered = await api(route, { method: 'POST', body })
    // Whoever was here before is gone from this page's memory.
    await account.forget()
    const { usePlayerRecord } = await import('~/offline/stores/record')
    usePlayerRecord().close()
    account.triedFirst = 'triedFirst' in entered && entered.triedFirst
    await navigateTo(backTo())
  } catch (error) {
    take(error)
    if (of('code') && !asksCode.value) {
      // Asked for the first time: nothing was wrong.
      asksCode.value = true
      clear()
    }
  } finally {
    busy.value = false
  }
}

/** The same is said whether the address has an account or not. */
async function sendReset() {
  busy.value = true
  try {
    const value = await check(formSchemas.LostPassword, { email: form.email })
    if (!value) return
    await api('/api/auth/lost', { method: 'POST', body: value })
    sent.value = true
  } catch (error) {
    take(error)
  } finally {
    busy.value = false
  }
}

/** What checks a form comes when it is needed: the page stands before it. */
async function submit() {
  try {
    const { code, ...known } = form
    const value = await check(formSchemas.SignIn, asksCode.value ? { ...known, code } : known)
    if (value) await enter('/api/auth/sign-in', value)
  } catch (error) {
    take(error)
  }
}
</script>

<template>
  <FrameDoorFrame title="Sign in">
    <template v-if="doors.demo">
      <UButton block size="xl" icon="i-lucide-door-open" :loading="busy" @click="enter('/api/auth/demo')"
        >Enter the demo</UButton
      >
      <p class="soft mt-2 mb-6 text-center text-sm">As the coach of a made-up academy, with eight made-up players.</p>
    </template>
    <form class="space-y-2" novalidate @submit.prevent="submit">
      <p v-if="general && errors.length === 0" role="alert" class="mb-3 font-semibold text-error">{{ general }}</p>
      <UFormField label="E-mail" name="email" :error="of('email')" help=" "
        ><UInput v-model="form.email" type="email" autocomplete="username" class="w-full"
      /></UFormField>
      <UFormField label="Password" name="password" :error="of('password')" help=" "
        ><UInput v-model="form.password" type="password" autocomplete="current-password" class="w-full"
      /></UFormField>
      <UFormField v-if="asksCode" label="Code" name="code" :error="of('code')" help="From your phone, or a spare one."
        ><UInput v-model="form.code" autofocus autocomplete="one-time-code" class="w-full"
      /></UFormField>
      <UButton type="submit" block size="lg" :variant="doors.demo ? 'outline' : 'solid'" :loading="busy"
        >Sign in</UButton
      >
    </form>
    <details class="mt-4 text-center">
      <summary class="inline-flex min-h-11 cursor-pointer items-center underline">Lost your password?</summary>
      <p v-if="sent" role="status" class="font-semibold">
        If {{ form.email }} has an account, a mail is on its way: it leads to a new password, once, within 24 hours.
      </p>
      <template v-else-if="doors.mail">
        <p class="soft mb-2">A link for a new one is sent to the e-mail above.</p>
        <UButton color="neutral" variant="outline" icon="i-lucide-mail" :loading="busy" @click="sendReset"
          >Send it</UButton
        >
      </template>
      <p v-else class="soft">
        The owner of your academy can make a link for a new one, under <i>Academy</i>. An owner asks whoever runs this
        server.
      </p>
    </details>
    <p v-if="doors.signUp !== 'closed'" class="mt-3 text-center">
      New here? <ULink to="/sign-up" class="font-semibold underline">Open an account</ULink>
    </p>
    <p class="mt-3 text-center text-sm"><ULink to="/what-is-kept" class="underline">What is kept</ULink></p>
  </FrameDoorFrame>
</template>
