/** The hand a player plays with. */
export const HANDS = ['right', 'left'] as const
export type Hand = (typeof HANDS)[number]

/** Which way a ball curved. */
export const CURVE_WAYS = ['left', 'straight', 'right'] as const
export type CurveWay = (typeof CURVE_WAYS)[number]

/**
 * What golfers call a curve: a draw turns towards the side the player stands on, a fade away from it.
 * @example shapeName('left', 'right') // => 'draw'
 * @example shapeName('left', 'left') // => 'fade'
 */
export function shapeName(way: CurveWay, hand: Hand): 'draw' | 'fade' | 'straight' {
  if (way === 'straight') return 'straight'
  return (way === 'left') === (hand === 'right') ? 'draw' : 'fade'
}

/** Which way, of the five classes. @example curveWay(-2) // => 'left' */
export const curveWay = (curve: number): CurveWay => (curve < 0 ? 'left' : curve > 0 ? 'right' : 'straight')

/** How many ordinary balls curved which way. */
export type NaturalShape = Record<CurveWay, number>
