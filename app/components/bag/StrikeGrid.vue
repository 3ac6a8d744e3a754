<script setup lang="ts">
import { rungName } from '#core/swing/scale'
import type { BagEditor } from '~/composables/useBagDraft'

const props = defineProps<{ editor: BagEditor }>()
const draft = props.editor.draft
const clubs = computed(() => draft.value.clubs.filter(club => !club.retired).sort((a, b) => Number(b.loft) - Number(a.loft)))
const rungs = computed(() => draft.value.rungs.filter(rung => !rung.retired).reverse())
const out = computed(() => new Set(draft.value.struckOut.map(cell => `${cell.clubId}/${cell.rungId}`)))
</script>

<template>
  <section aria-labelledby="strike-title">
    <h2 id="strike-title" class="text-xl font-bold">Shots not used</h2>
    <p class="soft mb-3">Tap a stock shot that the player should not hit on purpose, such as the full lob wedge. It leaves the chart, its balls stay.</p>
    <div class="overflow-x-auto">
      <table class="raised border-collapse text-center">
        <thead>
          <tr>
            <td />
            <th v-for="club in clubs" :key="club.id" scope="col" class="min-w-16 px-2 py-2 font-bold">{{ club.label || '?' }}</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="rung in rungs" :key="rung.id">
            <th scope="row" class="px-3 text-left font-bold whitespace-nowrap">{{ rung.label ? rungName(rung) : '?' }}</th>
            <td v-for="club in clubs" :key="club.id" class="border border-default p-0">
              <button
                type="button" class="flex h-11 w-full min-w-16 cursor-pointer items-center justify-center hover:bg-elevated" :class="out.has(`${club.id}/${rung.id}`) && 'hatched'"
                :aria-pressed="out.has(`${club.id}/${rung.id}`)" :aria-label="`${club.label} ${rungName(rung)} not used`" @click="editor.toggleStruckOut(club.id, rung.id)"
              >
                <UIcon v-if="out.has(`${club.id}/${rung.id}`)" name="i-lucide-x" class="size-5" />
                <UIcon v-else name="i-lucide-dot" class="soft size-5" />
              </button>
            </td>
          </tr>
        </tbody>
      </table>
    </div>
  </section>
</template>
