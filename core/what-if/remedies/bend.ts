import { bends } from '../thought-of'
import { bestOf, promising, type Remedy, type RemedyRule, type Work } from './work'

/** Another loft of a club that is there. */
function propose(work: Work): Remedy[] {
  const { base } = work
  const bent = base.clubs.flatMap(club => bends(club.loftDeg).map(loftDeg => ({ ...club, loftDeg })))
  return bestOf(
    work,
    'bend',
    promising(work, bent).map(club => ({
      whatIf: { ...base, clubs: base.clubs.map(other => (other.id === club.id ? club : other)) },
      more: {
        cells: base.rungs.slice(-1).map(rungId => ({ clubId: club.id, rungId })),
        fromDeg: base.clubs.find(other => other.id === club.id)!.loftDeg,
        toDeg: club.loftDeg,
      },
    })),
  )
}

export default { kind: 'bend', propose } satisfies RemedyRule
