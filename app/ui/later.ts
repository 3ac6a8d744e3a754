import type { Component } from 'vue'
import { nextTask } from '~/ui/next-task'

/** A part that did not come, for want of a network, is asked for again after so long, and when there is one again. */
const AGAIN_MS = 3000
const MOST_TRIES = 100

/** Resolves when the browser is on line again, or after a while. */
function onLineOrLater(): Promise<void> {
  return new Promise(resolve => {
    const done = () => {
      clearTimeout(timer)
      removeEventListener('online', done)
      resolve()
    }
    const timer = setTimeout(done, AGAIN_MS)
    addEventListener('online', done)
  })
}

/**
 * A component that is fetched when it is first shown. The page does not wait for it: what waits is kept out of the
 * document, where labels find no fields. One that could not be fetched comes when there is a network again.
 */
export function later<T extends Component>(load: () => Promise<{ default: T }>) {
  return defineAsyncComponent({
    // Several that come with one file are drawn each in a task of its own.
    loader: async () => {
      const part = await load()
      await nextTask()
      return part
    },
    suspensible: false,
    onError: (_error, retry, fail, tries) => {
      if (tries > MOST_TRIES) fail()
      else void onLineOrLater().then(retry)
    },
  })
}
