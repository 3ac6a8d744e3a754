<script setup lang="ts">
import { isHandedOut, PUBLISHED_WHICH, type PublishedWhich } from '#core/history/published'
import { airOfChartText, figuresText, heldBackText, publishedWhichTexts } from '#words/published'
import { dayText } from '#words/dates'
import { PUBLISHED_NOTE_MAX } from '#shared/limits'
import { useNumbers } from '~/calculation/useNumbers'
import { usePlayerRoute } from '~/player/usePlayerRoute'
import { usePublished } from '~/features/published/usePublished'
import { useAccount } from '~/offline/stores/account'
import FrameLinesSkeleton from '~/ui/frame/LinesSkeleton.vue'
import FrameStagePage from '~/ui/frame/StagePage.vue'
import PublishedFromAbove from '~/features/published/FromAbove.vue'
import PublishedGrid from '~/features/published/Grid.vue'
import PublishedPhone from '~/features/published/Phone.vue'
import PublishedPrint from '~/features/published/Print.vue'

const { playerId } = usePlayerRoute()
const account = useAccount()
const toast = useToast()
const { chart, readChart } = useNumbers()
const { lines, newest, failure, load, publish } = usePublished(playerId)
const note = ref('')
const which = ref<PublishedWhich>('well-predicted')
const choices = PUBLISHED_WHICH.map(value => ({ value, label: publishedWhichTexts[value] }))
const busy = ref(false)
const fault = ref('')
const anyNumber = computed(() => chart.value.some(cell => cell.carryM !== null))
/** Numbers that the player would not get, and why. */
const heldBack = computed(() => {
  const held = readChart.value.filter(cell => !cell.written && cell.carryM !== null && !isHandedOut(cell, which.value))
  return heldBackText(held.length, which.value, account.unit)
})
const next = computed(() => (lines.value?.[0]?.number ?? 0) + 1)

async function make() {
  fault.value =
    note.value.trim().length > PUBLISHED_NOTE_MAX
      ? `At most ${PUBLISHED_NOTE_MAX} characters: this has ${note.value.trim().length}.`
      : ''
  if (fault.value) return
  busy.value = true
  try {
    const done = await publish(note.value.trim(), which.value)
    note.value = ''
    toast.add({ title: `Published as No. ${done.number}`, description: done.changed, color: 'success' })
  } catch (error) {
    fault.value = (error as Error).message
  } finally {
    busy.value = false
  }
}
</script>

<template>
  <FrameStagePage title="Published chart" line="A dated copy that never changes: what the player carries.">
    <template #actions
      ><UButton :to="`/players/${playerId}/chart`" color="neutral" variant="outline" icon="i-lucide-arrow-left"
        >Carry chart</UButton
      ></template
    >
    <div class="space-y-8">
      <p v-if="failure" role="alert" class="raised flex flex-wrap items-center gap-3 p-4">
        {{ failure }} <UButton size="sm" color="neutral" variant="outline" @click="load">Try again</UButton>
      </p>
      <template v-if="lines">
        <section v-if="newest" aria-labelledby="newest-title">
          <h2 id="newest-title" class="text-xl font-bold">
            No. {{ newest.number }}, {{ dayText(newest.publishedAtMs) }}
          </h2>
          <p class="soft mb-2">
            {{ newest.changed }} {{ figuresText(newest, account.unit) }}, {{ airOfChartText(newest) }}.
          </p>
          <p v-if="newest.note" class="mb-2 border-l-[5px] border-primary pl-3">{{ newest.note }}</p>
          <PublishedGrid :chart="newest" :unit="account.unit" />
          <PublishedFromAbove class="mt-2" :chart="newest" />
        </section>
        <form class="raised space-y-3 p-4" novalidate @submit.prevent="make">
          <h2 class="text-xl font-bold">
            {{ newest ? `Publish today’s chart as No. ${next}` : 'Nothing is published yet' }}
          </h2>
          <p v-if="!anyNumber">
            No stock shot has a number yet. Hit a few balls first, or write a number in the carry chart.
          </p>
          <p v-else-if="newest">
            It replaces No. {{ newest.number }} on the player's phone. The old one stays in the history.
          </p>
          <p v-else>
            Numbers are rounded as the player will read them, written ones take the place of measured ones, and the date
            goes on.
          </p>
          <URadioGroup v-if="anyNumber" v-model="which" legend="Numbers on it" :items="choices" />
          <p v-if="heldBack" class="soft">{{ heldBack }}</p>
          <UFormField
            label="Note for the player"
            :error="fault || undefined"
            help="On the A6 sheet, the back of the card and the phone."
            ><UInput v-model="note" placeholder="Trust the 52 at 9:00" class="w-full"
          /></UFormField>
          <UButton type="submit" :loading="busy" :disabled="!anyNumber" icon="i-lucide-stamp"
            >Publish as No. {{ next }}</UButton
          >
        </form>
        <PublishedPrint v-if="newest" :chart="newest" />
        <PublishedPhone v-if="newest" />
        <section v-if="lines.length > 0" aria-labelledby="history-title">
          <h2 id="history-title" class="mb-2 text-xl font-bold">History</h2>
          <ol class="raised divide-y divide-default">
            <li
              v-for="line in lines"
              :key="line.number"
              class="flex flex-wrap items-center justify-between gap-x-4 gap-y-1 px-4 py-2"
            >
              <span class="min-w-0 flex-1 basis-72"
                ><strong>No. {{ line.number }}</strong>
                <span class="soft">{{ dayText(line.publishedAtMs) }}, {{ line.numbers }} numbers</span><br /><span
                  class="soft text-sm"
                  >{{ line.changed }} {{ line.note }}</span
                ></span
              >
              <UButton
                size="sm"
                color="neutral"
                variant="outline"
                :to="{ path: `/players/${playerId}/chart/compare`, query: { from: `number:${line.number}` } }"
                >Compare with today</UButton
              >
            </li>
          </ol>
        </section>
      </template>
      <FrameLinesSkeleton v-else-if="!failure" :rows="8" label="What was published is being fetched" />
    </div>
  </FrameStagePage>
</template>
