<script setup lang="ts">
import { useClinic } from '~/player/useClinic'

/** Who hits what next, for all on the tee: to be read from ten yards. */
const open = defineModel<boolean>('open', { required: true })
const { members, turn } = useClinic()
const columns = computed(() => (members.value.length > 4 ? 'md:grid-cols-2' : ''))
</script>

<template>
  <UModal v-model:open="open" fullscreen title="Who hits what next" :ui="{ body: 'p-3 sm:p-4' }">
    <template #body>
      <ul class="grid h-full auto-rows-fr gap-3" :class="columns">
        <li
          v-for="member in members"
          :key="member.playerId"
          class="raised flex min-h-24 flex-col justify-center px-4 py-2"
          :class="member.playerId === turn && 'border-l-[12px]! border-l-primary!'"
        >
          <span class="text-[clamp(1.5rem,3.5vw,3rem)] leading-tight font-semibold"
            >{{ member.name }}<span v-if="member.playerId === turn" class="font-normal">, next ball</span></span
          >
          <span class="text-[clamp(2.25rem,7vw,6rem)] leading-none font-extrabold">{{
            member.next ?? 'open the player once'
          }}</span>
        </li>
      </ul>
    </template>
  </UModal>
</template>
