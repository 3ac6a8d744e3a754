import { Gauge, collectDefaultMetrics } from 'prom-client'
import { waitingWork } from './calibration/pool'
import { register } from './counters'
import { connectionsInUse } from './db/database'
import { waitingSummaries } from './data/summaries'
import { openLines } from './live'

collectDefaultMetrics({ register })

function gauge(name: string, help: string, now: () => number): void {
  new Gauge({
    name,
    help,
    registers: [register],
    collect() {
      this.set(now())
    },
  })
}
gauge('uzzet_live_lines', 'Live lines that are open.', openLines)
gauge('uzzet_summaries_waiting', 'Players whose summary waits to be worked out.', waitingSummaries)
gauge('uzzet_work_waiting', 'Pieces of work that wait for a thread.', waitingWork)
gauge('uzzet_database_connections_in_use', 'Connections to the database that a query holds.', connectionsInUse)

/** All figures in the text format of Prometheus. */
export const metricsText = () => register.metrics()
export const metricsType = register.contentType
