<script setup lang="ts">
import { mayDo } from '#shared/rights'
import { api } from '~/offline/api'
import { useDialogs } from '~/ui/useDialogs'
import { useAccount } from '~/offline/stores/account'
import { usePlayerRecord } from '~/offline/stores/record'
import FrameOutboxChip from '~/ui/frame/OutboxChip.vue'
import FrameUnitSwitch from '~/ui/frame/UnitSwitch.vue'

const account = useAccount()
const record = usePlayerRecord()
const route = useRoute()
const { help, search, playsLike } = useDialogs()
const colorMode = useColorMode()

const player = computed(() => ('playerId' in route.params ? record.player : null))
const dusk = computed(() => colorMode.value === 'dark')

async function signOut() {
  await api('/api/auth/sign-out', { method: 'POST' })
  await account.forget()
  record.close()
  await navigateTo('/sign-in')
}

const menu = computed(() => [
  [{ label: account.account?.name ?? '', type: 'label' as const }],
  [
    {
      label: dusk.value ? 'Light theme' : 'Dusk theme',
      icon: dusk.value ? 'i-lucide-sun' : 'i-lucide-moon',
      onSelect: () => {
        colorMode.preference = dusk.value ? 'light' : 'dark'
      },
    },
    {
      label: 'Plays like',
      icon: 'i-lucide-wind',
      kbds: ['w'],
      onSelect: () => {
        playsLike.value = true
      },
    },
    {
      label: 'Keyboard',
      icon: 'i-lucide-keyboard',
      kbds: ['?'],
      onSelect: () => {
        help.value = true
      },
    },
    { label: 'Ranges', icon: 'i-lucide-signpost', to: '/ranges' },
    ...(mayDo(account.account?.role ?? 'reader', 'teach')
      ? [{ label: 'Academy', icon: 'i-lucide-users', to: '/academy' }]
      : []),
    { label: 'Account', icon: 'i-lucide-user', to: '/account' },
  ],
  [{ label: 'Sign out', icon: 'i-lucide-log-out', onSelect: signOut }],
])
</script>

<template>
  <header
    class="print:hidden sticky top-0 z-30 flex h-14 items-center gap-1.5 border-b border-(--ink) bg-default px-3 sm:gap-3 sm:px-5"
  >
    <NuxtLink
      to="/players"
      class="-mx-1 flex min-h-11 items-center px-1 text-xl font-extrabold tracking-tight sm:text-2xl"
      aria-label="Uzzet, to the players"
    >
      uzzet<span class="text-primary">.</span>
    </NuxtLink>
    <template v-if="player">
      <span class="soft text-lg max-sm:hidden" aria-hidden="true">/</span>
      <span class="min-w-0 truncate text-base font-bold sm:text-lg">{{ player.name }}</span>
      <UBadge v-if="player.archived" color="neutral" variant="outline" class="max-sm:hidden">archived</UBadge>
    </template>
    <span class="min-w-0 flex-1" />
    <FrameOutboxChip />
    <FrameUnitSwitch />
    <UButton color="neutral" variant="outline" icon="i-lucide-wind" class="max-md:hidden" @click="playsLike = true"
      >Plays like <UKbd value="w" class="ml-1"
    /></UButton>
    <UButton color="neutral" variant="outline" icon="i-lucide-search" class="max-sm:hidden" @click="search = true">
      Search <UKbd value="/" class="ml-1" />
    </UButton>
    <UButton
      color="neutral"
      variant="ghost"
      icon="i-lucide-search"
      square
      class="size-11 shrink-0 justify-center sm:hidden"
      aria-label="Search"
      @click="search = true"
    />
    <UDropdownMenu :items="menu" :content="{ align: 'end' }">
      <UButton
        color="neutral"
        variant="ghost"
        icon="i-lucide-menu"
        square
        class="size-11 shrink-0 justify-center"
        aria-label="Menu"
      />
    </UDropdownMenu>
  </header>
</template>
