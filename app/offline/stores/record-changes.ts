import { bagAfter, type StepFault } from '#core/bag/bag-step'
import type { Bag } from '#core/bag/bag'
import type { BagStepRecord } from '#shared/schemas/bag'
import type { CellRemarkRecord } from '#shared/schemas/cell-remark'
import type { FlagAnswerRecord } from '#shared/schemas/flag-answer'
import type { SessionRecord, ShotRecord } from '#shared/schemas/session'
import { added, place } from '~/offline/laid-over'
import type { Entry } from '~/offline/outbox/entries'
import type { RecordParts } from '~/offline/stores/record-state'

/**
 * What is done to a player's record here: seen at once.
 * @param keep kept in the browser, and sent when it can be
 * @param known the server has it already
 */
export function recordChanges(
  { bag, bagVersion, sessions, records, words, answers }: RecordParts,
  keep: (entry: Entry) => Promise<void>,
  known: (entries: readonly Entry[]) => void,
) {
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
    known(shots.map(record => ({ kind: 'shot', record })))
    records.value = shots.reduce(place, records.value)
  }

  function takeSession(session: SessionRecord): void {
    known([{ kind: 'session', record: session }])
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

  return { putShot, takeShots, takeSession, putSession, putWord, putAnswer, changeShot, putBagStep, takeBag }
}
