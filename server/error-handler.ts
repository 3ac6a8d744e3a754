import { send, setResponseHeader, setResponseStatus, type H3Error, type H3Event } from 'h3'
import { SERVER_TIME_HEADER } from '../shared/clock'
import { Fault, NotAllowed, NotFound, Stale, Taken } from './data/faults'
import { describeError, isDatabaseAway } from './db/database-errors'
import { log } from './log'
import { routeOf } from './route-of'

const RETRY_S = 3
const AWAY = 'The database does not answer just now. Nothing you entered is lost; it is tried again by itself.'

interface Answer {
  statusCode: number
  message: string
  data: unknown
}

function statusOf(fault: Fault): number {
  if (fault instanceof NotFound) return 404
  if (fault instanceof NotAllowed) return 403
  return fault instanceof Stale || fault instanceof Taken ? 409 : 422
}

/** A fault of the data, as a request is answered that asked for it. */
function answerToFault(fault: Fault): Answer {
  const { message, errors, current } = fault
  return { statusCode: statusOf(fault), message, data: { message, errors, ...(fault instanceof Stale && { current }) } }
}

function answerTo(error: H3Error): Answer {
  if (isDatabaseAway(error)) return { statusCode: 503, message: AWAY, data: { message: AWAY, errors: [] } }
  if (error.cause instanceof Fault) return answerToFault(error.cause)
  if (error.unhandled || error.fatal) return { statusCode: 500, message: 'The server failed at this.', data: undefined }
  return { statusCode: error.statusCode, message: error.message, data: error.data }
}

/** Every error of a route, in our own form. What is thrown for no reason of ours is logged, without anybody's data. */
export default async function apiError(error: H3Error, event: H3Event): Promise<void> {
  if (!event.path.startsWith('/api/') || event.handled) return
  const { statusCode, message, data } = answerTo(error)
  if (statusCode >= 500 && !event.node.res.destroyed)
    log.error(
      { request: event.context.requestId as string, method: event.method, route: routeOf(event) },
      describeError(error),
    )
  setResponseStatus(event, statusCode, statusCode === 422 ? 'Not accepted' : error.statusMessage)
  setResponseHeader(event, 'content-type', 'application/json')
  setResponseHeader(event, 'cache-control', 'no-store')
  setResponseHeader(event, SERVER_TIME_HEADER, Date.now())
  if (statusCode === 503) setResponseHeader(event, 'retry-after', RETRY_S)
  await send(event, JSON.stringify({ error: true, statusCode, message, data }))
}
