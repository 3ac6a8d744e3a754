import { useAccount } from '~/offline/stores/account'
import { api } from '~/offline/api'

/** Up to so many on one tee. */
export const CLINIC_MOST = 8

export interface ClinicMember {
  playerId: string
  name: string
  sessionId: string
  /** What to hit next, as it was last proposed on this tablet. */
  next?: string
}

type KeptMember = ClinicMember & { coachId: string }

/** Several players on one tee, each with an open session of their own; whose ball is next goes round. */
export const useClinic = createSharedComposable(() => {
  const account = useAccount()
  const coachId = computed(() => account.account?.id ?? '')
  /** Of every coach of this browser: another one sees nothing of it. */
  const kept = useLocalStorage<KeptMember[]>('uzzet-clinic', [])
  const members = computed<readonly ClinicMember[]>({
    get: () => kept.value.filter(member => member.coachId === coachId.value),
    set: own => {
      const others = kept.value.filter(member => member.coachId !== coachId.value)
      kept.value = [...others, ...own.map(member => ({ ...member, coachId: coachId.value }))]
    },
  })
  const turn = useLocalStorage('uzzet-clinic-turn', '')
  const path = (member: ClinicMember) => `/players/${member.playerId}/session/${member.sessionId}`

  function join(member: ClinicMember): void {
    const others = members.value.filter(other => other.playerId !== member.playerId)
    if (others.length >= CLINIC_MOST) throw new Error(`At most ${CLINIC_MOST} players fit on one tee.`)
    const at = members.value.findIndex(other => other.playerId === member.playerId)
    members.value = at < 0 ? [...others, member] : members.value.with(at, member)
  }

  function leave(playerId: string): void {
    members.value = members.value.filter(other => other.playerId !== playerId)
  }

  /** What a player hits next, for the board that all on the tee can read. */
  function tellNext(playerId: string, next: string): void {
    const at = members.value.findIndex(member => member.playerId === playerId)
    if (at >= 0 && members.value[at]!.next !== next)
      members.value = members.value.with(at, { ...members.value[at]!, next })
  }

  /** A ball of this player was hit: the next on the tee is up. */
  function hitBy(playerId: string): void {
    const at = members.value.findIndex(other => other.playerId === playerId)
    if (at >= 0) turn.value = members.value[(at + 1) % members.value.length]!.playerId
  }

  /** A player's running session, or null. @throws Refused or Unreachable */
  async function runningSession(playerId: string): Promise<string | null> {
    const { sessions } = await api('/api/players/:playerId', { params: { playerId } })
    return sessions.findLast(session => session.endedAtMs === null && !session.plan.gone)?.id ?? null
  }

  return { members, turn, path, join, leave, hitBy, tellNext, runningSession }
})
