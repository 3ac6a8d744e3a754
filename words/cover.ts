import type { CoverSum } from '../core/gaps/stretches'
import { distanceWithUnit, type DistanceUnit } from '../core/units'
import { COVER } from './en/cover'
import { listed, write } from './message'

/**
 * Of the yards that are not covered: those where nothing can be done about the bag; '' where there is none.
 * @example scatterText({ targets: 21, within: 3, scatterAlone: 18 })
 * // => 'On the others even a stock shot of just that number would leave more: that is scatter, not a gap.'
 */
export function scatterText({ targets, within, scatterAlone }: Omit<CoverSum, 'worst' | 'meanM'>): string {
  const others = targets - within
  if (scatterAlone === 0) return ''
  const where = `${scatterAlone < others ? 'some' : 'all'}${within === 0 ? '' : 'Others'}`
  return write(COVER.scatter, { where, n: scatterAlone, others })
}

/**
 * What a shot leaves, where it is held against the line: never the line's own figure for more than that.
 * @example leaveText(6.46, 6.4, 'yd') // => 'just over 7 yd'
 */
export function leaveText(leaveM: number, lineM: number, unit: DistanceUnit): string {
  const [leave, line] = [distanceWithUnit(leaveM, unit), distanceWithUnit(lineM, unit)]
  return leaveM > lineM && leave === line ? write(COVER.justOver, { line }) : leave
}

/** What is left to do where no flag is raised. */
export interface NoFlag {
  /** Null without a target. */
  sum: Pick<CoverSum, 'targets' | 'within'> | null
  /** Questions that too few balls tell, and stretches that are not proven. */
  open: number
  lineM: number
}

/** True where nothing is left: no flag, no yard beyond the line, nothing open. */
export const isQuiet = ({ sum, open }: NoFlag): boolean => open === 0 && (!sum || sum.within === sum.targets)

/**
 * What stands in the place of flags where none is raised: it never looks like a chart without a fault where yards are
 * not covered or something is open.
 * @example noFlagText({ sum: { targets: 21, within: 7 }, open: 2, lineM: 6.4 }, 'yd')
 * // => 'No flag is raised, but 14 of 21 yards leave more than 7 yd and 2 things are still open.'
 */
export function noFlagText(left: NoFlag, unit: DistanceUnit): string {
  const { sum, open, lineM } = left
  if (isQuiet(left)) return write(COVER.quiet)
  const beyond = sum ? sum.targets - sum.within : 0
  const line = distanceWithUnit(lineM, unit)
  return write(COVER.butLeft, {
    left: listed([
      ...(beyond > 0 ? [write(COVER.beyond, { n: beyond, targets: sum!.targets, unit, line })] : []),
      ...(open > 0 ? [write(COVER.open, { n: open })] : []),
    ]),
  })
}
