const start = () => new Worker(new URL('./workers/calibration.worker.ts', import.meta.url), { type: 'module' })

let waiting: Worker | undefined

/** Starts the worker that a player's page will need, so that it is ready when the page's own script is. */
export function startWorkerAhead(): void {
  waiting ??= start()
}

/** @returns the worker that waits, to the first who asks; a fresh one after that */
export function startedWorker(): Worker {
  const worker = waiting ?? start()
  waiting = undefined
  return worker
}
