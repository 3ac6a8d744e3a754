import type { Player, PlayerLine } from '#shared/player'
import { Refused, api } from '~/offline/api'
import { allPlayers, keepPlayers, keptPlayers } from '~/offline/all-players'

/** Says that a player is another coach's now, and gives them back where that is asked for. */
function handOver(put: (player: Player) => void) {
  const toast = useToast()
  return (player: Player, wasCoachId: string | null): void => {
    const takeBack = async (coachId: string) => {
      try {
        const back = await api('/api/players/:playerId', {
          params: { playerId: player.id },
          method: 'PATCH',
          body: { version: player.version, coachId },
        })
        put(back)
      } catch (error) {
        const gone = error instanceof Refused && error.status === 404
        toast.add({
          title: `${player.name} stays with the other coach`,
          description: gone
            ? 'You do not see them any more: an owner hands them back.'
            : `They could not be taken back. ${(error as Error).message}`,
          color: 'error',
        })
      }
    }
    toast.add({
      title: `${player.name} is handed over`,
      actions: wasCoachId
        ? [{ label: 'Undo', color: 'neutral', variant: 'outline', onClick: () => void takeBack(wasCoachId) }]
        : [],
    })
  }
}

/** The list of the academy's players, and what is done to it. */
export function usePlayers() {
  const players = shallowRef<PlayerLine[] | null>(null)
  const failure = shallowRef<Error | null>(null)
  const toast = useToast()
  /** Summaries are worked out behind the list when there are many: the list is asked for again, a few times at most. */
  const ASK_AGAIN_MS = 1500
  const MOST_ASKS = 8
  let timer: ReturnType<typeof setTimeout> | undefined
  tryOnScopeDispose(() => clearTimeout(timer))

  /** A long list comes in pages: who was known from before stands until the last of them is here. */
  function takePages(came: readonly PlayerLine[]): void {
    const ids = new Set(came.map(({ id }) => id))
    players.value = [...came, ...(players.value ?? []).filter(({ id }) => !ids.has(id))]
  }

  async function load(asks = 1): Promise<void> {
    clearTimeout(timer)
    failure.value = null
    // The list as it was here last stands until the server has said what it is now.
    if (players.value === null && asks === 1)
      void keptPlayers().then(known => {
        if (players.value === null && failure.value === null && known) players.value = known
      })
    try {
      players.value = await allPlayers(takePages)
      const missing = players.value.some(line => !line.archived && line.clubs > 0 && line.balls > 0 && !line.summary)
      if (missing && asks < MOST_ASKS) timer = setTimeout(() => void load(asks + 1), ASK_AGAIN_MS)
    } catch (error) {
      // A list that is there stays: only its summaries are older.
      if (asks === 1) failure.value = error as Error
    }
  }

  function put(player: Player): void {
    const list = players.value ?? []
    const at = list.findIndex(other => other.id === player.id)
    const line = { clubs: 0, school: null, balls: 0, lastHitMs: null, summary: null, ...list[at], ...player }
    players.value = (at < 0 ? [...list, line] : list.with(at, line)).sort((a, b) => a.name.localeCompare(b.name))
    void keepPlayers(players.value)
  }

  function forget({ id }: Pick<Player, 'id'>): void {
    players.value = players.value?.filter(other => other.id !== id) ?? null
    if (players.value) void keepPlayers(players.value)
  }

  async function setArchived(player: Player, archived: boolean): Promise<void> {
    try {
      const changed = await api('/api/players/:playerId', {
        params: { playerId: player.id },
        method: 'PATCH',
        body: { version: player.version, archived },
      })
      put(changed)
      toast.add({
        title: archived ? `${changed.name} is archived` : `${changed.name} is back`,
        description: archived ? 'All shots and charts are kept.' : undefined,
        actions: [
          { label: 'Undo', color: 'neutral', variant: 'outline', onClick: () => void setArchived(changed, !archived) },
        ],
      })
    } catch (error) {
      toast.add({
        title: `${player.name} could not be ${archived ? 'archived' : 'brought back'}`,
        description: (error as Error).message,
        color: 'error',
      })
      if (error instanceof Refused && error.status === 409) await load()
    }
  }

  return { players, failure, load, put, forget, setArchived, tellHandedOver: handOver(put) }
}
