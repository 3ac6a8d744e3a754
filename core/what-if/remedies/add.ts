import { MADE_LOFTS, type WhatIf } from '../thought-of'
import { bestOf, promising, type Remedy, type RemedyRule, type Work } from './work'

/** A club that is not owned. */
function propose(work: Work): Remedy[] {
  const { base } = work
  const fresh = MADE_LOFTS.map((loftDeg): WhatIf['clubs'][number] => ({
    id: 'new 0',
    from: null,
    label: `${loftDeg}°`,
    loftDeg,
  }))
  return bestOf(
    work,
    'add',
    promising(work, fresh).map(club => ({
      whatIf: { ...base, clubs: [...base.clubs, club].sort((a, b) => b.loftDeg - a.loftDeg) },
      more: { toDeg: club.loftDeg },
    })),
  )
}

export default { kind: 'add', propose } satisfies RemedyRule
