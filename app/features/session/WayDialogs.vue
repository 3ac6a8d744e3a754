<script setup lang="ts">
import type { TypedBall } from '#core/shot/typed-ball'
import type { SessionRecord, ShotRecord } from '#shared/schemas/session'
import SessionPileDialog from '~/features/session/PileDialog.vue'
import ShotsSignDialog from '~/player/shots/SignDialog.vue'
import ShotsWatchDialog from '~/player/shots/WatchDialog.vue'

/** Other ways in than a typed carry: a pile, a position, a sign. */
defineProps<{ session: SessionRecord; name: string }>()
const emit = defineEmits<{ log: [ball: TypedBall, more: Partial<ShotRecord>] }>()
const way = defineModel<string>()
const log = (ball: TypedBall, more: Partial<ShotRecord>) => emit('log', ball, more)
const close = () => {
  way.value = undefined
}
</script>

<template>
  <SessionPileDialog
    v-if="way === 'pile'"
    open
    :method="session.method"
    :plan="session.plan"
    :name="name"
    @update:open="close"
    @log="log"
  />
  <ShotsWatchDialog
    v-else-if="way === 'watch'"
    open
    :plan="session.plan"
    :name="name"
    :session-id="session.id"
    @update:open="close"
    @log="log"
  />
  <ShotsSignDialog v-else-if="way === 'sign'" open :plan="session.plan" :name="name" @update:open="close" @log="log" />
</template>
