<script setup lang="ts">
import type { AcademyPeople, Person } from '#shared/academy'
import type { PersonChange } from '#shared/schemas/academy'
import type { AcademyChange } from '#shared/schemas/account'
import { KEEP_MONTHS, RESET_HOURS } from '#shared/keep-times'
import { ROLE_WORDS, ROLES, mayDo, type CoachesSee, type Role } from '#shared/rights'
import { api } from '~/offline/api'
import { daysAgo } from '~/ui/dates'
import { useAccount } from '~/offline/stores/account'
import AcademyInvite from '~/features/academy/Invite.vue'
import AcademyChoice from '~/features/academy/Choice.vue'
import FrameListFailure from '~/ui/frame/ListFailure.vue'
import FrameListSkeleton from '~/ui/frame/ListSkeleton.vue'
import FramePlainSelect from '~/ui/frame/PlainSelect.vue'
import FrameShownOnce from '~/ui/frame/ShownOnce.vue'

/** Who works in the academy and what each may do. */
useHead({ title: 'Academy' })
const account = useAccount()
const toast = useToast()
const academy = shallowRef<AcademyPeople>()
const failure = shallowRef<Error>()
const role = computed(() => account.account?.role ?? 'reader')
const isOwner = computed(() => mayDo(role.value, 'own'))
const here = computed(() => academy.value?.people.filter(person => !person.left) ?? [])
const gone = computed(() => academy.value?.people.filter(person => person.left) ?? [])
const roles = ROLES.map(value => ({ value, label: ROLE_WORDS[value].name }))

async function load() {
  try {
    academy.value = await api('/api/academy/people')
    failure.value = undefined
  } catch (error) {
    failure.value = error as Error
  }
}
onMounted(load)
// Whoever was invited may have come meanwhile.
useEventListener('focus', () => void load())

/** Changes somebody, and offers to take it back. */
async function change(person: Person, to: PersonChange, title: string, back: PersonChange) {
  try {
    academy.value = await api('/api/academy/people/:personId', {
      params: { personId: person.id },
      method: 'PATCH',
      body: to,
    })
    const undo = () => change(person, back, `${person.name} is as before`, to)
    toast.add({
      title,
      actions: [{ label: 'Undo', color: 'neutral', variant: 'outline', onClick: () => void undo() }],
    })
  } catch (error) {
    toast.add({ title: `${person.name} is not changed`, description: (error as Error).message, color: 'error' })
    await load()
  }
}
const setRole = (person: Person, next: Role) =>
  change(person, { role: next }, `${person.name}: ${ROLE_WORDS[next].name.toLowerCase()}`, { role: person.role })
const isMe = ({ id }: Person) => id === account.account?.id
const setLeft = (person: Person, left: boolean) =>
  change(person, { left }, left ? `${person.name} has left` : `${person.name} is back`, { left: !left })

async function choose(body: AcademyChange) {
  try {
    await api('/api/academy', { method: 'PATCH', body })
  } catch (error) {
    toast.add({ title: 'Not changed', description: (error as Error).message, color: 'error' })
  }
  await load()
}
async function takeBack(invitationId: string) {
  try {
    await api('/api/academy/invitations/:invitationId', { params: { invitationId }, method: 'DELETE' })
  } catch (error) {
    toast.add({ title: 'The invitation still stands', description: (error as Error).message, color: 'error' })
  }
  await load()
}
/** The address for a new password, while it is shown. */
const reset = shallowRef<{ personId: string; address: string }>()
async function makeReset({ id: personId, name }: Person) {
  try {
    const { token } = await api('/api/academy/people/:personId/reset', { params: { personId }, method: 'POST' })
    // Behind the "#", so that the token is in no log.
    reset.value = { personId, address: `${window.location.origin}/new-password#${token}` }
  } catch (error) {
    toast.add({ title: `No link for ${name}`, description: (error as Error).message, color: 'error' })
  }
}
async function endSecondFactor({ id: personId, name }: Person) {
  try {
    await api('/api/academy/people/:personId/second-factor', { params: { personId }, method: 'DELETE' })
    toast.add({ title: `${name} signs in with the password alone`, color: 'success' })
  } catch (error) {
    toast.add({ title: 'Not changed', description: (error as Error).message, color: 'error' })
  }
  await load()
}
const KEEPS = [
  { value: '', label: 'until an owner erases them' },
  ...KEEP_MONTHS.map(months => ({ value: String(months), label: `for ${months} months` })),
]
const setKeep = (months: string) => choose({ keepMonths: KEEP_MONTHS.find(known => String(known) === months) ?? null })
const SEES = [
  { value: 'all', label: 'all players of the academy' },
  { value: 'own', label: 'their own players alone' },
]
const seenText = ({ seenAtMs }: Person) => (seenAtMs === null ? 'never signed in' : `seen ${daysAgo(seenAtMs)}`)
const until = (ms: number) =>
  new Date(ms).toLocaleDateString('en-GB', { weekday: 'long', day: 'numeric', month: 'short' })
</script>

