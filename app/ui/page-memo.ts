import { newMemo } from '#core/memo'

/** What the pages worked out before: one for all, or each part of a page would build the same tables anew. */
export const pageMemo = newMemo()
