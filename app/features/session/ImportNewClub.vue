<script setup lang="ts">
import { LOFT_MAX_DEG, LOFT_MIN_DEG } from '#core/limits'
import type { Importer } from '~/features/session/useImport'
import { typedNumber } from '~/ui/numbers'

/** A club of the file that the bag does not have: its loft, and it goes in. */
const props = defineProps<{ label: string; importer: Importer }>()
const emit = defineEmits<{ done: [] }>()
const loft = ref(/^\d{2}(\.\d)?°?$/.test(props.label) ? props.label.replace('°', '') : '')
const fault = ref<string>()

async function make() {
  const deg = typedNumber(loft.value)
  if (!(deg >= LOFT_MIN_DEG && deg <= LOFT_MAX_DEG)) {
    fault.value = `Loft "${loft.value}" is not possible: ${LOFT_MIN_DEG} to ${LOFT_MAX_DEG}° is allowed.`
    return
  }
  try {
    await props.importer.makeClub(props.label, deg)
    emit('done')
  } catch (error) {
    fault.value = (error as Error).message
  }
}
</script>

<template>
  <UModal
    open
    :title="`A new club: ${label}`"
    description="It goes into the bag with this loft."
    @update:open="emit('done')"
  >
    <template #body
      ><UFormField label="Loft, °" :error="fault" help=" "
        ><UInput v-model="loft" autofocus inputmode="decimal" @keydown.enter="make" /></UFormField
    ></template>
    <template #footer
      ><UButton @click="make">Put it into the bag</UButton
      ><UButton color="neutral" variant="outline" @click="emit('done')">Cancel</UButton></template
    >
  </UModal>
</template>
