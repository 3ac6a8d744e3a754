import { meanLeaveM, type Remedy, type RemedyRule, type Work } from './work'

/**
 * Gripping down is in the cover already: where it is the best shot of the stretch, it is what to do until more is
 * done.
 */
function propose({ today, targets }: Work): Remedy[] {
  const at = targets.map(t => today.cover.at[t]!)
  const shots = at.map(one => today.cover.shots[one.best]!).filter(shot => shot.grippedDown)
  const shot = shots.sort((a, b) => a.carryM - b.carryM)[shots.length >> 1]
  if (!shot) return []
  const worst = at
    .filter(one => today.cover.shots[one.best] === shot)
    .reduce((w, one) => (one.leaveM > w.leaveM ? one : w))
  const meanM = meanLeaveM(today.cover.at, targets)
  const within = today.sum?.within ?? 0
  const open = today.open.length
  return [
    {
      kind: 'grip-down',
      cells: [{ clubId: shot.clubId, rungId: shot.rungId }],
      data: { carryM: shot.carryM, leaveM: worst.leaveM },
      beforeM: meanM,
      afterM: meanM,
      withinBefore: within,
      withinAfter: within,
      openBefore: open,
      openAfter: open,
      settlesFlag: false,
      whatIf: null,
    },
  ]
}

export default { kind: 'grip-down', changesNoBag: true, propose } satisfies RemedyRule
