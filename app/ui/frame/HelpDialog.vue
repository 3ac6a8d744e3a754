<script setup lang="ts">
import { useCharacterKeys } from '~/ui/useShortcuts'
import { keyList } from '~/ui/keymap'

const open = defineModel<boolean>('open', { required: true })
const groups = keyList()
const characterKeys = useCharacterKeys()
</script>

<template>
  <UModal
    v-model:open="open"
    title="Keyboard"
    :description="
      characterKeys
        ? 'Letters work while no text is being typed.'
        : 'Letters and signs are switched off on this device: see the account.'
    "
  >
    <template #body>
      <section v-for="group in groups" :key="group.title" class="mb-5">
        <h3 class="mb-1 font-bold">{{ group.title }}</h3>
        <dl class="divide-y divide-default">
          <div v-for="[key, what] in group.keys" :key="key" class="flex items-center justify-between gap-4 py-1.5">
            <dt><UKbd size="lg" :value="key" /></dt>
            <dd>{{ what }}</dd>
          </div>
        </dl>
      </section>
    </template>
  </UModal>
</template>
