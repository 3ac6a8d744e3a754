import type { CellNames, ChartFileWords } from '../core/files/chart-file'
import type { DistanceUnit } from '../core/units'
import { flagWords, stockShotName } from './flag-words'
import { nextWords } from './next-words'

/** The words of a chart file, in the reader's unit. */
export function chartWords(names: CellNames, unit: DistanceUnit): ChartFileWords {
  const nameOf = (cell: Parameters<CellNames>[0]) => {
    const { club, swing } = names(cell)
    return stockShotName(club, swing)
  }
  return {
    finding: (finding) => {
      const { title, why, remedies } = flagWords(finding, { cell: nameOf, club: cell => names(cell).club }, unit)
      return { title, why, remedy: remedies.join(' ') }
    },
    next: next => nextWords(next, nameOf),
  }
}
