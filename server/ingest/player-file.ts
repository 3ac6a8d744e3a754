import { createHash } from 'node:crypto'
import type { H3Event } from 'h3'
import { PlayerFileHead, ShotLot, type PlayerFile } from '../../shared/schemas/player-file'
import { SHOTS_PER_REQUEST } from '../../shared/limits'
import type { ShotRecord } from '../../shared/schemas/session'
import { checked, fromJson, refuse } from './refuse'

const UUID = /[0-9a-f]{8}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{12}/g

/** What stays of an id: time and turn, by which balls of one moment keep their order. (RFC 9562, 5.7) */
const KEPT = 26

/** The id that something has within an academy: the same for the same thing, and another in each academy. */
function idWithin(academyOrOther: string, id: string): string {
  const own = createHash('sha256').update(`${academyOrOther} ${id}`).digest('hex')
  return id.slice(0, KEPT) + own.slice(0, id.length - KEPT)
}

/**
 * The same file with ids of its own here: nothing in it can speak of somebody else's record, and the same file brought
 * in again is known.
 * @param within what the ids are made within: the academy
 */
export function withOwnIds(json: string, within: string): string {
  const made = new Map<string, string>()
  return json.replace(UUID, id => {
    const known = made.get(id) ?? idWithin(within, id)
    made.set(id, known)
    return known
  })
}

/** A breath between two lots, so that others' balls are answered meanwhile. */
const breath = () => new Promise(resolve => setImmediate(resolve))

/**
 * A player's record as it was sent, checked to the last ball.
 * @param namespaceOf where its ids are to be made, by the player's id within the academy
 * @throws 422 naming what cannot be taken
 */
export async function readPlayerFile(
  event: H3Event,
  academyId: string,
  namespaceOf: (playerId: string) => Promise<string>,
): Promise<PlayerFile> {
  const json = (await readRawBody(event, 'utf8')) ?? ''
  const sent = (fromJson(json) as { player?: { id?: unknown } } | null)?.player?.id
  if (typeof sent !== 'string') {
    const message = 'This file holds no player.'
    throw refuse(422, message, [{ field: 'player', message }])
  }
  const namespace = await namespaceOf(idWithin(academyId, sent))
  const { shots, ...head } = checked(PlayerFileHead, fromJson(withOwnIds(json, namespace)), 'file')
  const taken: ShotRecord[] = []
  for (let from = 0; from < shots.length; from += SHOTS_PER_REQUEST) {
    await breath()
    const lot = shots.slice(from, from + SHOTS_PER_REQUEST).map((shot, i) => [from + i, shot])
    taken.push(...Object.values(checked(ShotLot, { shots: Object.fromEntries(lot) as object }, 'shots').shots))
  }
  return { ...head, shots: taken }
}
