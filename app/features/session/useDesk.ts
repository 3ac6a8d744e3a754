import type { Called } from '#core/shot/shot'
import type { TypedBall } from '#core/shot/typed-ball'
import { markFields, type BallMark } from '#shared/marks'
import type { ShotRecord } from '#shared/schemas/session'
import { markNames } from '#words/marks'
import { useClinic } from '~/player/useClinic'
import { useDistance } from '~/ui/useDistance'
import { useCellNames } from '~/calculation/useNumbers'
import type { OpenQuestion } from '~/features/session/useBallChanges'
import type { Done, RangeSession } from '~/features/session/useRangeSession'
import { useSpeedCalls } from '~/player/useSpeedCalls'
import { useVoice } from '~/features/session/useVoice'
import { usePlayerRecord } from '~/offline/stores/record'

/** What was done is said, and offered to be taken back. */
function useSaid(range: RangeSession) {
  const toast = useToast()
  const { typed, unit } = useDistance()
  /** The last thing that was done, for who does not see it. */
  const said = ref('')
  const read = (carryM: number) => `${typed(carryM)} ${unit.value}`

  async function undo(which?: Done) {
    const what = await range.undo(which)
    if (what) said.value = `Taken back: ${what}`
    toast.add(
      what
        ? { title: `Taken back: ${what}`, icon: 'i-lucide-undo-2', duration: 3000 }
        : { title: 'Nothing to take back', duration: 3000 },
    )
  }
  function offer(title: string, done: Done, duration?: number) {
    toast.add({
      title,
      ...(duration && { duration }),
      actions: [{ label: 'Undo', color: 'neutral', variant: 'outline', onClick: () => void undo(done) }],
    })
  }
  return { said, read, undo, offer }
}

/** What is answered to a question about a ball. */
function useAnswers(range: RangeSession, said: Ref<string>, offer: (title: string, done: Done) => void) {
  const record = usePlayerRecord()
  const { cellName } = useCellNames()
  const { typed, unit } = useDistance()
  const read = (carryM: number) => `${typed(carryM)} ${unit.value}`

  /** It was another ball than it was taken for. */
  async function mend({ shot }: OpenQuestion, how: () => Promise<Done>) {
    const done = await how()
    const now = record.records.find(other => other.id === shot)!
    said.value = `${read(now.carryM)}, ${cellName(now)}`
    offer(said.value, done)
  }
  async function settle(asked: OpenQuestion, counts: boolean) {
    const { shot } = asked
    const done = await range.settle(asked, counts)
    said.value = counts ? 'It counts' : 'Left out'
    const ball = record.records.find(other => other.id === shot)!
    offer(`${read(ball.carryM)} ${counts ? 'counts' : 'is left out'}`, done)
  }
  return { mend, settle }
}

/** What is done at the desk of a session: each thing is said, and can be taken back at once. */
export function useDesk(range: RangeSession) {
  const record = usePlayerRecord()
  const toast = useToast()
  const clinic = useClinic()
  const { cellName, swingLabel } = useCellNames()
  const { typed } = useDistance()
  const { missText } = useSpeedCalls()
  const { say } = useVoice()
  const { balls, newestFirst, cell, session } = range
  const opened = shallowRef<{ shot: ShotRecord; leaveOutFirst: boolean }>()
  const { said, read, undo, offer } = useSaid(range)

  async function log(ball: TypedBall, more: Partial<ShotRecord> = {}): Promise<ShotRecord> {
    const n = balls.value.length + 1
    const apart = session.value!.plan.warmUp ? ', warm-up' : ''
    said.value = `Ball ${n}, ${read(ball.carryM)}, logged with ${cellName(cell.value!)}${apart}`
    const shot = await range.log(ball, more)
    const miss = missText(shot)
    if (miss) {
      said.value = `${read(shot.carryM)}: ${miss}`
      say(`${typed(shot.carryM)}. ${miss}`)
    }
    clinic.hitBy(record.playerId!)
    return shot
  }
  /** A ball with a word about it typed at once. */
  function logMarked(ball: TypedBall, what?: BallMark, called?: Called | null): Promise<ShotRecord> {
    const none = { rungId: cell.value!.rungId, leftOut: null, taken: null }
    const fields = what ? markFields(what, none) : {}
    return log(ball, called ? { ...fields, taken: { ...fields.taken, called } } : fields)
  }

  function wordOf(what: BallMark, ball: ShotRecord): string {
    if (typeof what === 'string') return markNames[what]!
    return 'own' in what ? what.own : `Swung ${swingLabel({ ...ball, rungId: what.swungRungId })}`
  }
  /** A word about the ball before. */
  async function mark(what: BallMark) {
    const newest = newestFirst.value[0]
    if (!newest) return
    const word = wordOf(what, newest)
    const done = await range.change([newest.id], markFields(what, newest), `the mark "${word.toLowerCase()}"`)
    said.value = `${read(newest.carryM)}: ${word}`
    offer(`${read(newest.carryM)}: ${word.toLowerCase()}`, done, 4000)
  }

  /** The ball before belongs to the stock shot that was on before this one. */
  async function toShotBefore() {
    const newest = newestFirst.value[0]
    const before =
      newest && newestFirst.value.find(ball => ball.rungId !== newest.rungId || ball.clubId !== newest.clubId)
    if (!newest || !before) {
      toast.add({ title: 'There is no shot before in this session', duration: 3000 })
      return
    }
    const { clubId, rungId } = before
    const done = await range.change([newest.id], { clubId, rungId }, 'the move to the shot before')
    said.value = `${read(newest.carryM)} moved to ${cellName(before)}`
    offer(said.value, done)
  }

  function leaveOutLast() {
    const newest = newestFirst.value.find(shot => shot.leftOut === null)
    if (newest) opened.value = { shot: newest, leaveOutFirst: true }
  }
  async function change(fields: Partial<ShotRecord>, words: string) {
    await range.change([opened.value!.shot.id], fields, words)
    said.value = `Done: ${words}`
  }

  return {
    opened,
    said,
    undo,
    log,
    logMarked,
    mark,
    toShotBefore,
    leaveOutLast,
    change,
    ...useAnswers(range, said, offer),
  }
}
