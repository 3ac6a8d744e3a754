import type { SidePattern } from '../model/side'

/**
 * Sides as they are left when the player has aimed, shares of the carry, right positive. What is left and what could
 * be left go by the same aim: a miss that is known and aimed off leaves nothing, one that is not stands in both.
 */
export interface AimedSides {
  /** Of each cell, beyond what the aim takes out. */
  bias: readonly number[]
  /** Of any shot of this player: what even the best of them keeps. */
  playerBias: number
  sd: number
}

/**
 * The side pattern after the aim.
 * @param straight the player aims at the target, whatever the usual miss; else the aim is moved by it
 * @example aimed({ bias: [-0.04], playerBias: -0.03, sd: 0.05 }, false) // => { bias: [-0.01], playerBias: 0, sd: 0.05 }
 */
export function aimed(
  { bias, playerBias, sd }: Pick<SidePattern, 'bias' | 'playerBias' | 'sd'>,
  straight: boolean,
): AimedSides {
  return straight ? { bias, playerBias, sd } : { bias: bias.map(own => own - playerBias), playerBias: 0, sd }
}
