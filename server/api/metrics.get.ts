import { timingSafeEqual } from 'node:crypto'
import { NotFound } from '../data/faults'
import { metricsText, metricsType } from '../metrics'
import { setting } from '../settings'

/** Alike, found out in the same time whatever differs. */
function isSame(a: string, b: string): boolean {
  const [left, right] = [Buffer.from(a), Buffer.from(b)]
  return left.length === right.length && timingSafeEqual(left, right)
}

/** Figures for a collector that knows `UZZET_METRICS_TOKEN`; where none is set there is no such page. */
export default defineEventHandler(async event => {
  const token = setting('UZZET_METRICS_TOKEN')
  if (!token || !isSame(getHeader(event, 'authorization') ?? '', `Bearer ${token}`)) throw new NotFound('address')
  setHeader(event, 'content-type', metricsType)
  return metricsText()
})
