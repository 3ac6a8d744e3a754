<script setup lang="ts">
import type { DropdownMenuItem } from '@nuxt/ui'
import { MARKS, type BallMark, type Mark } from '#shared/marks'
import { markNames } from '#words/marks'
import { useAccount } from '~/offline/stores/account'

/**
 * What is said of a ball besides its carry, and the other ways in. Of its own, so that a typed figure or a ball more
 * leaves its dozen buttons as they are.
 */
defineProps<{
  /** There is no ball to mark, typed or logged. */
  nothingYet: boolean
  /** No ball was logged. */
  firstBall: boolean
  canUndo: boolean
  swings: readonly { id: string; name: string }[]
  ways: readonly { id: string; label: string; icon: string; key?: string }[]
}>()
const emit = defineEmits<{
  marked: [said: BallMark]
  undo: []
  leaveOut: []
  before: []
  way: [id: string]
}>()
const account = useAccount()

/** The marks that are on the page itself; the rest are in the menu. */
const QUICK: readonly { mark: Mark; label: string; key: string }[] = [
  { mark: 'mishit', label: 'Mishit', key: 'm' },
  { mark: 'flyer', label: 'Flyer', key: 'f' },
  { mark: 'face open', label: 'Push', key: 'o' },
  { mark: 'face closed', label: 'Pull', key: 'c' },
]

function menuOf(swings: readonly { id: string; name: string }[]): DropdownMenuItem[][] {
  const own = account.settings.marks ?? []
  return [
    MARKS.filter(mark => !QUICK.some(one => one.mark === mark)).map(mark => ({
      label: markNames[mark],
      onSelect: () => emit('marked', mark),
    })),
    [
      ...own.map(mark => ({ label: mark, onSelect: () => emit('marked', { own: mark }) })),
      { label: 'Marks of your own…', icon: 'i-lucide-pencil', to: '/account#marks' },
    ],
    [{ label: 'Belongs to the shot before', icon: 'i-lucide-corner-up-left', onSelect: () => emit('before') }],
    // Where the watcher saw how far it really went, the ball counts for that.
    ...(swings.length === 0
      ? []
      : [
          [
            { label: 'Seen at another length', type: 'label' as const },
            ...swings.map(({ id, name }) => ({
              label: `Swung ${name}`,
              onSelect: () => emit('marked', { swungRungId: id }),
            })),
          ],
        ]),
  ]
}
</script>

<template>
  <div class="flex flex-wrap gap-2" role="group" aria-label="Marks">
    <UButton
      v-for="{ mark, label, key } in QUICK"
      :key="mark"
      color="neutral"
      variant="outline"
      class="justify-center"
      :disabled="nothingYet"
      :aria-label="markNames[mark]"
      @click="emit('marked', mark)"
      >{{ label }} <UKbd :value="key" class="max-md:hidden"
    /></UButton>
    <UDropdownMenu :items="menuOf(swings)"
      ><UButton
        color="neutral"
        variant="outline"
        trailing-icon="i-lucide-chevron-down"
        aria-label="Other mark"
        :disabled="nothingYet"
        ><span class="max-md:hidden">Other mark</span></UButton
      ></UDropdownMenu
    >
    <UButton
      color="neutral"
      variant="outline"
      :disabled="!canUndo"
      icon="i-lucide-undo-2"
      aria-label="Undo"
      @click="emit('undo')"
      ><span class="max-md:hidden">Undo</span> <UKbd value="u" class="max-md:hidden"
    /></UButton>
    <UButton color="neutral" variant="outline" :disabled="firstBall" @click="emit('leaveOut')"
      >Leave out… <UKbd value="l" class="max-md:hidden"
    /></UButton>
    <UButton
      v-for="way in ways"
      :key="way.id"
      color="neutral"
      variant="outline"
      :icon="way.icon"
      @click="emit('way', way.id)"
      >{{ way.label }} <UKbd v-if="way.key" :value="way.key" class="max-md:hidden"
    /></UButton>
  </div>
</template>
