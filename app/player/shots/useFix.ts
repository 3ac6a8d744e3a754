/** Where this device is, and the radius that holds it 19 times in 20, metres. */
export interface Fix {
  lat: number
  lon: number
  accuracyM: number
}

const LONGEST_MS = 12_000
/** As good as an open sky gives: no need to wait on. */
const GOOD_M = 4

const WHY: Record<number, string> = {
  1: 'This device may not tell where it is: allow it for this page in the browser.',
  2: 'This device cannot tell where it is: under an open sky it may.',
  3: 'No fix came in time: try again under an open sky.',
}

/** The best fix of a few seconds. @throws Error with a sentence for the coach */
export function takeFix(): Promise<Fix> {
  return new Promise((done, fail) => {
    if (!('geolocation' in navigator)) {
      fail(new Error(WHY[2]))
      return
    }
    let best: Fix | undefined
    const finish = (error?: Error) => {
      navigator.geolocation.clearWatch(watch)
      clearTimeout(timer)
      if (best) done(best)
      else fail(error ?? new Error(WHY[3]))
    }
    const timer = setTimeout(() => finish(), LONGEST_MS)
    const watch = navigator.geolocation.watchPosition(
      ({ coords }) => {
        if (!best || coords.accuracy < best.accuracyM)
          best = { lat: coords.latitude, lon: coords.longitude, accuracyM: coords.accuracy }
        if (best.accuracyM <= GOOD_M) finish()
      },
      ({ code }) => finish(new Error(WHY[code] ?? WHY[2])),
      { enableHighAccuracy: true, maximumAge: 0, timeout: LONGEST_MS },
    )
  })
}
