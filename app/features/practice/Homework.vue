<script setup lang="ts">
import { scoreOf } from '#core/practice/score'
import { ballsOfGo } from '#shared/practice'
import type { HomeworkRecord } from '#shared/schemas/practice'
import { scoreText } from '#words/practice'
import { usePracticeNames } from '~/features/practice/usePracticeNames'
import { usePractice } from '~/offline/stores/practice'
import { daysAgo, shortDate } from '~/ui/dates'
import { pageMemo } from '~/ui/page-memo'

/** What is set, what was done of it, and what came of it. */
const practice = usePractice()
const names = usePracticeNames()
const toast = useToast()
const goesOf = (homework: HomeworkRecord) =>
  homework.blocks.map(block => ({
    block,
    goes: practice.done
      .filter(go => go.homeworkId === homework.id && go.name === block.name)
      .map(go => scoreText(go.spec, scoreOf(go.spec, ballsOfGo(go), pageMemo), names.value)),
  }))
async function take(homework: HomeworkRecord, withdrawn: boolean) {
  try {
    await practice.setHomework({ ...homework, withdrawn })
    if (withdrawn)
      toast.add({
        title: 'Taken back: the player’s phone no longer shows it',
        actions: [{ label: 'Undo', color: 'neutral', variant: 'outline', onClick: () => void take(homework, false) }],
      })
  } catch (error) {
    toast.add({ title: 'That could not be done', description: (error as Error).message, color: 'error' })
  }
}
</script>

<template>
  <section v-if="practice.standing.length > 0" aria-labelledby="homework-title">
    <h2 id="homework-title" class="text-xl font-bold">Homework</h2>
    <ul class="mt-2 space-y-3">
      <li v-for="homework in practice.standing" :key="homework.id" class="raised px-4 py-2.5">
        <div class="flex items-center gap-3">
          <p class="soft min-w-0 flex-1 text-sm">
            Set {{ daysAgo(homework.setAtMs)
            }}<template v-if="homework.dueAtMs">, due {{ shortDate(homework.dueAtMs) }}</template>
          </p>
          <UButton color="neutral" variant="outline" size="sm" @click="take(homework, true)">Take it back</UButton>
        </div>
        <p v-if="homework.note">{{ homework.note }}</p>
        <ul>
          <li v-for="{ block, goes } in goesOf(homework)" :key="block.id" class="flex flex-wrap gap-x-3">
            <b>{{ block.name }}</b>
            <span :class="goes.length === 0 && 'soft'">{{ goes.length === 0 ? 'not done yet' : goes.join('; ') }}</span>
          </li>
        </ul>
      </li>
    </ul>
  </section>
</template>
