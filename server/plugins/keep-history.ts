import type { H3Event } from 'h3'
import type { ChangeOfRecord } from '../../core/history/record-change'
import { noteChange } from '../data/history'
import { routeOf } from '../route-of'

const OF_PLAYER = '/api/players/:playerId'
/** What a request that went well has changed, by its method and pattern. */
const KINDS: Record<string, ChangeOfRecord> = {
  [`PATCH ${OF_PLAYER}`]: 'player',
  [`PUT ${OF_PLAYER}/bag`]: 'bag',
  [`POST ${OF_PLAYER}/bag-steps`]: 'bag',
  [`POST ${OF_PLAYER}/shots`]: 'balls',
  [`PUT ${OF_PLAYER}/sessions/:sessionId`]: 'session',
  [`POST ${OF_PLAYER}/sessions/:sessionId/move`]: 'session-moved',
  [`POST ${OF_PLAYER}/import`]: 'file',
  [`PUT ${OF_PLAYER}/goes/:goId`]: 'practice',
  [`PUT ${OF_PLAYER}/homework/:homeworkId`]: 'homework',
  [`PUT ${OF_PLAYER}/rounds/:roundId`]: 'round',
  [`POST ${OF_PLAYER}/answers`]: 'answer',
  [`POST ${OF_PLAYER}/words`]: 'remark',
  [`POST ${OF_PLAYER}/what-ifs`]: 'what-if',
  [`PUT ${OF_PLAYER}/what-ifs/:whatIfId/page`]: 'what-if',
  [`DELETE ${OF_PLAYER}/what-ifs/:whatIfId`]: 'what-if',
  [`POST ${OF_PLAYER}/published`]: 'published',
  [`POST ${OF_PLAYER}/links`]: 'link',
  [`DELETE ${OF_PLAYER}/links/:linkId`]: 'link-ended',
  [`POST ${OF_PLAYER}/own-balls`]: 'told-taken',
}

/** What a route says itself, where its address does not: whose record, and who it was. */
interface Change {
  playerId: string
  kind: ChangeOfRecord
  coachId: string | null
}
declare module 'h3' {
  interface H3EventContext {
    /** The signed-in coach, once the cookie was read. */
    coachId?: string
    change?: Change
    /** How many were changed, where it is not one. */
    changed?: number
  }
}

function changeOf(event: H3Event): Change | undefined {
  const { change, coachId, params } = event.context
  if (change) return change
  const kind = KINDS[`${event.method} ${routeOf(event)}`]
  return kind && coachId && params?.playerId ? { playerId: params.playerId, kind, coachId } : undefined
}

/** Who changed what is written down behind the answer: nobody waits for it. */
export default defineNitroPlugin(nitro => {
  nitro.hooks.hook('request', event => {
    if (event.method === 'GET' || !event.path.startsWith('/api/')) return
    event.node.res.once('close', () => {
      const change = event.node.res.statusCode < 300 ? changeOf(event) : undefined
      if (change) noteChange(change.coachId, change.playerId, change.kind, event.context.changed)
    })
  })
})
