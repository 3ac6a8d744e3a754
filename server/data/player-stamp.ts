import { SEEN, seenBy, type Coach } from './coaches'
import { findPlayer } from './players'
import { usePool } from '../db/database'

const STAMP = `
  select concat_ws(' ', p.version, p.bag_version,
    (select concat(count(*), ' ', coalesce(sum(version), 0)) from shots where player_id = p.id),
    (select concat(count(*), ' ', coalesce(sum(version), 0)) from sessions where player_id = p.id),
    (select concat(count(*), ' ', coalesce(sum(version), 0)) from goes where player_id = p.id),
    (select concat(count(*), ' ', coalesce(sum(version), 0)) from rounds where player_id = p.id),
    (select count(*) from cell_words where player_id = p.id),
    (select count(*) from flag_answers where player_id = p.id),
    (select count(*) from published_charts where player_id = p.id),
    (select md5(thresholds) from academies where id = p.academy_id)) as stamp
  from players p where p.id = ? and p.academy_id = ? ${SEEN}`

/** How many balls a player has on record, deleted ones too; 0 for another academy's. */
export async function countShots(coach: Coach, playerId: string): Promise<number> {
  const [rows] = await usePool().execute(
    `select count(*) as n from shots s join players p on p.id = s.player_id
     where p.id = ? and p.academy_id = ? ${SEEN}`,
    [playerId, coach.academyId, ...seenBy(coach)],
  )
  return Number((rows as { n: number }[])[0]!.n)
}

/**
 * Changes whenever a player's record does: a new ball adds one to a count, a change one to a sum of versions; sayings,
 * answers and charts are only ever added.
 * @throws 404 for an id that is not there or another academy's
 */
export async function stampOfPlayer(coach: Coach, playerId: string): Promise<string> {
  const [rows] = await usePool().execute(STAMP, [playerId, coach.academyId, ...seenBy(coach)])
  const [row] = rows as { stamp: string }[]
  if (!row) await findPlayer(coach, playerId)
  return row!.stamp
}
