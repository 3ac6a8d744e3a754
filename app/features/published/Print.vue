<script setup lang="ts">
import type { PublishedChart } from '#core/history/published'
import { fromHeight, fromTemp } from '#core/units'
import { LABEL_SHEETS, MOST_SKIPPED, type LabelSheetId } from '#shared/label-sheets'
import { sentText } from '#words/published'
import { Unreachable } from '~/offline/api'
import { useAccount } from '~/offline/stores/account'
import { usePlayerRecord } from '~/offline/stores/record'
import { chartPicture } from '~/features/published/chart-picture'
import { typedNumber } from '~/ui/numbers'

/** What the player takes along: card, labels, picture, text. */
const props = defineProps<{ chart: PublishedChart }>()
const record = usePlayerRecord()
const account = useAccount()
const toast = useToast()
const { copy } = useClipboard({ legacy: true })
const size = ref<'card' | 'a6'>('card')
const black = ref(false)
const home = reactive({ on: false, temp: '', height: '' })
const sheet = ref<LabelSheetId>('strips')
const skip = ref('0')
const sizes = [
  { value: 'card', label: 'Card for the pocket, two sides' },
  { value: 'a6', label: 'A6, for the yardage book' },
]
const sheets = Object.entries(LABEL_SHEETS).map(([value, { name }]) => ({ value, label: name }))
const base = computed(() => `/api/players/${record.playerId}/published/${props.chart.number}`)
const common = computed(() => ({ unit: account.unit, ...(black.value && { black: '1' }) }))

const homeFault = computed(() => {
  if (!home.on) return ''
  const [temp, height] = [typedNumber(home.temp), typedNumber(home.height)]
  if (Number.isNaN(temp)) return `Temperature "${home.temp}" is not a number.`
  return Number.isNaN(height) ? `Altitude "${home.height}" is not a number.` : ''
})
const address = (file: string, query: Record<string, string>) => `${base.value}/${file}?${new URLSearchParams(query)}`
const cardAddress = computed(() =>
  address('card.pdf', {
    ...common.value,
    size: size.value,
    ...(home.on &&
      !homeFault.value && {
        tempC: String(fromTemp(typedNumber(home.temp), account.tempUnit)),
        altitudeM: String(Math.round(fromHeight(typedNumber(home.height), account.heightUnit))),
      }),
  }),
)
const yards = reactive({ from: '30', to: '130' })
const yardsAddress = computed(() =>
  address('yards.pdf', { ...common.value, from: yards.from.trim(), to: yards.to.trim() }),
)
const labelAddress = computed(() =>
  address('labels.pdf', { ...common.value, sheet: sheet.value, skip: skip.value.trim() || '0' }),
)

/** Fetched rather than followed, so that a refusal is a sentence on this page and not a page of its own. */
async function download(path: string, name: string) {
  try {
    const reply = await fetch(path).catch(() => null)
    if (!reply) throw new Unreachable()
    if (!reply.ok)
      throw new Error(
        ((await reply.json()) as { message?: string }).message ?? `The server refused this (${reply.status}).`,
      )
    hand(await reply.blob(), name)
  } catch (error) {
    toast.add({ title: 'It could not be made', description: (error as Error).message, color: 'error' })
  }
}

function hand(blob: Blob, name: string) {
  const url = URL.createObjectURL(blob)
  Object.assign(document.createElement('a'), { href: url, download: name }).click()
  setTimeout(() => URL.revokeObjectURL(url), 10_000)
}

async function picture() {
  try {
    hand(await chartPicture(record.player!.name, props.chart, account.unit), `carry-chart-${props.chart.number}.png`)
  } catch (error) {
    toast.add({ title: 'The picture could not be made', description: (error as Error).message, color: 'error' })
  }
}

async function send() {
  await copy(sentText(record.player!.name, props.chart, account.unit))
  toast.add({ title: 'Copied: paste it where you send it', icon: 'i-lucide-clipboard-check' })
}
</script>

<template>
  <section aria-labelledby="hand-title">
    <h2 id="hand-title" class="mb-2 text-xl font-bold">Hand it over</h2>
    <div class="grid grid-cols-1 gap-4 lg:grid-cols-2">
      <div class="raised space-y-3 p-4">
        <h3 class="font-bold">Card</h3>
        <USelect v-model="size" :items="sizes" aria-label="Size of the card" class="w-full" />
        <UCheckbox v-model="home.on" label="One side for the home course's air" />
        <div v-if="home.on" class="grid grid-cols-2 gap-3">
          <UFormField :label="`Usual temperature, ${account.tempUnit}`"
            ><UInput v-model="home.temp" inputmode="decimal" class="w-full"
          /></UFormField>
          <UFormField :label="`Altitude, ${account.heightUnit}`"
            ><UInput v-model="home.height" inputmode="numeric" class="w-full"
          /></UFormField>
        </div>
        <p v-if="homeFault && (home.temp || home.height)" role="alert" class="text-sm text-error">{{ homeFault }}</p>
        <UButton
          icon="i-lucide-printer"
          :disabled="home.on && !!homeFault"
          @click="download(cardAddress, `carry-card-${chart.number}.pdf`)"
          >Card as PDF</UButton
        >
      </div>
      <div class="raised space-y-3 p-4">
        <h3 class="font-bold">Labels for the shafts</h3>
        <USelect v-model="sheet" :items="sheets" aria-label="Sheet of labels" class="w-full" />
        <UFormField label="Labels of the sheet already used"
          ><UInput v-model="skip" inputmode="numeric" :max="MOST_SKIPPED" class="w-24"
        /></UFormField>
        <UButton icon="i-lucide-tags" @click="download(labelAddress, `shaft-labels-${chart.number}.pdf`)"
          >Labels as PDF</UButton
        >
      </div>
      <div class="raised space-y-3 p-4">
        <h3 class="font-bold">What to hit from where</h3>
        <div class="flex flex-wrap items-end gap-3">
          <UFormField :label="`From, ${account.unit}`"
            ><UInput v-model="yards.from" inputmode="numeric" class="w-20"
          /></UFormField>
          <UFormField label="to"><UInput v-model="yards.to" inputmode="numeric" class="w-20" /></UFormField>
        </div>
        <p class="soft text-sm">One page, every {{ account.unit === 'yd' ? 'yard' : 'metre' }}, in neutral air.</p>
        <UButton icon="i-lucide-flag" @click="download(yardsAddress, `from-where-${chart.number}.pdf`)"
          >The page as PDF</UButton
        >
      </div>
      <div class="flex flex-wrap items-center gap-2 lg:col-span-2">
        <UButton color="neutral" variant="outline" icon="i-lucide-image-down" @click="picture">Picture</UButton>
        <UButton color="neutral" variant="outline" icon="i-lucide-clipboard-copy" @click="send">Copy as text</UButton>
        <UCheckbox v-model="black" label="Black and white" class="ml-2" />
      </div>
    </div>
  </section>
</template>
