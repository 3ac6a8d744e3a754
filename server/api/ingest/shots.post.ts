import { WARM_UP } from '../../../shared/session'
import { isGridClub, type Bag } from '../../../core/bag/bag'
import { labelsOf } from '../../../core/bag/labels'
import { rungFractions } from '../../../core/swing/scale'
import type { TakenShots } from '../../../shared/device'
import { ballsKept } from '../../counters'
import { bagOfPlayer } from '../../data/bags'
import { keepDeviceBalls, waitBefore } from '../../data/device-balls'
import { aimsOf, type Aim } from '../../data/devices'
import { noteChange } from '../../data/history'
import { listeningSessions } from '../../data/sessions'
import { addSentShots, sentBefore } from '../../data/shots'
import { clockOffBy, requireDevice } from '../../auth/device'
import { tell } from '../../live'
import { readJson, refuse } from '../../ingest/refuse'
import { aimAt, aimBefore, deviceBall, hitAt, readSent, recordOf } from '../../ingest/sent-shots'

type Aimed = Aim & { playerId: string; sessionId: string; clubId: string; rungId: string }
const isAimed = (aim: Aim | undefined): aim is Aimed => !!aim?.sessionId && !!aim.clubId && !aim.blind

/** The open door for devices: balls by token, into the session that listens, with what was chosen on its screen. */
export default defineEventHandler(async (event): Promise<TakenShots> => {
  const device = await requireDevice(event)
  const nowMs = Date.now()
  const offMs = clockOffBy(event, nowMs)
  const sent = readSent(await readJson(event))
  const ids = sent.map(({ shot }) => shot.id)
  const [aims, before, waited] = await Promise.all([aimsOf(device), sentBefore(ids), waitBefore(ids)])
  const isNew = (id: string, i: number) => !before.has(id) && !waited.has(id) && ids.indexOf(id) === i
  const fresh = sent.filter(({ shot }, i) => isNew(shot.id, i))
  const placed = fresh
    .map(read => ({ read, hitAtMs: hitAt(read.figures, offMs, nowMs) }))
    .map(ball => ({
      ...ball,
      aim: ball.read.figures.hitAtMs === null ? aimBefore(aims, ball.hitAtMs) : aimAt(aims, ball.hitAtMs),
    }))
  const newest = aims[0]
  const stray = placed.filter(({ aim }) => aim?.blind)
  const seen = placed.filter(({ aim }) => !aim?.blind)
  const playerIds = new Set([...seen.map(ball => ball.aim), newest].filter(isAimed).map(aim => aim.playerId))
  const bags = new Map(await Promise.all([...playerIds].map(async id => [id, await bagOfPlayer(device, id)] as const)))
  const listening = await listeningSessions(
    device,
    [...seen.map(ball => ball.aim), newest].filter(isAimed).map(aim => aim.sessionId),
  )
  const open = (aim: Aim | undefined, hitAtMs: number): aim is Aimed =>
    isAimed(aim) && listening.has(aim.sessionId) && hitAtMs <= (listening.get(aim.sessionId)!.endedAtMs ?? Infinity)

  const lots = new Map<string, { aim: Aimed; records: ReturnType<typeof recordOf>[] }>()
  for (const { read, hitAtMs, aim } of seen) {
    if (!open(aim, hitAtMs))
      throw refuse(
        409,
        'No session was listening to this device when this ball was hit: open one and choose the device.',
        [{ field: read.fieldOf('time'), message: 'No session was listening then.' }],
      )
    const lot = lots.get(aim.sessionId) ?? { aim, records: [] }
    const { target, warmUp } = listening.get(aim.sessionId)!
    const record = recordOf(read, aim, bags.get(aim.playerId)!, hitAtMs, target)
    lot.records.push(warmUp ? { ...record, leftOut: WARM_UP } : record)
    lots.set(aim.sessionId, lot)
  }
  if (stray.length > 0)
    await keepDeviceBalls(
      device,
      stray.map(({ read, hitAtMs }) => ({ id: read.shot.id, hitAtMs, ball: deviceBall(read) })),
    )
  for (const { aim, records } of lots.values()) {
    await addSentShots(aim.playerId, records)
    ballsKept.inc({ by: 'device' }, records.length)
    noteChange(null, aim.playerId, 'by-device', records.length)
    tell(aim.sessionId, { deviceId: device.id, shots: records })
  }
  if (lots.size === 0 && isAimed(newest)) tell(newest.sessionId, { deviceId: device.id, shots: [] })

  setResponseStatus(event, 202)
  return { taken: ids, asked: open(newest, nowMs) ? askedOf(newest, bags.get(newest.playerId)!) : null }
})

/** The chosen stock shot, for devices that show it. */
function askedOf(aim: Aimed, bag: Bag): TakenShots['asked'] {
  const club = bag.clubs.find(other => other.id === aim.clubId)
  const at = bag.scale.rungs.findIndex(rung => rung.id === aim.rungId)
  if (!club || at < 0) return null
  return {
    ...labelsOf(bag)(aim),
    loft_deg: club.loftDeg,
    share: isGridClub(club) ? rungFractions(bag.scale)[at]!.fraction : 1,
  }
}
