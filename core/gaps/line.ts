import type { Level } from '../level'
import { yardsToMetres } from '../units'
import type { FlagOptions } from './flag'

/**
 * Leave that is acceptable at any yardage, by level, metres: about what our model leaves at 90 yd when every number is
 * known, a yard or two more. A coach sets another for a player.
 */
export const LINE_OF_LEVEL: Record<Level, number> = {
  expert: yardsToMetres(6),
  good: yardsToMetres(7),
  unknown: yardsToMetres(8),
  improver: yardsToMetres(9),
  beginner: yardsToMetres(12),
}

/** The line that holds for a player. */
export function lineOf(options: Pick<FlagOptions, 'leaveM'>, level: Level): number {
  return options.leaveM ?? LINE_OF_LEVEL[level]
}
