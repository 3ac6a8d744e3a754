/** How good a player is said to be; `unknown` until somebody says. */
export const LEVELS = ['unknown', 'beginner', 'improver', 'good', 'expert'] as const
export type Level = (typeof LEVELS)[number]
