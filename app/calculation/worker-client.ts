import { wrap, type Remote } from 'comlink'

/** One of our workers, asked like an object whose answers come later. */
export interface WorkerClient<Api> {
  /**
   * Asks the worker, which is started when it is first asked.
   * @throws Error what the worker failed at, or a sentence when it cannot be started or takes longer than its patience
   */
  ask: <T>(work: (api: Remote<Api>) => Promise<T>, patienceMs?: number) => Promise<T>
  /** Ends it with all that is under way; asked again, a fresh one is started. */
  end: () => void
}

/**
 * The one way to a worker.
 * @param start makes the worker; written where it is used, so that the bundler finds its file
 * @param part what it is to the coach: "The part that reads files"
 */
export function workerClient<Api>(start: () => Worker, part: string): WorkerClient<Api> {
  let open: { worker: Worker; api: Remote<Api>; broken: Promise<never> } | undefined

  function opened() {
    if (open) return open
    const worker = start()
    const broken = new Promise<never>((_, fail) => {
      worker.addEventListener('error', event => {
        // The page may know more than "Script error.", or nothing at all.
        fail(new Error(event.message || `${part} could not be started.`))
        end()
      })
    })
    broken.catch(() => {})
    return (open = { worker, api: wrap<Api>(worker), broken })
  }

  function end(): void {
    open?.worker.terminate()
    open = undefined
  }

  async function ask<T>(work: (api: Remote<Api>) => Promise<T>, patienceMs = Infinity): Promise<T> {
    const { api, broken } = opened()
    let clock: ReturnType<typeof setTimeout> | undefined
    const late = new Promise<never>((_, fail) => {
      if (patienceMs < Infinity) clock = setTimeout(() => fail(new Error(`${part} takes too long.`)), patienceMs)
    })
    try {
      return await Promise.race([work(api), broken, late])
    } finally {
      clearTimeout(clock)
    }
  }

  return { ask, end }
}
