interface Waiting {
  start: () => void
  refuse: (error: Error) => void
}

/** Too much waits already: to be asked again in a moment. */
export class TooBusy extends Error {}

/**
 * Work by turns: at most so many pieces at once, and of those that wait each asker's oldest in turn, so that one who
 * asks for fifty things gets no more of the machine than one who asks for one.
 */
export class Turns {
  #running = 0
  /** In the order in which their turns come; a Map keeps it. */
  readonly #queues = new Map<string, Waiting[]>()
  #waiting = 0

  /** @param atOnce pieces at once @param mostOfOne that may wait of one asker @param mostOfAll that may wait in all */
  constructor(
    readonly atOnce: number,
    readonly mostOfOne: number,
    readonly mostOfAll: number,
  ) {}

  get waiting(): number {
    return this.#waiting
  }

  /**
   * Does a piece of work when its turn has come.
   * @throws TooBusy at once when too much waits; the signal's reason when it was called off while it waited
   */
  async take<T>(asker: string, work: () => Promise<T>, signal?: AbortSignal): Promise<T> {
    signal?.throwIfAborted()
    if (this.#running >= this.atOnce) await this.#wait(asker, signal)
    else this.#running += 1
    try {
      return await work()
    } finally {
      this.#next()
    }
  }

  #wait(asker: string, signal?: AbortSignal): Promise<void> {
    const queue = this.#queues.get(asker) ?? []
    if (this.#waiting >= this.mostOfAll || queue.length >= this.mostOfOne)
      throw new TooBusy(`${this.#waiting} pieces of work wait already`)
    return new Promise((resolve, reject) => {
      const waiting: Waiting = { start: resolve, refuse: reject }
      queue.push(waiting)
      this.#queues.set(asker, queue)
      this.#waiting += 1
      signal?.addEventListener('abort', () => this.#leave(asker, waiting, signal.reason as Error), { once: true })
    })
  }

  #leave(asker: string, waiting: Waiting, reason: Error): void {
    const queue = this.#queues.get(asker)
    const at = queue?.indexOf(waiting) ?? -1
    if (!queue || at < 0) return
    queue.splice(at, 1)
    if (queue.length === 0) this.#queues.delete(asker)
    this.#waiting -= 1
    waiting.refuse(reason)
  }

  /** Hands the place that has become free to the next asker, who then goes to the end of the row. */
  #next(): void {
    const [first] = this.#queues
    if (!first) {
      this.#running -= 1
      return
    }
    const [asker, queue] = first
    const waiting = queue.shift()!
    this.#queues.delete(asker)
    if (queue.length > 0) this.#queues.set(asker, queue)
    this.#waiting -= 1
    waiting.start()
  }
}
