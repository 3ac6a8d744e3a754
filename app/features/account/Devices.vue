<script setup lang="ts">
import { v7 as newId } from 'uuid'
import type { Device, MadeDevice } from '#shared/device'
import { api } from '~/offline/api'
import { useFormErrors } from '~/ui/useFormErrors'
import { useOneAtATime } from '~/ui/useOneAtATime'
import { clockTime, shortDate } from '~/ui/dates'
import { formSchemas } from '~/ui/form-schemas'
import AccountDeviceBalls from '~/features/account/DeviceBalls.vue'
import AccountRevokeDialog from '~/features/account/RevokeDialog.vue'
import FrameShownOnce from '~/ui/frame/ShownOnce.vue'

/** Devices that may send balls by themselves. A token is shown once; a revoked one opens nothing. */
const devices = shallowRef<Device[]>()
const failure = ref<string>()
const name = ref('')
const made = shallowRef<MadeDevice>()
const revoking = shallowRef<Device>()
const { errors, general, check, take, of } = useFormErrors()
const { busy, run } = useOneAtATime()
const toast = useToast()
const command = computed(() =>
  made.value ? `npm run device -- --to ${window.location.origin} --token ${made.value.token} --player good` : '',
)

async function load() {
  try {
    devices.value = await api('/api/devices')
    failure.value = undefined
  } catch (error) {
    failure.value = (error as Error).message
  }
}
onMounted(load)

async function add() {
  const value = await check(formSchemas.NewDevice, {
    id: newId(),
    name: name.value,
  })
  if (!value) return
  try {
    made.value = await api('/api/devices', { method: 'POST', body: value })
    name.value = ''
    await load()
  } catch (error) {
    take(error)
  }
}

async function revoke() {
  const device = revoking.value!
  try {
    await api('/api/devices/:deviceId', { params: { deviceId: device.id }, method: 'DELETE' })
    if (made.value?.id === device.id) made.value = undefined
    toast.add({ title: `${device.name} is revoked`, description: 'What it sent stays.' })
  } catch (error) {
    toast.add({ title: `${device.name} is not revoked yet`, description: (error as Error).message, color: 'error' })
  }
  revoking.value = undefined
  await load()
}
</script>

<template>
  <section id="devices" class="raised mt-6 p-5" aria-labelledby="devices-title">
    <h2 id="devices-title" class="text-xl font-bold">Devices</h2>
    <p class="soft mb-3">A launch monitor that sends its balls into your open session. Each has a token of its own.</p>
    <p v-if="failure" role="alert" class="mb-3 flex flex-wrap items-center gap-3 font-semibold text-error">
      {{ failure }} <UButton size="sm" color="neutral" variant="outline" @click="load">Try again</UButton>
    </p>
    <AccountDeviceBalls />
    <ul v-if="devices && devices.length > 0" class="mb-4 divide-y divide-default border-y border-default">
      <li v-for="device in devices" :key="device.id" class="flex min-h-12 flex-wrap items-center gap-x-4">
        <span class="font-bold">{{ device.name }}</span>
        <span class="soft flex-1 max-sm:order-last max-sm:basis-full max-sm:pb-2">{{
          device.heardAtMs === null
            ? 'never heard'
            : `last heard ${shortDate(device.heardAtMs)}, ${clockTime(device.heardAtMs)}`
        }}</span>
        <UButton
          color="error"
          variant="ghost"
          icon="i-lucide-ban"
          :aria-label="`Revoke ${device.name}`"
          @click="revoking = device"
          >Revoke</UButton
        >
      </li>
    </ul>
    <FrameShownOnce v-if="made" :of="`The token of ${made.name}`" :secret="made.token">
      <p class="soft">To try it without a monitor, a simulated one plays a good player:</p>
      <pre class="mt-1 rounded bg-elevated p-2 text-sm break-all whitespace-pre-wrap">{{ command }}</pre>
    </FrameShownOnce>
    <form class="flex flex-wrap items-start gap-3" novalidate @submit.prevent="run(add)">
      <UFormField
        label="New device"
        :error="of('name') ?? (errors.length === 0 ? general : undefined)"
        help=" "
        class="min-w-56 flex-1"
        ><UInput v-model="name" placeholder="Bay 3 monitor" autocomplete="off" class="w-full"
      /></UFormField>
      <UButton type="submit" :loading="busy" class="mt-6">Make a token</UButton>
    </form>
    <AccountRevokeDialog
      :open="revoking !== undefined"
      :title="`Revoke ${revoking?.name}?`"
      description="Its token opens nothing any more, and cannot be given back. What it sent stays."
      @revoke="revoke"
      @close="revoking = undefined"
    />
  </section>
</template>
