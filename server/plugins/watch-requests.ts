import { randomUUID } from 'node:crypto'
import { log } from '../log'
import { requestSeconds } from '../counters'
import { routeOf } from '../route-of'

/** Every request has an id, which its answer carries, and is counted and timed when it ends. */
export default defineNitroPlugin(nitro => {
  nitro.hooks.hook('request', event => {
    const id = randomUUID()
    event.context.requestId = id
    event.node.res.setHeader('x-request-id', id)
    const started = performance.now()
    event.node.res.once('close', () => {
      const route = routeOf(event)
      if (route === 'page') return
      const seconds = (performance.now() - started) / 1000
      const status = event.node.res.statusCode
      requestSeconds.observe({ method: event.method, route, status: String(status) }, seconds)
      log.info({ request: id, method: event.method, route, status, ms: Math.round(1000 * seconds) }, 'request')
    })
  })
})
