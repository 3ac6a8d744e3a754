<script setup lang="ts" generic="T extends string | number">
/**
 * The browser's own select: a drawn one is some fifty components, and a page with a few of them comes noticeably later.
 * A phone opens it as it opens every list.
 */
defineOptions({ inheritAttrs: false })
defineProps<{
  items: readonly { value: T; label: string }[]
  /** What a screen reader calls it. */
  label: string
  /** Shown while nothing is chosen. */
  placeholder?: string
  doubtful?: boolean
}>()
const value = defineModel<T | ''>({ required: true })
</script>

<template>
  <span class="relative block" :class="$attrs.class as string">
    <select
      v-bind="{ ...$attrs, class: undefined }"
      v-model="value"
      :aria-label="label"
      class="min-h-11 w-full cursor-pointer appearance-none truncate rounded-md border bg-(--raised) pr-9 pl-3"
      :class="[
        doubtful ? 'border-2 border-(--weak) font-semibold' : 'border-(--ui-border-accented)',
        placeholder !== undefined && value === '' && 'text-muted',
      ]"
    >
      <option v-if="placeholder" value="" disabled>{{ placeholder }}</option>
      <option v-for="item in items" :key="item.value" :value="item.value">{{ item.label }}</option>
    </select>
    <svg
      viewBox="0 0 20 20"
      class="pointer-events-none absolute top-1/2 right-2.5 size-5 -translate-y-1/2"
      fill="none"
      stroke="currentColor"
      stroke-width="1.7"
      stroke-linecap="round"
      stroke-linejoin="round"
      aria-hidden="true"
    >
      <path d="m5.5 8 4.5 4.5L14.5 8" />
    </svg>
  </span>
</template>
