import type { StockShot } from '../core/bag/bag'
import type { Retest } from '../core/calibration/calibration'
import type { ChangeKind } from '../core/model/constants'
import { CHANGES, MARKED, RETEST } from './en/retest'
import { listedUpTo } from './listed-up-to'
import { write } from './message'

const MOST_NAMED = 3

/** What a mark is called, and what it does. */
export const changeTexts: Record<ChangeKind, { name: string; what: string }> = CHANGES

/** Why a retest is due, and by when. @param date as the reader writes days */
export function retestDueText({ why }: Pick<Retest, 'why'>, date: string, isLate: boolean): string {
  if (why !== 'time') return write(RETEST.changed, { kind: why, date })
  return write(isLate ? RETEST.overdue : RETEST.dueBy, { date })
}

/** How many balls a retest takes. */
export const retestBallsText = ({ balls, enough }: Pick<Retest, 'balls' | 'enough'>): string =>
  write(RETEST.balls, {
    balls: balls.reduce((sum, one) => sum + one.balls, 0),
    shots: balls.length,
    enough: enough ? 'yes' : 'no',
  })

/** What else a stock shot of a retest tells of; '' where little. */
export const retestWhyText = (others: readonly StockShot[], nameOf: (cell: StockShot) => string): string =>
  others.length === 0 ? '' : write(RETEST.tells, { others: listedUpTo(others.map(nameOf), MOST_NAMED) })

/** Why a stock shot is proposed in a session that begins with a retest. */
export const retestBallText = (balls: number): string => write(RETEST.ball, { balls })

/** What a session begins with. */
export const retestFirstText = (balls: number): string => write(RETEST.first, { balls })

/** Where nothing was hit yet. */
export const noRetestText = (): string => write(RETEST.none)

/** A mark as it stands. @example markedText('swing', '4 May').slice(0, 20) // => 'Swing change, 4 May:' */
export const markedText = (kind: ChangeKind, date: string): string =>
  write(MARKED.line, { name: CHANGES[kind].name, date })
