import { clubsInUse, isGridClub } from '../../bag/bag'
import { bestOf, type Remedy, type RemedyRule, type Work } from './work'

/** One of the clubs that do one job stays at home; never the last one. */
function propose(work: Work): Remedy[] {
  const { base, finding, layout } = work
  if (clubsInUse(layout.player.bag).filter(isGridClub).length < 2) return []
  const ids = [...new Set(finding.cells.map(cell => cell.clubId))]
  return bestOf(
    work,
    'take-out',
    ids.map(id => ({
      whatIf: { ...base, clubs: base.clubs.filter(club => club.id !== id) },
      more: {
        cells: finding.cells.filter(cell => cell.clubId === id).slice(0, 1),
        fromDeg: base.clubs.find(club => club.id === id)!.loftDeg,
      },
    })),
  )
}

export default { kind: 'take-out', propose } satisfies RemedyRule
