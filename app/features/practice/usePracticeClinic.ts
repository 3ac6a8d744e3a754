import type { DrillSpec } from '#core/practice/drill-spec'
import { scoreOf } from '#core/practice/score'
import { ballsOfGo } from '#shared/practice'
import type { GoRecord } from '#shared/schemas/practice'
import { CLINIC_MOST } from '~/player/useClinic'
import { useAccount } from '~/offline/stores/account'
import { useOutbox } from '~/offline/stores/outbox'
import { newGo } from '~/player/new-go'
import { pageMemo } from '~/ui/page-memo'

/** One of the players on the tee, with a go at the drill that all of them do. */
export interface ClinicGo {
  /** Whose tee it is: another coach at this browser sees nothing of it. */
  coachId: string
  playerId: string
  name: string
  go: GoRecord
}

/** The same for every bag: targets, speeds and curves, no stock shot; null for what is about clubs alone. */
export function specForAll(spec: DrillSpec): DrillSpec | null {
  const tasks = spec.tasks.map(({ clubId: _, rungId: __, ...task }) => task)
  // How one player's balls turn by nature says nothing of the others'.
  const { natural: _natural, hand: _hand, ...rest } = spec
  return tasks.every(task => Object.keys(task).length > 0) ? { ...rest, tasks } : null
}

/** The same drill for up to eight on one tee, turn by turn. Kept on this device, and sent as each player's own go. */
export const usePracticeClinic = createSharedComposable(() => {
  const outbox = useOutbox()
  const serializer = {
    read: (text: string) => JSON.parse(text) as ClinicGo[],
    write: (value: ClinicGo[]) => JSON.stringify(value),
  }
  const account = useAccount()
  const coachId = computed(() => account.account?.id ?? '')
  const kept = useLocalStorage<ClinicGo[]>('uzzet-clinic-goes', [], { serializer, shallow: true })
  const members = computed(() => kept.value.filter(member => member.coachId === coachId.value))
  const keep = (own: readonly ClinicGo[]) => {
    kept.value = [...kept.value.filter(member => member.coachId !== coachId.value), ...own]
  }
  const turn = useLocalStorage('uzzet-clinic-goes-turn', '')
  const rows = computed(() =>
    members.value.map(member => ({ ...member, score: scoreOf(member.go.spec, ballsOfGo(member.go), pageMemo) })),
  )
  const isOver = ({ playerId }: { playerId: string }) => {
    const row = rows.value.find(one => one.playerId === playerId)
    return !row || row.go.endedAtMs !== null || row.score.next === null
  }
  const current = computed(
    () => rows.value.find(one => one.playerId === turn.value && !isOver(one)) ?? rows.value.find(one => !isOver(one)),
  )

  async function send({ playerId, go }: ClinicGo): Promise<void> {
    await outbox.add(playerId, { kind: 'go', record: go })
  }
  async function begin(players: readonly { playerId: string; name: string }[], spec: DrillSpec): Promise<void> {
    keep(players.slice(0, CLINIC_MOST).map(player => ({ ...player, coachId: coachId.value, go: newGo(spec) })))
    turn.value = members.value[0]?.playerId ?? ''
    for (const member of members.value) await send(member)
  }
  /** The next one whose go is not over is up. */
  function passOn(playerId: string): void {
    const at = members.value.findIndex(member => member.playerId === playerId)
    const after = [...members.value.slice(at + 1), ...members.value.slice(0, at + 1)]
    turn.value = after.find(member => !isOver(member))?.playerId ?? playerId
  }
  async function put(playerId: string, go: GoRecord): Promise<void> {
    const before = members.value.find(member => member.playerId === playerId)
    if (!before) return
    const hit = ballsOfGo(go).length > ballsOfGo(before.go).length
    const member = { ...before, go }
    keep(members.value.map(one => (one.playerId === playerId ? member : one)))
    if (hit) passOn(playerId)
    await send(member)
  }
  const end = () => keep([])
  return { rows, current, turn, begin, put, end }
})
