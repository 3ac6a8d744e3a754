import type { Component } from 'vue'

/**
 * A component that is fetched when it is first shown. The page does not wait for it: what waits is kept out of the
 * document, where labels find no fields.
 */
export function later<T extends Component>(load: () => Promise<{ default: T }>) {
  return defineAsyncComponent({ loader: load, suspensible: false })
}
