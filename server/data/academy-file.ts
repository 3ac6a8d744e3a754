import { asc, eq } from 'drizzle-orm'
import { academies, drills, players } from '../db/schema'
import type { AcademyFile } from '../../shared/schemas/player-file'
import { useDatabase } from '../db/database'
import type { Coach } from './coaches'
import { rangesOf } from './ranges'

/** What an academy has beside its players. */
export async function academyFileOf(coach: Coach): Promise<AcademyFile> {
  const db = useDatabase()
  const [[academy], ranges, kept] = await Promise.all([
    db
      .select({ name: academies.name, thresholds: academies.thresholds })
      .from(academies)
      .where(eq(academies.id, coach.academyId)),
    rangesOf(coach),
    db
      .select({ id: drills.id, name: drills.name, spec: drills.spec })
      .from(drills)
      .where(eq(drills.academyId, coach.academyId)),
  ])
  return { format: 'uzzet-academy', version: 1, ...academy!, ranges, drills: kept }
}

/** All players of the academy, archived ones too. */
export async function playerIdsOf({ academyId }: Coach): Promise<string[]> {
  const rows = await useDatabase()
    .select({ id: players.id })
    .from(players)
    .where(eq(players.academyId, academyId))
    .orderBy(asc(players.name), asc(players.id))
  return rows.map(({ id }) => id)
}
