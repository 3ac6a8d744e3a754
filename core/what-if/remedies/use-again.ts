import { cellKey } from '../../bag/bag'
import { bestOf, type Remedy, type RemedyRule, type Work } from './work'

/** A stock shot that was struck out is used again. */
function propose(work: Work): Remedy[] {
  const { base } = work
  const there = base.struckOut.filter(
    ({ clubId, rungId }) => base.clubs.some(club => club.id === clubId) && base.rungs.includes(rungId),
  )
  return bestOf(
    work,
    'use-again',
    there.map(cell => ({
      whatIf: { ...base, struckOut: base.struckOut.filter(other => cellKey(other) !== cellKey(cell)) },
      more: { cells: [cell] },
    })),
  )
}

export default { kind: 'use-again', propose } satisfies RemedyRule
