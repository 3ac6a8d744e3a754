import { cellKey, type Bag } from '#core/bag/bag'
import { bagAfter, type StepFault } from '#core/bag/bag-step'
import type { Shot } from '#core/shot/shot'
import type { BagStepRecord } from '#shared/schemas/bag'
import type { CellRemarkRecord } from '#shared/schemas/cell-remark'
import type { PublishedNumbers } from '#core/history/published-numbers'
import type { FlagAnswerRecord } from '#shared/schemas/flag-answer'
import type { AcademyThresholds } from '#shared/schemas/player'
import type { Player } from '#shared/player'
import type { PlayerRecord } from '#shared/record'
import type { Entry } from '~/offline/outbox/entries'
import { toShot } from '#shared/session'
import type { SessionRecord, ShotRecord } from '#shared/schemas/session'
import { api, isAway, Refused } from '~/offline/api'
import { useOutbox } from '~/offline/stores/outbox'
import { forgetPlayer, keepRecord, keepSent, keptRecord } from '~/offline/kept'
import { added, laidOver, place } from '~/offline/laid-over'

const emptyBag = (): Bag => ({ clubs: [], scale: { school: 'clock', rungs: [] }, struckOut: [] })

/** The open player: what the server holds, with what still waits to be sent on top. */
export const usePlayerRecord = defineStore('player-record', () => {
  const outbox = useOutbox()
  const playerId = ref<string | null>(null)
  const player = shallowRef<Player | null>(null)
  const bag = shallowRef<Bag>(emptyBag())
  const bagVersion = ref(1)
  const sessions = shallowRef<SessionRecord[]>([])
  const records = shallowRef<ShotRecord[]>([])
  const words = shallowRef<CellRemarkRecord[]>([])
  const answers = shallowRef<FlagAnswerRecord[]>([])
  const academyThresholds = shallowRef<AcademyThresholds>({})
  const published = shallowRef<PublishedNumbers | null>(null)
  const failure = shallowRef<Error | null>(null)
  /** Set when the record was opened without a connection: how old it is, apart from what was entered here. */
  const keptAtMs = ref<number | null>(null)

  /** A record is replaced, never changed, so that what was made of it holds: one more ball makes one more shot. */
  const made = new WeakMap<ShotRecord, Shot>()
  function shotOf(record: ShotRecord): Shot {
    const known = made.get(record)
    if (known) return known
    const shot = toShot(record)
    made.set(record, shot)
    return shot
  }
  const shots = computed<Shot[]>(() => records.value.filter(record => !record.deleted).map(shotOf))
  const shotsByCell = computed(() => {
    const map = new Map<string, Shot[]>()
    for (const shot of shots.value) {
      const key = cellKey(shot)
      const list = map.get(key)
      if (list) list.push(shot)
      else map.set(key, [shot])
    }
    return map
  })

  /** Takes the server's answer, then lays unsent entries over it, in the order they were made. */
  function take(reply: PlayerRecord, confirmed: readonly Entry[] = []): void {
    const unsent = outbox.mine.filter(item => item.playerId === reply.player.id).map(item => item.entry)
    const now = laidOver(reply, [...confirmed, ...unsent, ...sinceAsked])
    player.value = reply.player
    bag.value = now.bag
    bagVersion.value = reply.bagVersion
    sessions.value = now.sessions
    records.value = now.records
    words.value = now.words
    answers.value = now.answers
    academyThresholds.value = reply.academyThresholds
    published.value = reply.published
  }

  let asked = 0
  /** Entered while the answer was under way: it may have been sent and confirmed, yet not be in that answer. */
  let sinceAsked: Entry[] = []

  /** What this device knew last stands until the server has said what is so. @returns it, when it was shown */
  async function showKept(id: string, question: number) {
    const [old] = await Promise.all([keptRecord(id), outbox.ready()])
    if (!old || question !== asked || player.value) return undefined
    take(old.body, old.sent)
    return old
  }

  let underWay: Promise<void> | undefined
  /** Opens a player. One that is open already is shown at once and brought up to date behind it. */
  function open(id: string): Promise<void> {
    const opening = answerTo(id).finally(() => {
      if (underWay === opening) underWay = undefined
    })
    return (underWay = opening)
  }
  /** Opens a player, unless that is just being done. */
  const begin = (id: string): Promise<void> => (playerId.value === id && underWay) || open(id)

  async function answerTo(id: string): Promise<void> {
    if (playerId.value !== id) close()
    const question = ++asked
    playerId.value = id
    // What waits now may be sent and confirmed before the answer is here, and still not be in it.
    sinceAsked = outbox.mine.filter(item => item.playerId === id).map(item => item.entry)
    failure.value = null
    const askedAtMs = Date.now()
    const first = player.value ? undefined : showKept(id, question)
    try {
      const [reply] = await Promise.all([api('/api/players/:playerId', { params: { playerId: id } }), outbox.ready()])
      void keepRecord(id, reply, askedAtMs)
      if (question !== asked) return
      keptAtMs.value = null
      take(reply)
    } catch (error) {
      const old = await first
      if (question !== asked) return
      // What the server no longer has is not shown for having been here.
      if (error instanceof Refused && error.status === 404) {
        empty()
        void forgetPlayer(id)
      }
      if (old && isAway(error)) keptAtMs.value = old.atMs
      else failure.value = error as Error
    }
  }

  // What was opened without a connection is brought up to date by itself when there is one.
  watch(
    () => outbox.state,
    state => state === 'idle' && keptAtMs.value && playerId.value && void open(playerId.value),
  )
  // The server has made a change of the bag: its version is another one now.
  watch(
    () => outbox.mine.filter(item => item.playerId === playerId.value && item.entry.kind === 'bag').length,
    (left, before) => {
      if (left < before && playerId.value) void open(playerId.value)
    },
  )
  if (import.meta.client)
    useEventListener(window, 'online', () => keptAtMs.value && playerId.value && void open(playerId.value))

  /** Lets go of what was open: the next one at this browser may be another coach. */
  function close(): void {
    asked++
    playerId.value = null
    empty()
    keptAtMs.value = null
    failure.value = null
  }

  function empty(): void {
    player.value = null
    bag.value = emptyBag()
    sessions.value = []
    records.value = []
    words.value = []
    answers.value = []
    published.value = null
  }

  function keep(entry: Entry): Promise<void> {
    sinceAsked.push(entry)
    return outbox.add(playerId.value!, entry)
  }

  /** Shows a ball at once, keeps it in the browser, and sends it when it can. */
  async function putShot(record: ShotRecord): Promise<void> {
    records.value = place(records.value, record)
    await keep({ kind: 'shot', record })
  }

  /** Balls that the server has already: sent by a device, or from another screen. */
  function takeShots(sent: readonly ShotRecord[]): void {
    // A ball of this screen comes back over the line: it is known, and changes nothing.
    const fresh = new Map<string, ShotRecord>()
    for (const shot of sent) if ((fresh.get(shot.id)?.version ?? 0) < shot.version) fresh.set(shot.id, shot)
    for (const { id, version } of records.value) {
      const shot = fresh.get(id)
      if (shot && shot.version <= version) fresh.delete(id)
    }
    const shots = [...fresh.values()]
    if (shots.length === 0) return
    // An answer that is under way may have been read before they came.
    const entries = shots.map(record => ({ kind: 'shot' as const, record }))
    sinceAsked.push(...entries)
    void keepSent(playerId.value!, entries)
    records.value = shots.reduce(place, records.value)
  }

  function takeSession(session: SessionRecord): void {
    sinceAsked.push({ kind: 'session', record: session })
    void keepSent(playerId.value!, [{ kind: 'session', record: session }])
    sessions.value = place(sessions.value, session)
  }

  async function putSession(record: SessionRecord): Promise<void> {
    sessions.value = place(sessions.value, record)
    await keep({ kind: 'session', record })
  }

  /** What is said of a stock shot; sayings are only ever added. */
  async function putWord(word: CellRemarkRecord): Promise<void> {
    words.value = added(words.value, word)
    await keep({ kind: 'word', record: word })
  }

  /** What the coach says to a flag; answers are only ever added. */
  async function putAnswer(answer: FlagAnswerRecord): Promise<void> {
    answers.value = added(answers.value, answer)
    await keep({ kind: 'answer', record: answer })
  }

  /** Does nothing for a ball that is gone: one the server refused may have been discarded meanwhile. */
  function changeShot(id: string, change: Partial<ShotRecord>): Promise<void> {
    const record = records.value.find(other => other.id === id)
    if (!record) return Promise.resolve()
    return putShot({ ...record, ...change, version: record.version + 1 })
  }

  /** A change made from the board: seen at once, kept, and sent when it can be. @returns why it cannot be made */
  async function putBagStep(step: BagStepRecord): Promise<StepFault | null> {
    const after = bagAfter(bag.value, step.step)
    if ('fault' in after) return after.fault
    bag.value = after
    await keep({ kind: 'bag', record: step })
    return null
  }

  function takeBag(saved: { bag: Bag; bagVersion: number }): void {
    bag.value = saved.bag
    bagVersion.value = saved.bagVersion
  }

  return {
    playerId,
    player,
    bag,
    bagVersion,
    sessions,
    records,
    words,
    answers,
    academyThresholds,
    published,
    shots,
    shotsByCell,
    failure,
    keptAtMs,
    begin,
    open,
    close,
    putShot,
    takeShots,
    takeSession,
    putSession,
    putWord,
    putAnswer,
    changeShot,
    putBagStep,
    takeBag,
  }
})
