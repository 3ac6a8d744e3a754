/** Whether everything that a database holds can be used: its keys lead somewhere, and every chart can be worked out. */
import type { RowDataPacket } from 'mysql2/promise'
import { jobs } from '../server/calibration/jobs'
import { coachById } from '../server/data/coaches'
import { goesOf } from '../server/data/practice'
import { playerRecord } from '../server/data/records'
import { roundsOfPlayer } from '../server/data/rounds'
import { closeDatabase, usePool } from '../server/db/database'
import { orphansOf } from './lib/backup.mjs'
import { run, say, stop } from './lib/say.mjs'
import { setting } from './lib/settings.mjs'

interface PlayerRow extends RowDataPacket {
  id: string
  name: string
  coachId: string | null
}

await run(async () => {
  const url = setting('DATABASE_URL')
  if (!url) stop('DATABASE_URL is not set.')
  const faults: string[] = []
  const { keys, orphans } = await orphansOf(url)
  for (const { name, table, rows } of orphans) faults.push(`${table}: ${rows} rows lead nowhere by ${name}`)
  // One coach of each academy may see all of its players.
  const [players] = await usePool().query<PlayerRow[]>(`
    select p.id, p.name, c.id as coachId from players p
    left join coaches c on c.id = (select min(id) from coaches where academy_id = p.academy_id)`)
  let balls = 0
  for (const { id, name, coachId } of players) {
    const coach = coachId === null ? undefined : await coachById(coachId)
    if (!coach) {
      faults.push(`${name} (${id}): the academy has no coach`)
      continue
    }
    try {
      const record = await playerRecord(coach, id)
      const whole = { ...record, goes: await goesOf(id), rounds: await roundsOfPlayer(id) }
      jobs.summary(whole, Date.now())
      balls += whole.shots.id.length
    } catch (error) {
      faults.push(`${name} (${id}): ${(error as Error).message}`)
    }
  }
  await closeDatabase()
  if (faults.length > 0) stop(`Not well:\n${faults.join('\n')}`)
  say(`${players.length} players, ${balls} balls: all ${keys} foreign keys hold, every chart can be worked out.`)
})
