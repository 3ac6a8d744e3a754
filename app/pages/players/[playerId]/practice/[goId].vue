<script setup lang="ts">
import { clubsInUse, rungsInUse } from '#core/bag/bag'
import type { TypedUnits } from '#core/shot/typed-ball'
import { nearestNumber } from '#core/practice/drill'
import { rungName } from '#core/swing/scale'
import { GO_NAME_MAX } from '#shared/limits'
import type { GoRecord } from '#shared/schemas/practice'
import { drillTexts } from '#words/practice'
import { stockShotName } from '#words/stock-shot'
import type { GoDesk } from '~/features/practice/useGo'
import { deviceSession } from '~/features/practice/useGoDevice'
import { usePlan } from '~/features/practice/usePlan'
import { usePlays } from '~/features/practice/usePlays'
import { usePracticeNames } from '~/features/practice/usePracticeNames'
import { useDistance } from '~/ui/useDistance'
import { usePlayerRoute } from '~/player/usePlayerRoute'
import { useAccount } from '~/offline/stores/account'
import { useOutbox } from '~/offline/stores/outbox'
import { usePractice } from '~/offline/stores/practice'
import type { SeenBall } from '~/player/seen-ball'
import { newGo } from '~/player/new-go'
import { shortDate } from '~/ui/dates'
import { serverNowMs } from '~/offline/server-clock'
import FrameEmptyStep from '~/ui/frame/EmptyStep.vue'
import FrameLinesSkeleton from '~/ui/frame/LinesSkeleton.vue'
import FrameStagePage from '~/ui/frame/StagePage.vue'
import PracticeCount from '~/features/practice/Count.vue'
import PracticeLive from '~/features/practice/Live.vue'
import PracticeOtherWays from '~/features/practice/OtherWays.vue'
import PracticePlay from '~/features/practice/Play.vue'

/** One go, on the line or afterwards. */
const { playerId, record } = usePlayerRoute()
const route = useRoute()
const practice = usePractice()
const outbox = useOutbox()
const account = useAccount()
const names = usePracticeNames()
const { unit } = useDistance()
const plays = usePlays()
const toast = useToast()
const goId = computed(() => String((route.params as { goId: string }).goId))
const go = computed(() => practice.goes.find(({ id, gone }) => id === goId.value && !gone))
const units = computed<TypedUnits>(() => ({
  distance: unit.value,
  speed: account.speedUnit,
  height: account.heightUnit,
}))
const shots = computed(() =>
  clubsInUse(record.bag).flatMap(club =>
    rungsInUse(record.bag).map(rung => ({
      value: `${club.id}/${rung.id}`,
      label: stockShotName(club.label, rungName(rung)),
    })),
  ),
)
const title = computed(() => (go.value ? go.value.name || drillTexts(go.value.spec.drill).title : 'Practice'))
/** What the go does not ask for any more is told, not lost in silence. */
function several(balls: readonly SeenBall[], logAll: (balls: readonly SeenBall[]) => number): void {
  const taken = logAll(balls)
  const over = balls.length - taken
  toast.add({
    title: `${taken} ${taken === 1 ? 'ball' : 'balls'} logged`,
    ...(over > 0 && {
      description: `The go was over then: ${over} of the list ${over === 1 ? 'is' : 'are'} not in it.`,
    }),
  })
}
const running = computed(() => go.value?.endedAtMs === null)
const { numbers } = usePlan(ref(0))
const nearest = (targetM: number) => (numbers.value.length > 0 ? nearestNumber(numbers.value, targetM) : null)
/** Where a device sends its balls for this go; its balls are kept apart from the chart. */
const session = computed(() => record.sessions.find(({ id }) => id === go.value?.sessionId))
/** A device can be told of it once the server knows it. */
const isSent = computed(() => !outbox.mine.some(({ entry }) => entry.record.id === session.value?.id))
async function listen() {
  const made = deviceSession(title.value)
  await record.putSession(made)
  await practice.putGo({ ...go.value!, sessionId: made.id, version: go.value!.version + 1 })
}
// The session that a device sends to ends with the go, and goes on with it.
watch(
  () => go.value?.endedAtMs,
  endedAtMs => {
    const open = session.value
    if (endedAtMs !== undefined && open?.plan.warmUp && open.endedAtMs !== endedAtMs)
      void record.putSession({ ...open, endedAtMs, version: open.version + 1 })
  },
)
const put = (next: GoRecord) => void practice.putGo(next)
async function again() {
  const { spec, name } = go.value!
  const next = newGo({ ...spec, seed: spec.seed + 1 }, name)
  await practice.putGo(next)
  await navigateTo(`/players/${playerId.value}/practice/${next.id}`)
}
async function remove(desk: GoDesk) {
  desk.remove()
  const gone = go.value ?? practice.goes.find(({ id }) => id === goId.value)!
  await navigateTo(`/players/${playerId.value}/practice`)
  toast.add({
    title: 'Go deleted',
    actions: [
      {
        label: 'Undo',
        color: 'neutral',
        variant: 'outline',
        onClick: () => put({ ...gone, gone: false, version: gone.version + 2 }),
      },
    ],
  })
}
const end = () => put({ ...go.value!, endedAtMs: serverNowMs(), version: go.value!.version + 1 })
</script>

