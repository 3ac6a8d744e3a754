import { proxy } from 'comlink'
import type { PublishedChart } from '#core/history/published'
import type { Firmness } from '#core/flight/run-out'
import { NOT_PAST, type Green, type Trouble } from '#core/pick/around'
import { flagBeyondM, type ToldTo } from '#core/pick/flag-from'
import type { LayUp, LeaveCost, OnTheWay } from '#core/pick/lay-up'
import type { Lie } from '#core/pick/lies'
import type { Height, Picked, PickQuestion } from '#core/pick/picked'
import { stretchesOf } from '#core/pick/sweep'
import { toUnit, type DistanceUnit } from '#core/units'
import type { PickApi, PickDay, PickOpened } from '~/calculation/workers/pick.worker'
import { USUAL_AIR, type AirReading } from '~/player/air/air-draft'
import { workerClient } from '~/calculation/worker-client'

/** What is known of the day and the hole; kept on this device until it is changed. */
export interface PickSetting {
  air: AirReading | null
  /** When the air was entered. */
  airAtMs: number | null
  /** Where its wind comes from, degrees, once the device's compass was asked: it turns with the hole. */
  windFromDeg: number | null
  /** Calm, 20 °C at the sea, though the home course has a usual air of its own. */
  neutral: boolean
  /** What a typed distance is told to. */
  to: ToldTo
  slopeM: number
  firmness: Firmness
  lie: Lie
  green: Green | null
  trouble: Trouble[]
  notPast: boolean
  over: Height[]
  under: Height[]
}

/** The sheets of the hole and the day. */
export type PickSheet = 'today' | 'around' | 'layUp'

const USUAL: PickSetting = {
  air: null,
  airAtMs: null,
  windFromDeg: null,
  neutral: false,
  to: 'flag',
  slopeM: 0,
  firmness: 'medium',
  lie: 'fairway',
  green: null,
  trouble: [],
  notPast: false,
  over: [],
  under: [],
}

const start = () => new Worker(new URL('../../calculation/workers/pick.worker.ts', import.meta.url), { type: 'module' })
const PATIENCE_MS = 30_000

/** Setting and typed distance, kept on this device by whose chart it is. */
function keptPick(key: string) {
  const serializer = {
    read: (text: string) => JSON.parse(text) as PickSetting,
    write: (value: PickSetting) => JSON.stringify(value),
  }
  const setting = useLocalStorage<PickSetting>(`uzzet-pick-${key}`, { ...USUAL }, { serializer, mergeDefaults: true })
  // What is typed is kept a moment later: nothing is written between the last digit and the answer.
  const keptAt = useLocalStorage(`uzzet-pick-at-${key}`, '')
  const typed = ref(keptAt.value)
  watchDebounced(
    typed,
    value => {
      keptAt.value = value
    },
    { debounce: 100 },
  )
  return { setting, typed }
}

/** What is asked about a distance, but the distance. */
function questionOf({ green, trouble, notPast, lie, over, under }: PickSetting): Omit<PickQuestion, 'targetM'> {
  return {
    around: { ...(green && { green }), trouble: notPast ? [...trouble, NOT_PAST] : trouble },
    lie,
    over,
    under,
  }
}

const plain = <T>(value: T): T => JSON.parse(JSON.stringify(value)) as T

interface Asked {
  chart: Ref<PublishedChart | null>
  unit: Ref<DistanceUnit>
  day: Ref<PickDay>
  question: Ref<Omit<PickQuestion, 'targetM'>>
  at: Ref<number | null>
}

