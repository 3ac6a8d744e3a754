import { cellKey, type Bag } from '#core/bag/bag'
import type { PublishedNumbers } from '#core/history/published-numbers'
import type { Shot } from '#core/shot/shot'
import type { Player } from '#shared/player'
import type { PlayerRecord } from '#shared/record'
import type { CellRemarkRecord } from '#shared/schemas/cell-remark'
import type { FlagAnswerRecord } from '#shared/schemas/flag-answer'
import type { AcademyThresholds } from '#shared/schemas/player'
import type { SessionRecord, ShotRecord } from '#shared/schemas/session'
import { toShot } from '#shared/session'
import { laidOver } from '~/offline/laid-over'
import type { Entry } from '~/offline/outbox/entries'

const emptyBag = (): Bag => ({ clubs: [], scale: { school: 'clock', rungs: [] }, struckOut: [] })

/** Shots as the core reads them, and by what they were hit with. */
function shotsOf(records: Ref<ShotRecord[]>) {
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
  return { shots, shotsByCell }
}

/** What is on record of one player. */
export function recordState() {
  const player = shallowRef<Player | null>(null)
  const bag = shallowRef<Bag>(emptyBag())
  const bagVersion = ref(1)
  const sessions = shallowRef<SessionRecord[]>([])
  const records = shallowRef<ShotRecord[]>([])
  const words = shallowRef<CellRemarkRecord[]>([])
  const answers = shallowRef<FlagAnswerRecord[]>([])
  const academyThresholds = shallowRef<AcademyThresholds>({})
  const published = shallowRef<PublishedNumbers | null>(null)

  /** Takes the server's answer and lays what it does not have over it, in the order it was made. */
  function take(reply: PlayerRecord, over: readonly Entry[]): void {
    const now = laidOver(reply, over)
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

  function empty(): void {
    player.value = null
    bag.value = emptyBag()
    sessions.value = []
    records.value = []
    words.value = []
    answers.value = []
    published.value = null
  }

  const parts = { player, bag, bagVersion, sessions, records, words, answers, academyThresholds, published }
  return { parts, ...shotsOf(records), take, empty }
}

export type RecordParts = ReturnType<typeof recordState>['parts']
