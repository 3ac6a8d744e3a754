import { MOVED_EVIDENCE, MOVED_LEAST_BALLS, SAY } from '../../model/constants'
import { yardsToMetres } from '../../units'
import { plainCell, type Finding, type FlagMeta, type FlagRule, type GapFacts } from '../flag'

export const meta = {
  id: 'moved',
  kind: 'weak',
  weight: 4,
  about: 'record',
  speaksOf: 'shots',
  settledWithin: yardsToMetres(3),
} as const satisfies FlagMeta

export const defaults = {}

/** Stock carries that are no longer what was published, by the test of *What moved*. Mutates nothing. */
export function find({ moved }: GapFacts): Finding[] {
  return moved
    .filter(one => one.evidence !== null && one.evidence >= MOVED_EVIDENCE && one.balls >= MOVED_LEAST_BALLS)
    .map(one => ({
      flag: meta.id,
      sureness: one.evidence! >= SAY.moved ? 'sure' : 'likely',
      // Evidence of 20 to 1 is at most one in twenty by chance, whatever was believed before.
      probability: 1 - 1 / one.evidence!,
      cells: [plainCell(one)],
      data: { wasM: one.fromM!, isM: one.toM!, ballsSince: one.balls },
      fromM: Math.min(one.fromM!, one.toM!),
      toM: Math.max(one.fromM!, one.toM!),
      figure: one.toM! - one.fromM!,
    }))
}

export default { meta, defaults, find } satisfies FlagRule
