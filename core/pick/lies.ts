/**
 * How a ball lies. Each widens where it ends by so much beside a fair lie; common practice, the figures our choice.
 */
export const LIES = {
  'fairway': { wider: 1 },
  'light rough': { wider: 1.15 },
  'heavy rough': { wider: 1.4 },
  'uphill': { wider: 1.1 },
  'downhill': { wider: 1.2 },
  'sand': { wider: 1.4 },
  'wet': { wider: 1.1 },
} as const
export type Lie = keyof typeof LIES
export const LIE_NAMES = Object.keys(LIES) as Lie[]
