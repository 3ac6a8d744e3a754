<script setup lang="ts">
import { useShortcuts } from '~/ui/useShortcuts'
import { useDialogs } from '~/ui/useDialogs'
import { useTurns } from '~/ui/useTurns'
import { useAccount } from '~/offline/stores/account'
import FrameTopLine from '~/ui/frame/TopLine.vue'
import { later } from '~/ui/later'

const openHelp = () => import('~/ui/frame/HelpDialog.vue')
const openSearch = () => import('~/ui/frame/SearchDialog.vue')
const LazyFrameHelpDialog = later(openHelp)
const LazyFramePlaysLike = later(() => import('~/player/air/PlaysLike.vue'))
const LazyFrameSearchDialog = later(openSearch)

const account = useAccount()
const { help, search, playsLike } = useDialogs()
const route = useRoute()
// The line on top stands, and can be tapped, before the page below it is drawn.
const turn = useTurns(1, () => true)
const { $newerUzzet: newer } = useNuxtApp()

useShortcuts({
  search: () => {
    search.value = true
  },
  help: () => {
    help.value = true
  },
  playsLike: () => {
    playsLike.value = true
  },
})

// Loaded when the page stands still, so that "/" and the name typed right after it find the field there.
const STILL_MS = 2500
// What does not come now, for want of a network, is asked for again when it is opened.
const openBoth = () => Promise.allSettled([openSearch(), openHelp()])
onNuxtReady(() => setTimeout(openBoth, STILL_MS))
</script>

<template>
  <div class="flex min-h-dvh flex-col">
    <a href="#main" class="sr-only focus:not-sr-only focus:absolute focus:z-50 focus:bg-default focus:p-3"
      >Skip to the page</a
    >
    <FrameTopLine />
    <p
      v-if="account.signedOut"
      role="status"
      class="flex flex-wrap items-center gap-3 border-b border-default bg-gorse-100 px-5 py-2 font-semibold text-ink-900"
    >
      <UIcon name="i-lucide-log-in" />
      You are signed out. What you entered is kept on this device.
      <ULink class="text-ink-900 underline" :to="{ path: '/sign-in', query: { back: route.fullPath } }"
        >Sign in again</ULink
      >
    </p>
    <p
      v-if="account.triedFirst"
      role="status"
      class="flex flex-wrap items-center gap-x-3 border-b border-default bg-gorse-100 px-5 py-1 font-semibold text-ink-900"
    >
      <UIcon name="i-lucide-key-round" class="max-sm:hidden" />
      Your password is among the first that are tried.
      <ULink class="text-ink-900 underline" to="/account#password">Choose another</ULink>
      <button type="button" class="min-h-11 px-2 underline" @click="account.triedFirst = false">Not now</button>
    </p>
    <p
      v-if="newer.isReady"
      role="status"
      class="flex flex-wrap items-center gap-3 border-b border-default bg-elevated px-5 py-2"
    >
      <UIcon name="i-lucide-refresh-cw" />
      A newer Uzzet is ready. What you entered is kept.
      <UButton size="sm" color="neutral" variant="outline" @click="newer.load()">Load it</UButton>
    </p>
    <div id="main" class="flex min-h-0 flex-1 flex-col">
      <slot v-if="turn > 0" />
    </div>
    <LazyFrameHelpDialog v-if="help" v-model:open="help" />
    <LazyFrameSearchDialog v-if="search" v-model:open="search" />
    <LazyFramePlaysLike v-if="playsLike" v-model:open="playsLike" />
  </div>
</template>
