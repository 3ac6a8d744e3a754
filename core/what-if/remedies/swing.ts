import { bestOf, type Remedy, type RemedyRule, type Work } from './work'

/** A swing length that the player does not have yet. */
function propose(work: Work): Remedy[] {
  const { base, layout } = work
  return bestOf(
    work,
    'swing',
    layout.newRungs.map(rung => ({
      whatIf: {
        ...base,
        rungs: [...base.rungs, rung.id],
        newRungs: [{ id: rung.id, label: rung.label, fraction: rung.fraction! }],
      },
      more: { rungId: rung.id },
    })),
  )
}

export default { kind: 'swing', propose } satisfies RemedyRule
