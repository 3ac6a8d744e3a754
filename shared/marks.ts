import type { Face, Strike } from '../core/shot/shot'
import type { Readings } from '../core/shot/readings'
import type { ShotRecord } from './schemas/session'

/**
 * What can be said of a ball with one tap. A strike weighs it less; a face that was open or closed is told and the ball
 * counts; a swing of another length leaves it out, since it is no ball of this stock shot.
 */
export const MARKS = [
  'mishit',
  'flyer',
  'face open',
  'face closed',
  'thin',
  'heavy',
  'toe',
  'heel',
  'swung long',
  'swung short',
] as const
export type Mark = (typeof MARKS)[number]

/** Or the length that was really swung, where the watcher saw it; or a mark of the coach's own. */
export type BallMark = Mark | { swungRungId: string } | { own: string }

const isSwung = (mark: Mark): mark is 'swung long' | 'swung short' => mark.startsWith('swung')
const isFace = (mark: Mark): mark is `face ${Face}` => mark.startsWith('face')

type Taken = NonNullable<ShotRecord['taken']>
const orNull = (taken: Taken): ShotRecord['taken'] => (Object.keys(taken).length === 0 ? null : taken)

/** What a ball is marked as, beside its strike: those of the face first. */
export function marksOf({ strike, taken }: Pick<ShotRecord, 'strike' | 'taken'>): string[] {
  return [
    ...(strike && strike !== 'clean' ? [strike] : []),
    ...(taken?.face ? [`face ${taken.face}`] : []),
    ...(taken?.marks ?? []),
  ]
}

/** Whether anything was said of a ball besides that it was clean. */
export const isMarked = ({ strike, taken }: Pick<ShotRecord, 'strike' | 'taken'>): boolean =>
  (strike !== null && strike !== 'clean') || taken?.face !== undefined || (taken?.marks?.length ?? 0) > 0

/** A mark of the coach's own on, or off where it stood already. */
function withOwn(taken: Taken, own: string): Taken {
  const { marks = [], ...rest } = taken
  const now = marks.includes(own) ? marks.filter(one => one !== own) : [...marks, own]
  return now.length === 0 ? rest : { ...rest, marks: now }
}

/**
 * What a word does to a ball. One whose real length is known counts for that, and what was asked for is kept beside it.
 * The same face, or the same mark of the coach's own, said twice is taken back.
 * @param ball as it stands
 */
export function markFields(
  mark: BallMark,
  { rungId, leftOut, taken }: Pick<ShotRecord, 'rungId' | 'leftOut' | 'taken'>,
): Partial<ShotRecord> {
  if (typeof mark === 'string') {
    if (isSwung(mark)) return { leftOut: mark }
    if (!isFace(mark)) return { strike: mark satisfies Strike }
    const { face: was, ...rest } = taken ?? {}
    const face = mark === 'face open' ? 'open' : 'closed'
    return { taken: orNull(was === face ? rest : { ...rest, face }) }
  }
  if ('own' in mark) return { taken: orNull(withOwn(taken ?? {}, mark.own)) }
  const { askedRungId: asked = rungId, ...rest } = taken ?? {}
  return {
    rungId: mark.swungRungId,
    taken: orNull(mark.swungRungId === asked ? rest : { ...rest, askedRungId: asked }),
    leftOut: leftOut?.startsWith('swung') ? null : leftOut,
  }
}

/** So many earlier figures are kept. */
const MOST_KEPT = 20

/**
 * A ball's figures mended: what stood there before is kept, so that a slip can be told from a second thought.
 * @param was as it stands
 */
export function mended(
  was: Pick<ShotRecord, 'carryM' | 'readings' | 'taken'>,
  now: { carryM: number; readings: Readings | null },
): Pick<ShotRecord, 'carryM' | 'readings' | 'taken'> {
  const { taken } = was
  const sameReadings = JSON.stringify(was.readings ?? {}) === JSON.stringify(now.readings ?? {})
  if (was.carryM === now.carryM && sameReadings) return { ...now, taken }
  const before = { carryM: was.carryM, ...(!sameReadings && { readings: was.readings }), atMs: Date.now() }
  return { ...now, taken: { ...taken, was: [...(taken?.was ?? []), before].slice(-MOST_KEPT) } }
}
