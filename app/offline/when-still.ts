const STILL_MS = 2_500
const MOST_MS = 20_000

/**
 * Comes when nothing that the page asked for has ended for 2.5 s, after 20 s at the latest: a line that stays open, or
 * a network on which something always comes, holds up nothing for ever.
 */
export function whenStill(): Promise<void> {
  return new Promise(done => {
    let quiet = setTimeout(end, STILL_MS)
    const most = setTimeout(end, MOST_MS)
    const watch = new PerformanceObserver(() => {
      clearTimeout(quiet)
      quiet = setTimeout(end, STILL_MS)
    })
    watch.observe({ type: 'resource' })

    function end() {
      clearTimeout(quiet)
      clearTimeout(most)
      watch.disconnect()
      done()
    }
  })
}
