import type { ShotRecord } from '#shared/schemas/session'

/**
 * What became of a list of balls: those to be put (new or changed) and the ids of those gone. A record is replaced,
 * never changed, and keeps its place, so that only places with another record are looked at: one more ball of thousands
 * costs next to nothing. Where places have shifted, balls that are there already are put again, which does no harm.
 */
export function changesSince(
  before: readonly ShotRecord[],
  now: readonly ShotRecord[],
): { put: ShotRecord[]; gone: string[] } {
  const put: ShotRecord[] = []
  const gone = new Set<string>()
  for (let i = 0; i < before.length; i++) {
    if (before[i] !== now[i] && !before[i]!.deleted) gone.add(before[i]!.id)
  }
  for (let i = 0; i < now.length; i++) {
    if (before[i] !== now[i] && !now[i]!.deleted) {
      put.push(now[i]!)
      gone.delete(now[i]!.id)
    }
  }
  return { put, gone: [...gone] }
}
