<script setup lang="ts">
import { v7 as newId } from 'uuid'
import { SCOPE_WORDS, SCOPES, type Scope } from '#shared/choices'
import type { MadeProgram, Program } from '#shared/program'
import { mayDo } from '#shared/rights'
import { api } from '~/offline/api'
import { useFormErrors } from '~/ui/useFormErrors'
import { useOneAtATime } from '~/ui/useOneAtATime'
import { useAccount } from '~/offline/stores/account'
import { clockTime, shortDate } from '~/ui/dates'
import { formSchemas } from '~/ui/form-schemas'
import FramePlainSelect from '~/ui/frame/PlainSelect.vue'
import AccountRevokeDialog from '~/features/account/RevokeDialog.vue'
import FrameShownOnce from '~/ui/frame/ShownOnce.vue'

/** Keys for programs that work in this coach's name. A key is shown once; a revoked one opens nothing. */
const account = useAccount()
const programs = shallowRef<Program[]>()
const failure = ref<string>()
const name = ref('')
const scope = ref<Scope>('read')
const made = shallowRef<MadeProgram>()
const revoking = shallowRef<Program>()
const { errors, general, check, take, of } = useFormErrors()
const { busy, run } = useOneAtATime()
const toast = useToast()
const scopes = computed(() =>
  SCOPES.filter(one => mayDo(account.account?.role ?? 'reader', one)).map(value => ({
    value,
    label: SCOPE_WORDS[value],
  })),
)

async function load() {
  try {
    programs.value = await api('/api/account/programs')
    failure.value = undefined
  } catch (error) {
    failure.value = (error as Error).message
  }
}
onMounted(load)

async function add() {
  const value = await check(formSchemas.NewProgram, {
    id: newId(),
    name: name.value,
    scope: scope.value,
  })
  if (!value) return
  try {
    made.value = await api('/api/account/programs', { method: 'POST', body: value })
    name.value = ''
    await load()
  } catch (error) {
    take(error)
  }
}

async function revoke() {
  const program = revoking.value!
  try {
    await api('/api/account/programs/:programId', { params: { programId: program.id }, method: 'DELETE' })
    if (made.value?.id === program.id) made.value = undefined
    toast.add({ title: `The key of ${program.name} is revoked`, description: 'What it wrote stays.' })
  } catch (error) {
    toast.add({ title: 'The key is not revoked yet', description: (error as Error).message, color: 'error' })
  }
  revoking.value = undefined
  await load()
}
const used = ({ usedAtMs }: Program) =>
  usedAtMs === null ? 'never used' : `last used ${shortDate(usedAtMs)}, ${clockTime(usedAtMs)}`
</script>

<template>
  <section id="programs" class="raised mt-6 p-5" aria-labelledby="programs-title">
    <h2 id="programs-title" class="text-xl font-bold">Programs</h2>
    <p class="soft mb-3">
      A program of yours signs in with a key and works in your name, within what the key allows.
      <ULink to="/for-programs" class="underline">What it can ask for</ULink>
    </p>
    <p v-if="failure" role="alert" class="mb-3 flex flex-wrap items-center gap-3 font-semibold text-error">
      {{ failure }} <UButton size="sm" color="neutral" variant="outline" @click="load">Try again</UButton>
    </p>
    <ul v-if="programs && programs.length > 0" class="mb-4 divide-y divide-default border-y border-default">
      <li v-for="program in programs" :key="program.id" class="flex min-h-12 flex-wrap items-center gap-x-4 py-1">
        <span class="min-w-0 flex-1 basis-48"
          ><b>{{ program.name }}</b> {{ SCOPE_WORDS[program.scope]
          }}<span class="soft block text-sm">{{ used(program) }}</span></span
        >
        <UButton
          color="error"
          variant="ghost"
          icon="i-lucide-ban"
          :aria-label="`Revoke the key of ${program.name}`"
          @click="revoking = program"
          >Revoke</UButton
        >
      </li>
    </ul>
    <FrameShownOnce v-if="made" :of="`The key of ${made.name}`" :secret="made.token" />
    <form class="grid gap-3 sm:grid-cols-[minmax(0,3fr)_minmax(0,5fr)]" novalidate @submit.prevent="run(add)">
      <UFormField label="New program" :error="of('name') ?? of('scope') ?? (errors.length === 0 ? general : undefined)"
        ><UInput v-model="name" placeholder="Report for parents" autocomplete="off" class="w-full"
      /></UFormField>
      <UFormField label="What it does"
        ><FramePlainSelect v-model="scope" :items="scopes" label="What the key allows"
      /></UFormField>
      <div><UButton type="submit" :loading="busy">Make a key</UButton></div>
    </form>
    <AccountRevokeDialog
      :open="revoking !== undefined"
      :title="`Revoke the key of ${revoking?.name}?`"
      description="It opens nothing any more, and cannot be given back. What it wrote stays."
      @revoke="revoke"
      @close="revoking = undefined"
    />
  </section>
</template>
