<script setup lang="ts">
import { useShortcuts } from '~/ui/useShortcuts'
import type { Player, PlayerLine } from '#shared/player'
import {
  allGroups,
  groupsOf,
  inPlayerOrder,
  PLAYER_ORDERS,
  PLAYER_ORDER_WORDS,
  searched,
  type PlayerOrder,
} from '~/features/players/players-list'
import { later } from '~/ui/later'
import { mayDo } from '#shared/rights'
import { usePlayers } from '~/features/players/usePlayers'
import { useAccount } from '~/offline/stores/account'
import FrameListFailure from '~/ui/frame/ListFailure.vue'
import FrameListSkeleton from '~/ui/frame/ListSkeleton.vue'
import type { BroughtIn } from '#shared/player-file'
import FramePlainSelect from '~/ui/frame/PlainSelect.vue'
import PlayersEraseDialog from '~/features/players/EraseDialog.vue'
import PlayersFirstRun from '~/features/players/FirstRun.vue'
import PlayersToAcademy from '~/features/players/ToAcademy.vue'
import PlayersPlayerForm from '~/features/players/PlayerForm.vue'
import PlayersPlayerMenu from '~/features/players/PlayerMenu.vue'
import PlayersPlayerRow from '~/features/players/PlayerRow.vue'

const LazyPlayersBringIn = later(() => import('~/features/players/BringIn.vue'))

useHead({ title: 'Players' })
const account = useAccount()
const { players, failure, load, put, forget, setArchived, tellHandedOver } = usePlayers()
const toast = useToast()
const route = useRoute()
const search = ref('')
const showArchived = ref(false)
const adding = ref(false)
const editing = shallowRef<PlayerLine>()
const erasing = shallowRef<PlayerLine>()
const handing = shallowRef<PlayerLine>()
const bringing = ref(false)
const menu = shallowRef<{ player: PlayerLine; place: HTMLElement }>()
const mayTeach = computed(() => mayDo(account.account?.role ?? 'reader', 'teach'))

onMounted(() => load())
useShortcuts({
  addPlayer: () => {
    adding.value = true
  },
})

const active = computed(() => players.value?.filter(player => !player.archived) ?? [])
const archived = computed(() => players.value?.filter(player => player.archived) ?? [])
const openFlags = computed(() => active.value.reduce((sum, player) => sum + (player.summary?.flags ?? 0), 0))
const order = useLocalStorage<PlayerOrder>('uzzet-players-order', 'name')
const orders = PLAYER_ORDERS.map(value => ({ value, label: PLAYER_ORDER_WORDS[value] }))
const groups = computed(() => allGroups(active.value))
const ALL = 'all'
const group = ref(ALL)
const groupItems = computed(() => [
  { value: ALL, label: 'Everybody' },
  ...groups.value.map(one => ({ value: one.group, label: `${one.group}, ${one.players}` })),
])
/** In order before anything is searched: a letter typed sorts nothing. */
const inOrder = computed(() => {
  const list = showArchived.value ? archived.value : active.value
  const own = group.value === ALL ? list : list.filter(({ note }) => groupsOf(note).includes(group.value))
  return inPlayerOrder(own, PLAYER_ORDERS.includes(order.value) ? order.value : 'name')
})
const found = computed(() => searched(inOrder.value, search.value))
/** A long list comes piece by piece as it is read. */
const AT_ONCE = 30
const reach = ref(AT_ONCE)
const shown = computed(() => found.value.slice(0, reach.value))
watch([search, order, group, showArchived], () => {
  reach.value = AT_ONCE
})
const end = useTemplateRef<HTMLElement>('end')
useIntersectionObserver(end, ([entry]) => {
  if (entry?.isIntersecting) reach.value += AT_ONCE
})

function erased(player: PlayerLine) {
  erasing.value = undefined
  forget(player)
  toast.add({ title: `${player.name} is erased` })
}

function archiveHanded() {
  void setArchived(handing.value!, true)
  handing.value = undefined
}
/** Who came in by mistake goes to the archive, like anybody who left. */
async function takeBack(came: readonly BroughtIn[]) {
  for (const { id } of came) {
    const player = players.value?.find(other => other.id === id)
    if (player) await setArchived(player, true)
  }
}
async function brought(came: BroughtIn[]) {
  await load()
  const balls = came.reduce((sum, one) => sum + one.balls, 0)
  toast.add({
    title: came.length === 1 ? `${came[0]!.name} is here` : `${came.length} players are here`,
    description: `With ${balls} ${balls === 1 ? 'ball' : 'balls'}.`,
    color: 'success',
    actions: [{ label: 'Undo', color: 'neutral', variant: 'outline', onClick: () => void takeBack(came) }],
  })
}

async function saved(player: Player) {
  const was = players.value?.find(other => other.id === player.id)
  put(player)
  if (!was) await navigateTo(`/players/${player.id}/bag`)
  else if (was.coachId !== player.coachId) tellHandedOver(player, was.coachId)
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
        <UButton
          v-if="mayTeach"
          size="lg"
          color="neutral"
          variant="outline"
          icon="i-lucide-folder-input"
          @click="bringing = true"
          >Bring players in</UButton
        >
        <UButton v-if="mayTeach" size="lg" icon="i-lucide-plus" class="max-sm:order-first" @click="adding = true"
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
          class="min-w-40 flex-1"
        />
        <FramePlainSelect v-if="active.length > 1" v-model="order" :items="orders" label="Order" class="w-44" />
        <FramePlainSelect v-if="groups.length > 0" v-model="group" :items="groupItems" label="Group" class="w-40" />
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
          v-for="player in shown"
          :key="player.id"
          :player="player"
          :may-change="mayTeach"
          :menu-open="menu?.player.id === player.id"
          @menu="place => (menu = { player, place })"
        />
        <li v-if="shown.length < found.length" ref="end" :key="shown.length" class="soft px-4 py-3">
          {{ found.length - shown.length }} more
        </li>
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
    <PlayersFirstRun v-else-if="players" @add="adding = true" />
    <FrameListSkeleton v-else what="The players" class="mt-14" />

    <PlayersPlayerMenu
      v-if="menu"
      :player="menu.player"
      :place="menu.place"
      @edit="editing = menu.player"
      @archive="setArchived(menu.player, $event)"
      @erase="erasing = menu.player"
      @hand-over="handing = menu.player"
      @close="menu = undefined"
    />
    <PlayersEraseDialog v-if="erasing" :player="erasing" @close="erasing = undefined" @erased="erased(erasing)" />
    <PlayersToAcademy v-if="handing" :player="handing" @close="handing = undefined" @archive="archiveHanded" />
    <LazyPlayersBringIn
      v-if="bringing"
      :known="players?.map(({ name }) => name) ?? []"
      @close="bringing = false"
      @brought="brought"
    />
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
