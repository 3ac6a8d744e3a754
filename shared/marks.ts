import type { Strike } from '../core/shot/shot'
import type { ShotRecord } from './session'

/**
 * What can be said of a ball with one tap. A strike weighs it less; a swing of another length leaves it out, since it
 * is no ball of this stock shot.
 */
export const MARKS = ['mishit', 'swung long', 'swung short', 'thin', 'heavy', 'toe', 'heel'] as const
export type Mark = (typeof MARKS)[number]

/** Or the length that was really swung, where the watcher saw it. */
export type BallMark = Mark | { swungRungId: string }

const isSwung = (mark: Mark): mark is 'swung long' | 'swung short' => mark.startsWith('swung')

/**
 * What a word does to a ball. One whose real length is known counts for that, and what was asked for is kept beside it.
 * @param ball as it stands
 */
export function markFields(
  mark: BallMark,
  { rungId, leftOut, taken }: Pick<ShotRecord, 'rungId' | 'leftOut' | 'taken'>,
): Partial<ShotRecord> {
  if (typeof mark === 'string') return isSwung(mark) ? { leftOut: mark } : { strike: mark satisfies Strike }
  const { askedRungId: asked = rungId, ...rest } = taken ?? {}
  const kept = mark.swungRungId === asked ? rest : { ...rest, askedRungId: asked }
  return {
    rungId: mark.swungRungId,
    taken: Object.keys(kept).length === 0 ? null : kept,
    leftOut: leftOut?.startsWith('swung') ? null : leftOut,
  }
}

/** The carry of a ball mended: what stood there before is kept, so that a slip can be told from a second thought. */
export function mendedCarry(
  { carryM: was, taken }: Pick<ShotRecord, 'carryM' | 'taken'>,
  carryM: number,
): Pick<ShotRecord, 'carryM' | 'taken'> {
  return was === carryM
    ? { carryM, taken }
    : { carryM, taken: { ...taken, was: [...(taken?.was ?? []), { carryM: was, atMs: Date.now() }].slice(-20) } }
}
