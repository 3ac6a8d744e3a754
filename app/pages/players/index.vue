<script setup lang="ts">
import { useShortcuts } from '~/composables/useShortcuts'
import type { Player, PlayerLine } from '#shared/player'
import { usePlayers } from '~/composables/usePlayers'
import { useAccount } from '~/stores/account'
import FrameEmptyStep from '~/components/frame/EmptyStep.vue'
import FrameListFailure from '~/components/frame/ListFailure.vue'
import PlayersPlayerForm from '~/components/players/PlayerForm.vue'
import PlayersPlayerRow from '~/components/players/PlayerRow.vue'

useHead({ title: 'Players' })
const account = useAccount()
const { players, failure, load, put, setArchived } = usePlayers()
const route = useRoute()
const search = ref('')
const showArchived = ref(false)
const adding = ref(false)
const editing = shallowRef<PlayerLine>()

onMounted(() => load())
useShortcuts({
  addPlayer: () => {
    adding.value = true
  },
})

const plain = (text: string) => text.normalize('NFD').replace(/\p{M}/gu, '').toLowerCase()
const active = computed(() => players.value?.filter(player => !player.archived) ?? [])
const archived = computed(() => players.value?.filter(player => player.archived) ?? [])
const openFlags = computed(() => active.value.reduce((sum, player) => sum + (player.summary?.flags ?? 0), 0))
const found = computed(() => {
  const words = plain(search.value).split(/\s+/).filter(Boolean)
  const list = showArchived.value ? archived.value : active.value
  return list.filter(player => words.every(word => plain(`${player.name} ${player.note}`).includes(word)))
})

async function saved(player: Player) {
  const isNew = !players.value?.some(other => other.id === player.id)
  put(player)
  if (isNew) await navigateTo(`/players/${player.id}/bag`)
}

watch(
  () => route.query.add,
  add => add !== undefined && (adding.value = true),
  { immediate: true },
)
</script>

<template>
  <main class="mx-auto w-full max-w-[1000px] px-4 py-6">
    <header class="mb-5 flex flex-wrap items-end justify-between gap-3">
      <div>
        <h1 class="text-3xl font-bold">Players</h1>
        <p class="soft">{{ account.account?.academy }}</p>
      </div>
      <div class="flex flex-wrap gap-2">
        <UButton v-if="openFlags > 0" size="lg" color="neutral" variant="outline" icon="i-lucide-flag" to="/flags"
          >{{ openFlags }} open {{ openFlags === 1 ? 'flag' : 'flags' }}</UButton
        >
        <UButton size="lg" icon="i-lucide-plus" @click="adding = true"
          >Add a player <UKbd value="n" class="ml-1 max-sm:hidden"
        /></UButton>
      </div>
    </header>

    <FrameListFailure v-if="failure" what="The players" :failure="failure" @again="load()" />
    <template v-else-if="players && players.length > 0">
      <div class="mb-3 flex flex-wrap items-center gap-3">
        <UInput
          v-model="search"
          icon="i-lucide-search"
          placeholder="Find a player"
          aria-label="Find a player"
          class="min-w-0 flex-1"
        />
        <UButton
          v-if="archived.length > 0 || showArchived"
          color="neutral"
          variant="outline"
          :aria-pressed="showArchived"
          @click="showArchived = !showArchived"
        >
          {{ showArchived ? `Back to ${active.length} players` : `${archived.length} archived` }}
        </UButton>
      </div>
      <ul v-if="found.length > 0" class="raised divide-y divide-default overflow-hidden">
        <PlayersPlayerRow
          v-for="player in found"
          :key="player.id"
          :player="player"
          @edit="editing = player"
          @archive="setArchived(player, $event)"
        />
      </ul>
      <p v-else class="raised soft p-8 text-center">
        {{
          search
            ? `No ${showArchived ? 'archived ' : ''}player is called "${search}".`
            : showArchived
              ? 'Nobody is archived.'
              : 'Everybody is archived.'
        }}
        <UButton v-if="search" variant="link" class="min-h-0" @click="search = ''">Show all</UButton>
      </p>
    </template>
    <FrameEmptyStep
      v-else-if="players"
      icon="i-lucide-user-plus"
      words="No players yet."
      help="Add the first one. Then say which clubs are in the bag and how the swing is told, and hit some balls."
      action="Add a player"
      @act="adding = true"
    />
    <p v-else class="soft py-14 text-center" role="status">Fetching the players…</p>

    <PlayersPlayerForm v-if="adding" v-model:open="adding" @saved="saved" />
    <PlayersPlayerForm
      v-if="editing"
      :key="editing.id"
      :open="true"
      :player="editing"
      @update:open="editing = undefined"
      @saved="saved"
    />
  </main>
</template>
