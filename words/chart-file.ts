import type { CellNames, ChartFileWords } from '../core/files/chart-file'
import type { DistanceUnit } from '../core/units'
import { flagText } from './flags'
import { nextText } from './next'
import { stockShotName } from './stock-shot'

/** The words of a chart file, in the reader's unit. */
export function chartFileWords(names: CellNames, unit: DistanceUnit): ChartFileWords {
  const nameOf = (cell: Parameters<CellNames>[0]) => {
    const { club, swing } = names(cell)
    return stockShotName(club, swing)
  }
  return {
    finding: finding => {
      const { title, why, remedies } = flagText(finding, { cell: nameOf, club: cell => names(cell).club }, unit)
      return { title, why, remedy: remedies.join(' ') }
    },
    next: next => nextText(next, nameOf),
  }
}
