import sameNumbers from 'fast-deep-equal'
import type { PracticeLeave } from '#core/chart/practice-scatter'
import { servedBest } from '#core/chart/served-best'
import { sameGrid } from '#core/bag/bag'
import { askedDistances } from '#core/rounds/approach'
import type { Calibration } from '#core/calibration/calibration'
import { calibrationOptions, newestMethod, playerFacts } from '#shared/calibration-input'
import { practiceLeaves } from '#shared/practice'
import { playedOf } from '#shared/rounds'
import { toSession, toShot } from '#shared/session'
import type { ShotRecord } from '#shared/schemas/session'
import type { CalibrationAnswer, CalibrationAsk } from '~/calculation/workers/calibration-protocol'
import { calibrationWorker } from '~/calculation/calibration-worker'
import { changesSince } from '~/calculation/changes'
import { hasNumbers, keepNumbers, keptNumbers } from '~/offline/kept'
import { nextTask } from '~/ui/next-task'
import { servedNumbers } from '~/calculation/served-numbers'
import { useAccount } from '~/offline/stores/account'
import { usePractice } from '~/offline/stores/practice'
import { usePlayerRecord } from '~/offline/stores/record'
import { useRounds } from '~/offline/stores/rounds'
import { serverNowMs } from '~/offline/server-clock'

/** No answer for so long is a failure that the coach is told. The largest player takes a tenth of a second. */
const PATIENCE_MS = 20_000
/** Numbers that stood for so long are kept for the next visit; while balls come in, only the last of them. */
const STOOD_MS = 2000

/** One and the same, so that nothing is worked out again for it. */
const NOTHING_PRACTISED: PracticeLeave[] = []
const NOTHING_ASKED: number[] = []

/** What of a record the numbers go by. */
const PARTS = ['player', 'bag', 'sessions', 'records', 'words', 'published', 'academyThresholds'] as const

/** What practice and rounds say beside the record. */
function besideRecord() {
  const record = usePlayerRecord()
  const practice = usePractice()
  /** What was hit in practice and does not count for the chart; nothing until it is there. */
  const practised = computed(() => {
    if (practice.of !== record.playerId || practice.goes.length === 0) return NOTHING_PRACTISED
    const counts = new Set(record.records.filter(shot => !shot.deleted && shot.leftOut === null).map(({ id }) => id))
    return practiceLeaves(practice.goes, counts)
  })
  const rounds = useRounds()
  /** What rounds asked for; nothing until they are there. */
  const asked = computed(() =>
    rounds.of !== record.playerId || rounds.standing.length === 0
      ? NOTHING_ASKED
      : askedDistances(playedOf(rounds.standing)),
  )
  const isThere = (store: { of: string | null; failure: string }) => store.of === record.playerId || !!store.failure
  const whole = computed(() => isThere(practice) && isThere(rounds))
  return { practised, asked, whole }
}

/** What the worker is asked about the player as they are now. @param since what was sent to it before */
function askOfNow({
  turn,
  anew,
  since,
  practice,
  asked,
}: {
  turn: number
  anew: boolean
  since: readonly ShotRecord[]
  practice: PracticeLeave[]
  asked: number[]
}): CalibrationAsk {
  const { player, bag, sessions, records, words, published, academyThresholds } = usePlayerRecord()
  const { put, gone } = changesSince(since, records)
  // Proxies cannot be sent; what is in the record is plain.
  return {
    turn,
    player: { ...playerFacts(player!), bag: toRaw(bag), sessions: sessions.map(toSession), nowMs: serverNowMs() },
    options: calibrationOptions(player!.thresholds, newestMethod(sessions), {
      academyThresholds: toRaw(academyThresholds),
      words: toRaw(words),
      published: toRaw(published),
      unit: useAccount().unit,
      practice,
      asked,
    }),
    anew,
    put: put.map(toShot),
    gone,
  }
}

/** Where nothing is kept the server's answer is on its way, and comes before a store has opened. */
async function lastNumbers(of: string, by: string): Promise<Calibration | undefined> {
  const kept = () => keptNumbers(of, by)
  const served = () => servedNumbers(of, by)
  return hasNumbers(of) ? ((await kept()) ?? served()) : ((await served()) ?? kept())
}

