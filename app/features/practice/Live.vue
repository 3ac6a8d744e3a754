<script setup lang="ts">
import type { StockShot } from '#core/bag/bag'
import type { GoRecord } from '#shared/schemas/practice'
import type { GoDesk } from '~/features/practice/useGo'
import { useGoDevice } from '~/features/practice/useGoDevice'
import FrameDevice from '~/player/frame/Device.vue'

/** A device that sends its balls into this go by itself. */
const props = defineProps<{ sessionId: string; go: GoRecord; desk: GoDesk; shot: StockShot | null }>()
const go = computed(() => props.go)
const shot = computed(() => props.shot)
const { live, line } = useGoDevice(props.sessionId, go, props.desk, shot)
</script>

<template>
  <FrameDevice :live="live" :line="line" />
</template>
