<script setup lang="ts">
/** A secret that was just made: it stands here this once, to be copied. */
const props = defineProps<{ of: string; secret: string }>()
const { copy, copied } = useClipboard({ legacy: true })
</script>

<template>
  <div class="mb-4 border-l-[5px] border-(--sound) pl-3" role="status">
    <p><b>{{ of }}</b>, shown this once:</p>
    <p class="my-2 flex flex-wrap items-center gap-2">
      <code class="rounded bg-elevated px-2 py-1 break-all">{{ secret }}</code
      ><UButton
        color="neutral"
        variant="outline"
        :icon="copied ? 'i-lucide-check' : 'i-lucide-copy'"
        @click="copy(props.secret)"
        >{{ copied ? 'Copied' : 'Copy' }}</UButton
      >
    </p>
    <slot />
  </div>
</template>
