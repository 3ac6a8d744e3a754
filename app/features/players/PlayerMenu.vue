<script setup lang="ts">
import type { PlayerLine } from '#shared/player'
import { mayDo } from '#shared/rights'
import { useAccount } from '~/offline/stores/account'

/** What can be done with one player of the list, beside the button that asked. */
const props = defineProps<{ player: PlayerLine; place: HTMLElement }>()
const emit = defineEmits<{ edit: []; archive: [archived: boolean]; erase: []; handOver: []; close: [] }>()
const account = useAccount()
const role = computed(() => account.account?.role ?? 'reader')

const items = computed(() => [
  { label: 'Edit', icon: 'i-lucide-pencil', onSelect: () => emit('edit') },
  { label: 'Who changed what', icon: 'i-lucide-history', to: `/players/${props.player.id}/history` },
  props.player.archived
    ? { label: 'Bring back', icon: 'i-lucide-archive-restore', onSelect: () => emit('archive', false) }
    : { label: 'Archive', icon: 'i-lucide-archive', onSelect: () => emit('archive', true) },
  ...(!props.player.archived && mayDo(role.value, 'teach')
    ? [{ label: 'To another academy…', icon: 'i-lucide-arrow-right-from-line', onSelect: () => emit('handOver') }]
    : []),
  ...(props.player.archived && mayDo(role.value, 'own')
    ? [{ label: 'Erase for good…', icon: 'i-lucide-eraser', onSelect: () => emit('erase') }]
    : []),
])
/** A dialog that was opened from here has the focus; else the button gets it back. */
function refocus(event: Event) {
  event.preventDefault()
  if (props.place.isConnected) props.place.focus()
}
</script>

<template>
  <UDropdownMenu
    open
    :items="items"
    :content="{ align: 'end', reference: place, onCloseAutoFocus: refocus }"
    @update:open="open => !open && emit('close')"
  />
</template>
