import { distanceText, doubtText, type DistanceUnit } from '../core/units'
import { MARKED } from './en/marked'
import { write } from './message'

/** How often each mark stands, the most frequent first. @param clubMarks of all marked balls with the same club */
export function markedText(
  counts: ReadonlyMap<string, number>,
  balls: number,
  clubMarks: number,
  clubBalls: number,
): string {
  const marks = [...counts]
    .sort((a, b) => b[1] - a[1])
    .map(([mark, n]) => write(MARKED.mark, { n: String(n), mark }))
    .join(', ')
  return write(MARKED.counts, { marks, n: balls, clubMarks: String(clubMarks), clubN: String(clubBalls) })
}

/** The number as it is without balls whose face was seen open or closed. */
export function withoutFacesText(n: number, carryM: number, halfM: number, unit: DistanceUnit): string {
  return write(MARKED.without, {
    n,
    carry: distanceText(carryM, unit),
    plusMinus: doubtText(halfM, unit),
    unit,
  })
}
