import { isDeadlock } from './database-errors'

const MOST_TRIES = 4
const PAUSE_MS = 15

/**
 * Does it again when two writers got into each other's way: the database has undone it, and the next try mostly goes
 * through.
 */
export async function retried<T>(work: () => Promise<T>): Promise<T> {
  for (let tries = 1; ; tries++) {
    try {
      return await work()
    } catch (error) {
      if (!isDeadlock(error) || tries >= MOST_TRIES) throw error
      await new Promise(resolve => setTimeout(resolve, PAUSE_MS * tries * (1 + Math.random())))
    }
  }
}
