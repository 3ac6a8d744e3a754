import { cellKey } from '../../../../core/bag/bag'
import { remarksAt } from '../../../../core/history/coach-remarks'
import { writeBagFile } from '../../../../core/files/bag-file'
import { bagOf } from '../../../data/bags'
import { wordsOf } from '../../../data/cell-remarks'
import { findPlayer } from '../../../data/players'
import { requireCoach } from '../../../request/coach'
import { fileName, sendAsFile } from '../../../request/files'
import { idFromRoute } from '../../../request/refuse'

/** The player's bag as the open bag file. */
export default defineEventHandler(async event => {
  const coach = await requireCoach(event)
  const { player, school } = await findPlayer(coach, idFromRoute(event, 'playerId', 'player'))
  sendAsFile(event, `${fileName(player.name)}-bag.json`, 'application/json; charset=utf-8')
  const [bag, words] = await Promise.all([bagOf(player.id, school), wordsOf(player.id)])
  const known = new Set(
    bag.clubs.flatMap(club => bag.scale.rungs.map(rung => cellKey({ clubId: club.id, rungId: rung.id }))),
  )
  const believed = [...remarksAt(words, Infinity).values()].flatMap(({ believed: word }) =>
    word && known.has(cellKey(word)) ? [{ clubId: word.clubId, rungId: word.rungId, carryM: word.carryM! }] : [],
  )
  return `${JSON.stringify(writeBagFile(bag, player.name, player.level, believed), null, 2)}\n`
})
