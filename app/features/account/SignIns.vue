<script setup lang="ts">
import type { SignInPlace } from '#shared/academy'
import { api } from '~/offline/api'
import { clockTime, shortDate } from '~/ui/dates'

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

/** Many sign-ins are old tablets: those seen last come first. */
const AT_ONCE = 5
const all = ref(false)
const others = computed(() => places.value?.filter(({ here }) => !here) ?? [])
const inOrder = computed(() => [...(places.value?.filter(({ here }) => here) ?? []), ...others.value])
const shown = computed(() => (all.value ? inOrder.value : inOrder.value.slice(0, AT_ONCE)))
const hidden = computed(() => inOrder.value.length - shown.value.length)

async function signOutElsewhere() {
  const ended = others.value.length
  try {
    await api('/api/account/sign-ins', { method: 'DELETE' })
    toast.add({ title: `Signed out in ${ended} other places` })
  } catch (error) {
    toast.add({ title: 'They are not signed out yet', description: (error as Error).message, color: 'error' })
  }
  await load()
}

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
      <li v-for="place in shown" :key="place.id" class="flex min-h-12 items-center gap-x-4 py-1">
        <span class="flex min-w-0 flex-1 flex-wrap gap-x-4">
          <span class="font-bold">{{ place.device }}</span>
          <span class="soft">{{
            place.here ? 'here, now' : `seen ${shortDate(place.seenAtMs)}, ${clockTime(place.seenAtMs)}`
          }}</span>
        </span>
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
    <div v-if="others.length > 1 || hidden > 0" class="mt-2 flex flex-wrap gap-2">
      <UButton v-if="hidden > 0" color="neutral" variant="outline" @click="all = true">{{ hidden }} more</UButton>
      <UButton
        v-if="others.length > 1"
        color="neutral"
        variant="outline"
        icon="i-lucide-log-out"
        @click="signOutElsewhere"
        >Sign out everywhere else</UButton
      >
    </div>
  </section>
</template>
