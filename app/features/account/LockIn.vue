<script setup lang="ts">
import { HABITS, LOCK_IN_RANGE, USUAL_LOCK_IN, type LockIn } from '#core/session/lock-in'
import { habitTexts } from '#words/habits'
import { useFormErrors } from '~/ui/useFormErrors'
import { useAccount } from '~/offline/stores/account'
import { fieldNumber } from '~/player/bag-draft'
import { formSchemas } from '~/ui/form-schemas'

/** By which habits this coach calls a number locked in: marked beside the certainty, never in its place. */
const account = useAccount()
const toast = useToast()
const { errors, of, check, take, general } = useFormErrors()
const kept = account.account?.lockIn ?? {}
const rows = reactive(
  HABITS.map(habit => ({ habit, on: kept[habit] !== undefined, balls: String(kept[habit] ?? USUAL_LOCK_IN[habit]) })),
)

async function save() {
  const value = await check(
    formSchemas.LockInChange,
    Object.fromEntries(rows.filter(row => row.on).map(({ habit, balls }) => [habit, fieldNumber(balls) ?? ''])),
  )
  if (!value) return
  try {
    await account.setLockIn(value as LockIn)
    toast.add({ title: 'Lock-in habits saved', color: 'success' })
  } catch (error) {
    take(error)
  }
}
</script>

<template>
  <form class="raised mt-6 p-5" novalidate aria-labelledby="lock-in-title" @submit.prevent="save">
    <h2 id="lock-in-title" class="text-xl font-bold">Lock-in habits</h2>
    <p class="soft mb-3">
      Shown in the range session beside the certainty, never in its place: three alike may all be off the number.
    </p>
    <p v-if="general && errors.length === 0" role="alert" class="mb-2 font-semibold text-error">{{ general }}</p>
    <div v-for="row in rows" :key="row.habit" class="grid grid-cols-[1.75rem_5rem_minmax(0,1fr)] items-start gap-x-2">
      <UCheckbox v-model="row.on" class="pt-2.5" :aria-label="`Mark ${habitTexts[row.habit].of}`" />
      <UFormField :error="of(row.habit)" help=" "
        ><UInput
          v-model="row.balls"
          inputmode="numeric"
          :disabled="!row.on"
          class="w-full"
          :aria-label="`How many ${habitTexts[row.habit].of}`"
      /></UFormField>
      <p class="pt-2">
        <strong>{{ habitTexts[row.habit].of }}</strong><span class="soft">, {{ habitTexts[row.habit].means }}</span>
      </p>
    </div>
    <UButton type="submit">Save habits</UButton>
    <span class="soft ml-3 text-sm">{{ LOCK_IN_RANGE[0] }} to {{ LOCK_IN_RANGE[1] }} balls each</span>
  </form>
</template>