/** The worker, which fails when no answer comes. */
function patientWorker(take: (answer: CalibrationAnswer) => void, fail: (reason: string) => void) {
  const worker = calibrationWorker(take)
  const patience = useTimeoutFn(() => fail('The numbers take too long to work out.'), PATIENCE_MS, { immediate: false })
  return {
    begin: () => worker.begin(),
    rest: patience.stop,
    end(): void {
      patience.stop()
      worker.end()
    },
    tell(ask: CalibrationAsk): void {
      patience.start()
      worker.tell(ask).catch((error: unknown) => fail((error as Error).message))
    },
  }
}

/**
 * The open player's numbers, worked out in a worker so that the page stays quick: it holds the shots, and only what
 * changed is sent to it.
 */
export const useCalibration = defineStore('calibration', () => {
  const record = usePlayerRecord()
  const account = useAccount()
  const latest = shallowRef<Calibration | null>(null)
  const failure = ref<string | null>(null)

  const { practised, asked, whole } = besideRecord()
  const servedTargets = computed(() => servedBest(practised.value))
  const worker = patientWorker(take, fail)
  let turn = 0
  let answered = 0
  let sentPlayer: string | null = null
  let sent: readonly ShotRecord[] = []
  const { buildId } = useRuntimeConfig().app
  const by = () => `${buildId} ${account.unit}`
  /** True while what is shown is what this device or the server knew last. */
  let recalled = false
  /** An answer that knew nothing of practice and rounds yet does not take the place of one that did. */
  let early: CalibrationAnswer | undefined

  function fail(reason: string): void {
    worker.end()
    sentPlayer = null
    failure.value = reason
    if (recalled) latest.value = null
  }

  /** What was worked out here last, or by the server, stands until the worker has answered. */
  async function recall(): Promise<void> {
    const of = record.playerId
    const known = of ? await lastNumbers(of, by()) : undefined
    await nextTask()
    if (!known || record.playerId !== of || latest.value || failure.value) return
    latest.value = known
    recalled = true
  }

  const keepLatest = useDebounceFn(() => {
    if (latest.value && !recalled && sentPlayer && !account.signedOut) void keepNumbers(sentPlayer, by(), latest.value)
  }, STOOD_MS)

  function take(answer: CalibrationAnswer): void {
    if (answer.turn < answered || answer.turn <= before) return
    if ('failure' in answer) {
      fail(answer.failure)
      return
    }
    if (answer.turn === turn) worker.rest()
    early = recalled && (!whole.value || answer.turn < turn) ? answer : undefined
    if (early) return
    answered = answer.turn
    // The same said again is no reason to draw the page again.
    if (!sameNumbers(toRaw(latest.value), answer.calibration)) latest.value = answer.calibration
    recalled = false
    void keepLatest()
  }

  /** Answers up to this turn are another player's. */
  let before = 0

  function send(): void {
    const { player, records } = record
    if (!player) return
    const anew = sentPlayer !== player.id
    const ask = askOfNow({ turn: ++turn, anew, since: anew ? [] : sent, practice: practised.value, asked: asked.value })
    sent = records
    sentPlayer = player.id
    failure.value = null
    worker.tell(ask)
  }

  /** Another player: nothing of the one before is shown. */
  function begin(): void {
    before = turn
    sentPlayer = null
    latest.value = null
    recalled = false
    early = undefined
    failure.value = null
    worker.rest()
    void recall()
  }

  if (import.meta.client) {
    worker.begin()
    watch(() => record.playerId, begin, { immediate: true })
    // After what came has been sent on: then an answer that waits is not the newest, and the newest comes.
    watch(whole, () => early && take(early), { flush: 'post' })
    watch([...PARTS.map(part => () => record[part]), () => account.unit, practised, asked], send)
  }

  /** What is known now; null until it is, and while another grid is being worked out. */
  const result = computed(() => (latest.value && sameGrid(record.bag, latest.value.chart) ? latest.value : null))
  return { result, failure, retry: send, servedTargets }
})