<template>
  <FrameStagePage :title="title" :line="go && !running ? shortDate(go.startedAtMs) : undefined" tight>
    <template #actions>
      <UButton
        v-if="running"
        color="neutral"
        variant="outline"
        icon="i-lucide-square"
        aria-label="End this go"
        @click="end"
        >End</UButton
      >
      <UButton color="neutral" variant="outline" icon="i-lucide-arrow-left" :to="`/players/${playerId}/practice`"
        ><span class="max-md:sr-only">All of practice</span></UButton
      >
    </template>
    <PracticePlay
      v-if="go"
      :key="go.id"
      :go="go"
      :names="names"
      :units="units"
      :shots="shots"
      :plays="plays"
      :nearest="nearest"
      :goals="record.player?.thresholds.goals ?? []"
      style="--go-bottom: var(--rail-height)"
      @put="put"
    >
      <template #live="{ desk, shot, log, logAll, asked }">
        <PracticeOtherWays
          :go-id="go.id"
          :spec="go.spec"
          :units="units"
          :asked="asked"
          @log="log"
          @log-all="balls => several(balls, logAll)"
        />
        <PracticeLive
          v-if="session && isSent"
          :key="session.id"
          :session-id="session.id"
          :go="go"
          :desk="desk"
          :shot="shot"
        />
        <UButton
          v-else
          color="neutral"
          variant="outline"
          icon="i-lucide-radio"
          :disabled="session !== undefined"
          @click="listen"
          >Balls from a device</UButton
        >
        <UButton
          v-if="desk.balls.value.length === 0"
          color="neutral"
          variant="outline"
          icon="i-lucide-printer"
          :to="`/api/players/${playerId}/goes/${go.id}/sheet.pdf?unit=${unit}`"
          external
          >A sheet for paper</UButton
        >
      </template>
      <template #ended="{ desk }">
        <UButton icon="i-lucide-rotate-ccw" @click="again">Once more</UButton>
        <UButton color="neutral" variant="outline" icon="i-lucide-trash-2" @click="remove(desk)">Delete it</UButton>
        <label class="flex items-center gap-2"
          >Name<UInput
            :model-value="go.name"
            :maxlength="GO_NAME_MAX"
            :placeholder="drillTexts(go.spec.drill).title"
            class="w-56"
            @change="desk.rename(($event.target as HTMLInputElement).value.trim())"
        /></label>
        <PracticeCount :go="go" :put="practice.putGo" />
      </template>
    </PracticePlay>
    <FrameEmptyStep
      v-else-if="practice.of === playerId"
      icon="i-lucide-search-x"
      words="There is no such go."
      help="It was deleted, or belongs to another player."
      action="To Practice"
      :to="`/players/${playerId}/practice`"
    />
    <p v-else-if="practice.failure" role="alert" class="raised flex flex-wrap items-center gap-3 p-4">
      {{ practice.failure }}
      <UButton size="sm" color="neutral" variant="outline" @click="practice.load()">Try again</UButton>
    </p>
    <FrameLinesSkeleton v-else :rows="8" label="The go is being opened" />
  </FrameStagePage>
</template>
