import { academyZip } from '../../files/academy-zip'
import { academyFileOf, playerIdsOf } from '../../data/academy-file'
import { wholeRecord } from '../../data/whole-record'
import { playerZip } from '../../files/player-zip'
import { requireCoach } from '../../auth/coach'
import { fileName, sendAsFile } from '../../files/send-written'

/** Everything that is kept of an academy, player by player as it is read: none waits in memory for the others. */
export default defineEventHandler(async event => {
  const coach = await requireCoach(event)
  const [academy, ids] = await Promise.all([academyFileOf(coach), playerIdsOf(coach)])
  async function* archives() {
    for (const id of ids) {
      const whole = await wholeRecord(coach, id)
      const bytes = await playerZip(whole)
      yield { name: `${fileName(whole.record.player.name)}-${id.slice(-8)}`, bytes }
    }
  }
  sendAsFile(event, `${fileName(academy.name)}-all.zip`, 'application/zip')
  return academyZip(academy, archives())
})
