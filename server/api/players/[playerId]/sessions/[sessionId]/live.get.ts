import { sessionIsOwn } from '../../../../../data/sessions'
import { requireCoach } from '../../../../../auth/coach'
import { keepLine, listen } from '../../../../../live'
import { idFromRoute } from '../../../../../ingest/refuse'

const PING_MS = 15_000
/** Ended now and then, so that a browser that is signed out by now does not listen on. */
const LONGEST_MS = 15 * 60_000

/** What devices send to this session, as it comes (server-sent events). The browser comes back by itself. */
export default defineEventHandler(async event => {
  const coach = await requireCoach(event)
  const sessionId = idFromRoute(event, 'sessionId', 'session')
  await sessionIsOwn(coach, idFromRoute(event, 'playerId', 'player'), sessionId)
  const stream = createEventStream(event)
  const stopListening = listen(
    sessionId,
    message => void stream.push({ event: 'balls', data: JSON.stringify(message) }),
  )
  const ping = setInterval(() => {
    // Signed out elsewhere, or with another password by now: the line goes too.
    requireCoach(event).then(
      () => stream.push({ event: 'ping', data: '' }),
      () => stream.close(),
    )
  }, PING_MS)
  const end = setTimeout(() => void stream.close(), LONGEST_MS)
  const ended = keepLine(() => void stream.close())
  stream.onClosed(() => {
    stopListening()
    ended()
    clearInterval(ping)
    clearTimeout(end)
  })
  void stream.push({ event: 'ping', data: '' })
  return stream.send()
})
