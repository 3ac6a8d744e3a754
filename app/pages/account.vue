<script setup lang="ts">
import { useCharacterKeys } from '~/ui/useShortcuts'
import { PASSWORD_MIN } from '#shared/password'
import { api } from '~/offline/api'
import { useFormErrors } from '~/ui/useFormErrors'
import { useOneAtATime } from '~/ui/useOneAtATime'
import { useAccount } from '~/offline/stores/account'
import { formSchemas } from '~/ui/form-schemas'
import AccountDevices from '~/features/account/Devices.vue'
import AccountLockIn from '~/features/account/LockIn.vue'
import AccountSecondFactor from '~/features/account/SecondFactor.vue'
import AccountPrograms from '~/features/account/Programs.vue'
import AccountSignIns from '~/features/account/SignIns.vue'
import AccountMarks from '~/features/account/Marks.vue'

useHead({ title: 'Account' })
const account = useAccount()
const toast = useToast()
const characterKeys = useCharacterKeys()
const name = ref(account.account?.name ?? '')
const passwords = reactive({ current: '', password: '' })
const nameErrors = useFormErrors()
const passwordErrors = useFormErrors()
const { busy, run } = useOneAtATime()

async function saveName() {
  const value = await nameErrors.check(formSchemas.AccountChange, { name: name.value })
  if (!value) return
  try {
    account.account = await api('/api/account', { method: 'PATCH', body: value })
    toast.add({ title: 'Name saved', color: 'success' })
  } catch (error) {
    nameErrors.take(error)
  }
}

async function savePassword() {
  const value = await passwordErrors.check(formSchemas.PasswordChange, passwords)
  if (!value) return
  try {
    await api('/api/account/password', { method: 'POST', body: value })
    Object.assign(passwords, { current: '', password: '' })
    account.triedFirst = false
    toast.add({ title: 'Password changed', description: 'Other devices have to sign in again.', color: 'success' })
  } catch (error) {
    passwordErrors.take(error)
  }
}
</script>

<template>
  <main class="mx-auto w-full max-w-xl px-4 py-6">
    <h1 class="text-3xl font-bold">Account</h1>
    <p class="soft">{{ account.account?.academy }}, {{ account.account?.email }}</p>
    <form class="raised mt-6 space-y-2 p-5" novalidate @submit.prevent="saveName">
      <UFormField
        label="Your name"
        name="name"
        :error="nameErrors.of('name') ?? (nameErrors.errors.value.length === 0 ? nameErrors.general.value : undefined)"
        help=" "
        ><UInput v-model="name" autocomplete="name" class="w-full"
      /></UFormField>
      <UButton type="submit">Save name</UButton>
    </form>
    <form id="password" class="raised mt-6 space-y-2 p-5" novalidate @submit.prevent="run(savePassword)">
      <p
        v-if="passwordErrors.general.value && passwordErrors.errors.value.length === 0"
        role="alert"
        class="font-semibold text-error"
      >
        {{ passwordErrors.general.value }}
      </p>
      <UFormField label="Current password" name="current" :error="passwordErrors.of('current')" help=" "
        ><UInput v-model="passwords.current" type="password" autocomplete="current-password" class="w-full"
      /></UFormField>
      <UFormField
        label="New password"
        name="password"
        :error="passwordErrors.of('password')"
        :help="`${PASSWORD_MIN} characters or more.`"
        ><UInput v-model="passwords.password" type="password" autocomplete="new-password" class="w-full"
      /></UFormField>
      <UButton type="submit" :loading="busy">Change password</UButton>
    </form>
    <section class="raised mt-6 p-5" aria-labelledby="keys-title">
      <h2 id="keys-title" class="text-lg font-bold">Keyboard</h2>
      <USwitch
        v-model="characterKeys"
        class="mt-1"
        label="Single keys act on this device"
        description="Letters, figures and signs as shortcuts. Switch it off where keys slip; arrow keys and Ctrl stay."
      />
    </section>
    <AccountSecondFactor />
    <AccountSignIns />
    <AccountLockIn />
    <AccountMarks />
    <AccountDevices />
    <AccountPrograms />
    <p class="mt-6"><ULink to="/what-is-kept" class="underline">What is kept, and for how long</ULink></p>
  </main>
</template>
