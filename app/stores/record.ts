import { cellKey, type Bag } from '#core/bag/bag'
import type { Shot } from '#core/shot/shot'
import type { Player } from '#shared/player'
import { fromColumns, type PlayerRecord } from '#shared/record'
import type { OutboxItem } from './outbox'
import { toShot, type SessionRecord, type ShotRecord } from '#shared/session'

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
  const failure = shallowRef<Error | null>(null)

  const shots = computed<Shot[]>(() => records.value.filter(record => !record.deleted).map(toShot))
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

  /** Puts a record into a list by its id; an older version never takes the place of a newer one. */
  function place<T extends { id: string, version: number }>(list: T[], record: T): T[] {
    const at = list.findIndex(other => other.id === record.id)
    if (at < 0) return [...list, record]
    return list[at]!.version > record.version ? list : list.with(at, record)
  }

  /** Takes the server's answer, then lays unsent entries over it, in the order they were made. */
  function take(reply: PlayerRecord): void {
    let newSessions = reply.sessions
    let newRecords = fromColumns(reply.shots)
    const unsent = outbox.mine.filter(item => item.playerId === reply.player.id).map(item => item.entry)
    for (const entry of [...unsent, ...sinceAsked]) {
      if (entry.kind === 'session') newSessions = place(newSessions, entry.record)
      else newRecords = place(newRecords, entry.record)
    }
    player.value = reply.player
    bag.value = reply.bag
    bagVersion.value = reply.bagVersion
    sessions.value = newSessions
    records.value = newRecords
  }

  let asked = 0
  /** Entered while the answer was under way: it may have been sent and confirmed, yet not be in that answer. */
  let sinceAsked: OutboxItem['entry'][] = []

  /** Opens a player. One that is open already is shown at once and brought up to date behind it. */
  async function open(id: string): Promise<void> {
    if (playerId.value !== id) close()
    const question = ++asked
    playerId.value = id
    // What waits now may be sent and confirmed before the answer is here, and still not be in it.
    sinceAsked = outbox.mine.filter(item => item.playerId === id).map(item => item.entry)
    failure.value = null
    try {
      const [reply] = await Promise.all([api<PlayerRecord>(`/api/players/${id}`), outbox.ready()])
      if (question === asked) take(reply)
    } catch (error) {
      if (question === asked) failure.value = error as Error
    }
  }

  /** Lets go of what was open: the next one at this browser may be another coach. */
  function close(): void {
    asked++
    playerId.value = null
    player.value = null
    bag.value = emptyBag()
    sessions.value = []
    records.value = []
    failure.value = null
  }

  function keep(entry: OutboxItem['entry']): Promise<void> {
    sinceAsked.push(entry)
    return outbox.add(playerId.value!, entry)
  }

  /** Shows a ball at once, keeps it in the browser, and sends it when it can. */
  async function putShot(record: ShotRecord): Promise<void> {
    records.value = place(records.value, record)
    await keep({ kind: 'shot', record })
  }

  async function putSession(record: SessionRecord): Promise<void> {
    sessions.value = place(sessions.value, record)
    await keep({ kind: 'session', record })
  }

  /** Does nothing for a ball that is gone: one the server refused may have been discarded meanwhile. */
  function changeShot(id: string, change: Partial<ShotRecord>): Promise<void> {
    const record = records.value.find(other => other.id === id)
    if (!record) return Promise.resolve()
    return putShot({ ...record, ...change, version: record.version + 1 })
  }

  function takeBag(saved: { bag: Bag, bagVersion: number }): void {
    bag.value = saved.bag
    bagVersion.value = saved.bagVersion
  }

  return { playerId, player, bag, bagVersion, sessions, records, shots, shotsByCell, failure, open, close, putShot, putSession, changeShot, takeBag }
})
