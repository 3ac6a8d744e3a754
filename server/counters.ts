import { Counter, Histogram, Registry } from 'prom-client'

/** Figures for whoever watches the server: what counts them knows nothing else of it. */
export const register = new Registry()
const registers = [register]

export const requestSeconds = new Histogram({
  name: 'uzzet_request_seconds',
  help: 'How long requests took, by method, route and status.',
  labelNames: ['method', 'route', 'status'] as const,
  buckets: [0.005, 0.02, 0.05, 0.1, 0.25, 0.5, 1, 2.5, 10],
  registers,
})

export const ballsKept = new Counter({
  name: 'uzzet_balls_kept_total',
  help: 'Balls written or changed, by where they came from.',
  labelNames: ['by'] as const,
  registers,
})

export const workSeconds = new Histogram({
  name: 'uzzet_work_seconds',
  help: 'How long charts and what is made of them took in the threads, waiting included.',
  labelNames: ['job', 'ended'] as const,
  buckets: [0.05, 0.1, 0.25, 0.5, 1, 2.5, 5, 10, 30],
  registers,
})
