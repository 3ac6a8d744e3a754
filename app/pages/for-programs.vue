<script setup lang="ts">
import { api } from '~/offline/api'
import { apiGroups, type ApiDocument, type ApiGroup } from '~/features/account/api-routes'
import FrameListFailure from '~/ui/frame/ListFailure.vue'
import FrameListSkeleton from '~/ui/frame/ListSkeleton.vue'

/** What a program can ask the server for: read out of the server's own description. */
definePageMeta({ layout: 'plain' })
useHead({ title: 'For programs' })
const groups = shallowRef<ApiGroup[]>()
const failure = shallowRef<Error>()
async function load() {
  failure.value = undefined
  try {
    groups.value = apiGroups((await api('/api/openapi.json')) as unknown as ApiDocument)
  } catch (error) {
    failure.value = error as Error
  }
}
onMounted(load)
const origin = computed(() => (import.meta.client ? window.location.origin : ''))
</script>

<template>
  <div class="mx-auto w-full max-w-3xl">
    <h1 class="text-3xl font-bold">For programs</h1>
    <p class="mt-2">
      JSON over HTTP. A key made under <ULink to="/account#programs" class="underline">Account, Programs</ULink> goes in
      the <code>Authorization</code> header. Lengths are metres, times milliseconds since 1970, angles degrees; ids are
      UUIDs that the sender makes, so that what is sent twice is there once.
    </p>
    <pre
      class="raised mt-3 p-3 text-sm break-words whitespace-pre-wrap"
    ><code>curl -H "Authorization: Bearer uzzetp_…" {{ origin }}/api/players</code></pre>
    <p class="mt-3">
      The same for machines: <a href="/api/openapi.json" class="underline">openapi.json</a> (OpenAPI 3.1). Files are
      described in the documents that come with the program.
    </p>
    <FrameListFailure v-if="failure" what="The description" :failure="failure" @again="load" />
    <FrameListSkeleton v-else-if="!groups" what="The routes" class="mt-6" />
    <section v-for="group in groups" :key="group.name" class="mt-7" :aria-labelledby="`group-${group.name}`">
      <h2 :id="`group-${group.name}`" class="mb-1 text-xl font-bold">
        {{ group.name === 'server' ? 'The server itself' : `/api/${group.name}` }}
      </h2>
      <ul class="raised divide-y divide-default">
        <li v-for="route in group.routes" :key="route.method + route.path">
          <details>
            <summary class="min-h-11 cursor-pointer px-4 py-2">
              <b class="inline-block w-16">{{ route.method }}</b>
              <code class="text-sm break-all max-sm:block max-sm:pl-5">{{ route.path }}</code>
              <span class="soft block pl-5 text-sm">{{ route.does }}</span>
            </summary>
            <div class="border-t border-default px-4 py-2 text-sm">
              <p><b>For:</b> {{ route.who }}. <b>Gives:</b> {{ route.gives }}.</p>
              <table v-if="route.fields.length > 0" class="mt-2 w-full text-left">
                <thead class="soft">
                  <tr>
                    <th class="pr-3 font-normal">Field</th>
                    <th class="font-normal">What it holds</th>
                  </tr>
                </thead>
                <tbody>
                  <tr v-for="field in route.fields" :key="field.name" class="align-top">
                    <th class="pr-3 font-semibold whitespace-nowrap">
                      {{ field.inQuery ? '?' : '' }}{{ field.name }}{{ field.needed ? '' : ', may be missing' }}
                    </th>
                    <td class="break-words">{{ field.kind }}</td>
                  </tr>
                </tbody>
              </table>
            </div>
          </details>
        </li>
      </ul>
    </section>
  </div>
</template>
