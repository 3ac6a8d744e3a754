<script setup lang="ts">
import { APART } from '#core/practice/drill-spec'
import type { TypedUnits } from '#core/shot/typed-ball'
import type { GoBall } from '#shared/schemas/practice'
import { ballText, taskHead, taskMore, type PracticeNames } from '#words/practice'
import type { GoDesk } from '~/features/practice/useGo'
import { readSeenBall } from '~/player/seen-ball'

/** Balls of a go, newest first; each can be shown apart or taken out. */
const props = defineProps<{ desk: GoDesk; names: PracticeNames; units: TypedUnits }>()
const SHOWN = 6
const all = ref(false)
const rows = computed(() => {
  const { judged, apart } = props.desk.score.value
  const list = [...judged, ...apart].sort((a, b) => b.ball.atMs - a.ball.atMs || (a.ball.id < b.ball.id ? 1 : -1))
  return all.value ? list : list.slice(0, SHOWN)
})
const count = computed(() => props.desk.balls.value.length)
const toast = useToast()
function takeOut(ball: GoBall) {
  props.desk.change(ball.id, { gone: true })
  toast.add({
    title: 'Ball taken out',
    actions: [
      {
        label: 'Undo',
        color: 'neutral',
        variant: 'outline',
        onClick: () => props.desk.change(ball.id, { gone: undefined }),
      },
    ],
  })
}
/** What stands there is typed anew; what was logged stays until that can be read. */
const mending = ref<GoBall>()
const typed = ref('')
const fault = ref('')
const isTyped = computed(() => props.desk.spec.value.measure !== 'curve')
function mend(ball: GoBall) {
  typed.value = ''
  fault.value = ''
  mending.value = ball
}
function saveMended() {
  const read = readSeenBall(typed.value, props.desk.spec.value.measure, props.units)
  if ('fault' in read) {
    fault.value = read.fault
    return
  }
  props.desk.change(mending.value!.id, { ...NOTHING_SEEN, ...read })
  mending.value = undefined
}
const NOTHING_SEEN = { endM: undefined, sideM: undefined, speedMs: undefined, launchDeg: undefined, good: undefined }
const menu = (ball: GoBall) => [
  [
    ...APART.map(apart => ({
      label: apart === 'flyer' ? 'It was a flyer' : 'It was not the shot',
      onSelect: () => props.desk.change(ball.id, { apart }),
    })),
    ...(ball.apart ? [{ label: 'It counts', onSelect: () => props.desk.change(ball.id, { apart: undefined }) }] : []),
  ],
  ...(isTyped.value ? [[{ label: 'Correct it…', icon: 'i-lucide-pencil', onSelect: () => mend(ball) }]] : []),
  [{ label: 'Take it out', icon: 'i-lucide-trash-2', onSelect: () => takeOut(ball) }],
]
const nameOf = ({ clubId, rungId }: GoBall) => (clubId && rungId ? props.names.shot({ clubId, rungId }) : '')
</script>

<template>
  <section v-if="count > 0" aria-label="Balls">
    <ol class="raised divide-y divide-default">
      <li v-for="one in rows" :key="one.ball.id" class="flex items-center gap-3 py-0.5 pr-1 pl-3">
        <span class="w-14 shrink-0 font-bold">{{ taskHead(one.task, names) }}</span>
        <span class="min-w-0 flex-1 leading-tight" :class="one.ball.apart && 'soft line-through'"
          >{{ ballText(one, desk.spec.value, names) }}
          <span class="soft block text-sm">{{
            [taskMore(one.task, names) || nameOf(one.ball as GoBall)].filter(Boolean).join(', ')
          }}</span></span
        >
        <UDropdownMenu :items="menu(one.ball as GoBall)"
          ><UButton color="neutral" variant="ghost" icon="i-lucide-ellipsis" aria-label="This ball"
        /></UDropdownMenu>
      </li>
    </ol>
    <UButton v-if="count > SHOWN" color="neutral" variant="link" :aria-expanded="all" @click="all = !all">{{
      all ? 'Fewer' : `All ${count} balls`
    }}</UButton>
    <UModal
      :open="mending !== undefined"
      title="Correct this ball"
      description="Type it as it was: the old one stays until the new one can be read."
      @update:open="mending = undefined"
    >
      <template #body>
        <form class="flex flex-wrap items-end gap-3" novalidate @submit.prevent="saveMended">
          <UFormField label="What came of it" :error="fault || undefined"
            ><UInput v-model="typed" inputmode="text" autofocus class="w-40"
          /></UFormField>
          <UButton type="submit">Correct it</UButton>
        </form>
      </template>
    </UModal>
  </section>
</template>
