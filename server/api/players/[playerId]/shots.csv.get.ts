import { labelsOf } from '../../../../core/bag/labels'
import { writeShotTable } from '../../../../core/files/shot-table'
import { airAt } from '../../../../core/flight/session-air'
import { fromColumns } from '../../../../shared/record'
import { playerRecord } from '../../../data/records'
import { requireCoach } from '../../../request/coach'
import { fileName, sendAsFile } from '../../../request/files'
import { idFromRoute } from '../../../request/refuse'

/** The player's shots as the open shot table. */
export default defineEventHandler(async event => {
  const coach = await requireCoach(event)
  const { player, bag, sessions, shots } = await playerRecord(coach, idFromRoute(event, 'playerId', 'player'))
  const names = labelsOf(bag)
  const sessionOf = new Map(sessions.map(session => [session.id, session]))
  const airOf = (sessionId: string, atMs: number) => {
    const { air } = sessionOf.get(sessionId)!
    return air[airAt(air, atMs)] ?? null
  }
  sendAsFile(event, `${fileName(player.name)}-shots.csv`, 'text/csv; charset=utf-8')
  return writeShotTable(
    fromColumns(shots).map(shot => ({
      player: player.name,
      session: shot.sessionId,
      hitAtMs: shot.hitAtMs,
      ...names(shot),
      carryM: shot.carryM,
      method: shot.method,
      balls: shot.balls,
      strike: shot.strike,
      ball: sessionOf.get(shot.sessionId)!.ball,
      leftOut: shot.leftOut,
      asked: shot.taken?.askedRungId ? names({ ...shot, rungId: shot.taken.askedRungId }).swing : null,
      readings: shot.readings,
      taken: shot.taken,
      air: airOf(shot.sessionId, shot.hitAtMs),
    })),
  )
})
