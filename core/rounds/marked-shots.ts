import { cos } from '../stats/exact'
import { CARRY_MAX_M } from '../limits'
import { placesApartM } from '../shot/measuring'
import { yardsToMetres } from '../units'
import type { Approach } from './approach'

/** A place that somebody marked, or a point of a track. Degrees. */
export interface MarkedPlace {
  lat: number
  lon: number
  name: string
  /** When; null where the file does not say. */
  atMs: number | null
  /** How far the place may be off, one standard deviation, metres; null where the file does not say. */
  errorM: number | null
}

/** Places and tracks of a round, as a file holds them. */
export interface MarkedPlaces {
  waypoints: MarkedPlace[]
  /** Each unbroken piece of a track. */
  segments: MarkedPlace[][]
}

/** An approach that was made of marked places, with the error of its distance, one standard deviation, metres. */
export interface MarkedShot {
  approach: Approach & { errorM: number }
  atMs: number | null
}

/** What marked places come to. */
export interface MarkedShots {
  shots: MarkedShot[]
  /** Left away, since no approach is so long or so short. */
  left: number
  /** Nothing can be made of it, and why. */
  fault: 'no times' | 'no stops' | null
}

/** A place without an error of its own: a phone under open sky, one standard deviation, metres (from memory). */
const USUAL_ERROR_M = 4
/** Who stands so long within so far of one place has stopped: to hit, or to look. Our choice. */
const STOP_MS = 25_000
const STOP_M = 8
/** Shots longer than this are no approaches, shorter ones are chips. Our choice. */
const LONGEST_M = yardsToMetres(200)
const SHORTEST_M = yardsToMetres(10)
/** What a place is called at which a hole ends. */
const FLAG = /\b(flag|pin|green|hole|cup)\b/i

/** Places where a track stood still; null where its points have no times. */
export function stopsOf(segment: readonly MarkedPlace[]): MarkedPlace[] | null {
  if (segment.some(({ atMs }) => atMs === null)) return null
  const stops: MarkedPlace[] = []
  for (let from = 0; from < segment.length;) {
    let to = from
    while (to + 1 < segment.length && placesApartM(segment[from]!, segment[to + 1]!) <= STOP_M) to++
    if (segment[to]!.atMs! - segment[from]!.atMs! < STOP_MS) {
      from++
      continue
    }
    const own = segment.slice(from, to + 1)
    const mean = (value: (place: MarkedPlace) => number) =>
      own.reduce((sum, place) => sum + value(place), 0) / own.length
    const errors = own.flatMap(({ errorM }) => (errorM === null ? [] : [errorM]))
    stops.push({
      lat: mean(({ lat }) => lat),
      lon: mean(({ lon }) => lon),
      name: '',
      atMs: segment[from]!.atMs,
      // Fixes of one stop err together: many of them are hardly better than one.
      errorM: errors.length === 0 ? null : Math.min(...errors),
    })
    from = to + 1
  }
  return stops
}

const errorOf = ({ errorM }: MarkedPlace) => errorM ?? USUAL_ERROR_M

/** Where a ball ended seen from where it was hit, past the target and right of it, metres. */
function endOf(start: MarkedPlace, target: MarkedPlace, end: MarkedPlace): { offM: number; sideM: number } {
  const perDegree = placesApartM({ lat: 0, lon: 0 }, { lat: 1, lon: 0 })
  const east = perDegree * cos((target.lat * Math.PI) / 180)
  const to = (a: MarkedPlace, b: MarkedPlace) => [(b.lon - a.lon) * east, (b.lat - a.lat) * perDegree] as const
  const [tx, ty] = to(start, target)
  const [ex, ey] = to(target, end)
  const length = Math.hypot(tx, ty)
  return { offM: (ex * tx + ey * ty) / length, sideM: (ex * ty - ey * tx) / length }
}

/** Places in the order they were made: by time where all have one, else as they stand. */
const inOrder = (places: readonly MarkedPlace[]) =>
  places.every(({ atMs }) => atMs !== null) ? [...places].sort((a, b) => a.atMs! - b.atMs!) : [...places]

/**
 * Approaches of places that were marked on the course, in the order they were made: each place is where a ball was hit
 * from, and one called flag, pin, green or hole is the target of all before it. Without targets each shot goes to the
 * next place, and where it was meant to end nobody knows. Of a file without waypoints, places are where its tracks
 * stood still for 25 s.
 * @example markedShots({ waypoints: [], segments: [] }).fault // => 'no stops'
 */
export function markedShots({ waypoints, segments }: MarkedPlaces): MarkedShots {
  let places = inOrder(waypoints)
  if (places.length === 0) {
    const stops = segments.map(stopsOf)
    if (stops.some(stop => stop === null)) return { shots: [], left: 0, fault: 'no times' }
    places = inOrder(stops.flatMap(stop => stop!))
  }
  if (places.length < 2) return { shots: [], left: 0, fault: 'no stops' }
  const isFlag = ({ name }: MarkedPlace) => FLAG.test(name)
  const hasFlags = places.some(isFlag)
  const shots: MarkedShot[] = []
  let left = 0
  places.slice(0, -1).forEach((start, i) => {
    if (isFlag(start)) return
    const next = places[i + 1]!
    const target = hasFlags ? places.slice(i + 1).find(isFlag) : next
    if (!target) return
    const distanceM = placesApartM(start, target)
    if (distanceM > Math.min(LONGEST_M, CARRY_MAX_M) || distanceM < SHORTEST_M) {
      left++
      return
    }
    const errorM = Math.hypot(errorOf(start), errorOf(target))
    const ended = hasFlags && next !== target ? endOf(start, target, next) : {}
    shots.push({ approach: { chance: true, distanceM, errorM, ...ended }, atMs: start.atMs })
  })
  return { shots, left, fault: null }
}