/** Every distance worked out beforehand in a worker, the one that is looked at first. */
function pickAnswers({ chart, unit, day, question, at }: Asked) {
  const { ask, end } = workerClient<PickApi>(start, 'The part that picks shots')
  onBeforeUnmount(end)
  const opened = shallowRef<PickOpened>()
  const answers = shallowRef(new Map<number, Picked>())
  const failure = ref('')

  let turn = 0
  function take(list: readonly { at: number; picked: Picked }[]): void {
    const next = new Map(answers.value)
    for (const one of list) next.set(one.at, one.picked)
    answers.value = next
  }
  async function work(anew: boolean): Promise<void> {
    const own = ++turn
    if (!chart.value) return
    failure.value = ''
    try {
      if (anew || !opened.value) {
        const found = await ask(api => api.open(toRaw(chart.value!), plain(day.value), unit.value), PATIENCE_MS)
        if (own !== turn) return
        opened.value = found
      }
      answers.value = new Map()
      await first()
      const range = opened.value?.range
      if (own !== turn || !range) return
      await ask(api =>
        api.sweep(
          plain(question.value),
          range,
          at.value ?? Math.round((range.from + range.to) / 2),
          proxy((list: { at: number; picked: Picked }[]) => {
            if (own === turn) take(list)
          }),
        ),
      )
    } catch (error) {
      if (own === turn) failure.value = (error as Error).message
    }
  }
  /** The distance that is looked at, as soon as it can be. */
  async function first(): Promise<void> {
    const wanted = at.value
    const own = turn
    if (wanted === null || !opened.value || answers.value.has(wanted)) return
    const answer = await ask(api => api.at(plain(question.value), wanted), PATIENCE_MS)
    if (own === turn) take([{ at: wanted, picked: answer }])
  }
  onMounted(() => {
    watch([chart, unit, () => JSON.stringify(day.value)], () => work(true), { immediate: true })
    watch(
      () => JSON.stringify(question.value),
      () => work(false),
    )
    watch(at, () => {
      first().catch((error: unknown) => {
        failure.value = (error as Error).message
      })
    })
  })

  const again = () => work(true)
  return { ask, opened, answers, failure, again }
}

/**
 * What to hit for a distance, from a published chart. Every distance is worked out beforehand in a worker, the typed
 * one first; what is typed then only looks its answer up.
 * @param key of whose chart it is: setting and distance are kept by it
 */
export function usePick(chart: Ref<PublishedChart | null>, unit: Ref<DistanceUnit>, key: string) {
  const { setting, typed } = keptPick(key)
  /** To the flag, whatever the typed distance is told to. */
  const beyond = computed(() => Math.round(toUnit(flagBeyondM(setting.value.to, setting.value.green), unit.value)))
  const at = computed(() => {
    if (!/^\d{1,3}$/.test(typed.value) || Number(typed.value) <= 0) return null
    return Math.max(1, Number(typed.value) + beyond.value)
  })
  /** Types what has the flag so far away. */
  function toFlag(flagAt: number): void {
    typed.value = String(Math.max(1, flagAt - beyond.value))
  }
  /** Without an air of today the home course's usual one, where the coach named it. */
  const home = computed((): AirReading | null => {
    const usual = chart.value?.pick?.home
    return usual ? { ...USUAL_AIR, ...usual } : null
  })
  const air = computed(() => setting.value.air ?? (setting.value.neutral ? null : home.value))
  const day = computed((): PickDay => {
    const { slopeM, firmness } = setting.value
    return { air: air.value, slopeM, firmness }
  })

  const question = computed(() => questionOf(setting.value))
  const { ask, opened, answers, failure, again } = pickAnswers({ chart, unit, day, question, at })
  const picked = computed(() => (at.value === null ? null : (answers.value.get(at.value) ?? null)))

  /** Where the choice changes, as far as it is worked out without a break. */
  const strip = computed(() =>
    stretchesOf([...answers.value].map(([where, one]) => ({ at: where, picked: one })).sort((a, b) => a.at - b.at)),
  )
  const complete = computed(() => {
    const range = opened.value?.range
    return range ? answers.value.size >= range.to - range.from + 1 : false
  })

  async function layUpOf(
    asked: { toGoM: number; longestM: number; onTheWay: OnTheWay[] } | null,
  ): Promise<{ costs: LeaveCost[]; layUp: LayUp | null }> {
    return ask(api => api.layUp(asked), PATIENCE_MS)
  }

  return {
    setting,
    typed,
    at,
    picked,
    opened,
    answers,
    strip,
    complete,
    failure,
    toFlag,
    home,
    layUpOf,
    again,
  }
}
export type PickDesk = ReturnType<typeof usePick>
