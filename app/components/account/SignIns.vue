<script setup lang="ts">
import type { SignInPlace } from '#shared/academy'
import { api } from '~/utils/api'
import { clockTime, shortDate } from '~/utils/dates'

/** Where this account is signed in, and signing out there. */
const places = shallowRef<SignInPlace[]>()
const failure = ref<string>()
const toast = useToast()

async function load() {
  try {
    places.value = await api('/api/account/sign-ins')
    failure.value = undefined
  } catch (error) {
    failure.value = (error as Error).message
  }
}
onMounted(load)

async function signOutThere(place: SignInPlace) {
  try {
    await api('/api/account/sign-ins/:signInId', { params: { signInId: place.id }, method: 'DELETE' })
    toast.add({ title: `Signed out: ${place.device}` })
  } catch (error) {
    toast.add({ title: 'It is not signed out yet', description: (error as Error).message, color: 'error' })
  }
  await load()
}
</script>

<template>
  <section class="raised mt-6 p-5" aria-labelledby="places-title">
    <h2 id="places-title" class="text-xl font-bold">Where you are signed in</h2>
    <p v-if="failure" role="alert" class="flex flex-wrap items-center gap-3 font-semibold text-error">
      {{ failure }} <UButton size="sm" color="neutral" variant="outline" @click="load">Try again</UButton>
    </p>
    <ul class="divide-y divide-default">
      <li v-for="place in places" :key="place.id" class="flex min-h-12 flex-wrap items-center gap-x-4">
        <span class="font-bold">{{ place.device }}</span>
        <span class="soft flex-1">{{
          place.here ? 'here, now' : `seen ${shortDate(place.seenAtMs)}, ${clockTime(place.seenAtMs)}`
        }}</span>
        <UButton
          v-if="!place.here"
          color="neutral"
          variant="ghost"
          icon="i-lucide-log-out"
          :aria-label="`Sign out there: ${place.device}`"
          @click="signOutThere(place)"
          >Sign out there</UButton
        >
      </li>
    </ul>
  </section>
</template>
