import { bestOf, type Remedy, type RemedyRule, type Work } from './work'

/** One of the stock shots that do one job is not used any more. */
function propose(work: Work): Remedy[] {
  const { base, finding } = work
  return bestOf(
    work,
    'strike-out',
    finding.cells.map(cell => ({
      whatIf: { ...base, struckOut: [...base.struckOut, cell] },
      more: { cells: [cell] },
    })),
  )
}

export default { kind: 'strike-out', propose } satisfies RemedyRule
