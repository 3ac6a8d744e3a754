import { desc, eq } from 'drizzle-orm'
import type { PublishedChart } from '../../core/history/published'
import type { PublishedNumbers } from '../../core/history/published-numbers'
import { fromUnit } from '../../core/units'
import { publishedCharts } from '../db/schema'
import { useDatabase } from '../db/database'

/** The one that holds: the newest. For a player that the caller has found to be the asker's. */
export async function newestPublished(playerId: string): Promise<PublishedChart | null> {
  const [row] = await useDatabase()
    .select({ body: publishedCharts.body })
    .from(publishedCharts)
    .where(eq(publishedCharts.playerId, playerId))
    .orderBy(desc(publishedCharts.number))
    .limit(1)
  return row?.body ?? null
}

/** Its numbers, as rules hold later balls against them. */
export function numbersOf({ publishedAtMs, unit, cells }: PublishedChart): PublishedNumbers {
  return {
    publishedAtMs,
    cells: cells.map(({ clubId, rungId, carry, modelM, lnVariance }) => ({
      clubId,
      rungId,
      carryM: carry && fromUnit(carry[unit], unit),
      modelM,
      lnVariance,
    })),
  }
}