<template>
  <main class="mx-auto w-full max-w-3xl px-4 py-6">
    <h1 class="text-[1.75rem] leading-tight font-bold">{{ account.account?.academy }}</h1>
    <p class="soft">Who works here, and what each may do.</p>
    <FrameListFailure v-if="failure && !academy" what="The people" :failure="failure" @again="load()" />
    <FrameListSkeleton v-else-if="!academy" what="The people" :rows="3" class="mt-6" />
    <template v-else>
      <ul class="raised mt-6 divide-y divide-default">
        <li v-for="person in here" :key="person.id" class="flex flex-wrap items-center gap-x-4 gap-y-1 px-4 py-2.5">
          <p class="min-w-0 flex-1 basis-60">
            <strong class="text-lg">{{ person.name }}</strong><template v-if="isMe(person)"> (you)</template>
            <span class="soft block truncate text-sm">{{ person.email }}, {{ seenText(person) }}</span>
          </p>
          <template v-if="isOwner">
            <span class="w-36"
              ><FramePlainSelect
                :model-value="person.role"
                :items="roles"
                :label="`Role of ${person.name}`"
                @update:model-value="setRole(person, $event as Role)"
            /></span>
            <UButton
              v-if="!isMe(person)"
              color="neutral"
              variant="ghost"
              icon="i-lucide-key-round"
              :aria-label="`A new password for ${person.name}`"
              @click="makeReset(person)"
              >New password</UButton
            >
            <UButton
              color="neutral"
              variant="ghost"
              icon="i-lucide-log-out"
              :aria-label="isMe(person) ? undefined : `Mark ${person.name} as left`"
              @click="setLeft(person, true)"
              >{{ isMe(person) ? 'Leave the academy' : 'Mark as left' }}</UButton
            >
          </template>
          <span v-else class="soft">{{ ROLE_WORDS[person.role].name }}</span>
          <div v-if="reset?.personId === person.id" class="basis-full">
            <FrameShownOnce
              :of="`For ${person.name}, good once, within ${RESET_HOURS} hours`"
              :secret="reset.address"
            />
            <p v-if="person.secondFactor" class="mt-2 flex flex-wrap items-center gap-x-3">
              It asks for the code of their phone too.
              <UButton size="sm" color="neutral" variant="outline" @click="endSecondFactor(person)"
                >Phone lost: stop asking</UButton
              >
            </p>
          </div>
        </li>
      </ul>
      <dl class="mt-3 grid gap-x-4 text-sm sm:grid-cols-[6rem_1fr]">
        <template v-for="one in ROLES" :key="one">
          <dt class="font-semibold">{{ ROLE_WORDS[one].name }}</dt>
          <dd class="soft max-sm:mb-1">{{ ROLE_WORDS[one].may }}</dd>
        </template>
      </dl>
      <template v-if="isOwner">
        <AcademyChoice
          id="sees"
          class="mt-6"
          label="A coach sees"
          :items="SEES"
          :model-value="academy.coachesSee"
          @update:model-value="choose({ coachesSee: $event as CoachesSee })"
        />
        <USwitch
          v-if="academy.coachesSee === 'own'"
          :model-value="academy.coachesChange"
          label="They may change ranges and drills that all use"
          class="min-h-11 items-center"
          @update:model-value="choose({ coachesChange: $event })"
        />
        <AcademyChoice
          id="keeps"
          class="mt-3"
          label="Archived players are kept"
          :items="KEEPS"
          :model-value="String(academy.keepMonths ?? '')"
          @update:model-value="setKeep"
        />
        <p v-if="academy.keepMonths !== null" class="soft mt-1">
          Then they are erased for good. What is chosen here holds from tomorrow on.
          <strong v-if="academy.overdue > 0" class="text-default"
            >{{ academy.overdue }} {{ academy.overdue === 1 ? 'player has' : 'players have' }} been in the archive for
            longer.</strong
          >
        </p>
        <div class="mt-6 flex flex-wrap items-center gap-3">
          <UButton color="neutral" variant="outline" icon="i-lucide-download" to="/api/academy/all.zip" external
            >Save the whole academy</UButton
          >
          <p class="soft min-w-0 flex-1 basis-60">
            Every player’s record, with ranges and drills, as one zip. It comes in by <b>Players, Bring players in</b>.
          </p>
        </div>
        <AcademyInvite class="mt-6" @made="load" />
        <ul v-if="academy.invitations.length > 0" class="mt-3 divide-y divide-default border-y border-default">
          <li
            v-for="invitation in academy.invitations"
            :key="invitation.id"
            class="flex min-h-12 flex-wrap items-center gap-x-4"
          >
            <span class="min-w-0 flex-1"
              ><strong>{{ invitation.forWhom }}</strong>, as {{ ROLE_WORDS[invitation.role].name.toLowerCase() }}
              <span class="soft">open until {{ until(invitation.expiresAtMs) }}</span></span
            >
            <UButton
              color="neutral"
              variant="ghost"
              :aria-label="`Take the invitation of ${invitation.forWhom} back`"
              @click="takeBack(invitation.id)"
              >Take it back</UButton
            >
          </li>
        </ul>
      </template>
      <ul v-if="gone.length > 0" class="mt-6 space-y-1">
        <li v-for="person in gone" :key="person.id" class="soft flex flex-wrap items-center gap-2">
          <UIcon name="i-lucide-archive" /> {{ person.name }} has left; what they did stays.
          <UButton v-if="isOwner" size="sm" variant="link" class="min-h-9" @click="setLeft(person, false)"
            >Bring back</UButton
          >
        </li>
      </ul>
    </template>
  </main>
</template>
