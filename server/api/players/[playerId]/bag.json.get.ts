import { writeBagFile } from '../../../../core/files/bag-file'
import { bagOf } from '../../../data/bags'
import { findPlayer } from '../../../data/players'

/** The player's bag as the open bag file. */
export default defineEventHandler(async (event) => {
  const coach = await requireCoach(event)
  const { player, school } = await findPlayer(coach, idFromRoute(event, 'playerId', 'player'))
  sendAsFile(event, `${fileName(player.name)}-bag.json`, 'application/json; charset=utf-8')
  return `${JSON.stringify(writeBagFile(await bagOf(player.id, school), player.name, player.level), null, 2)}\n`
})
