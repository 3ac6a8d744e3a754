import { SERVER_TIME_HEADER } from '../../shared/clock'

/** Every answer says the server's time: pages set a wrong clock right by it, and know by it that the answer is ours. */
export default defineEventHandler(event => {
  if (event.path.startsWith('/api/')) setHeader(event, SERVER_TIME_HEADER, Date.now())
})
