import { placeOnRange } from '#core/session/targets-on-line'

/** A range as it is drawn: the bay at the foot, its middle straight up, one scale both ways. */
export interface RangePlanFrame {
  width: number
  height: number
  /** Where the bay is. */
  bayX: number
  bayY: number
  /** Units of the drawing a metre. */
  scale: number
  farM: number
}

const WIDTH = 420
const MOST_HEIGHT = 470
const SIDE_ROOM = 30
const FOOT = 34
const HEAD = 22
/** A range of nothing but near signs is still drawn as a range. */
const LEAST_FAR_M = 60

interface Place {
  alongM: number
  sideM: number
}

/** @returns where a target stands, metres along the middle of the range and right of it */
export function placeOf({ distanceM, rightDeg }: { distanceM: number; rightDeg: number }): Place {
  return placeOnRange({ carryM: distanceM, sideM: 0 }, rightDeg)
}

/** The frame that holds all of these. */
export function rangePlanFrame(places: readonly Place[]): RangePlanFrame {
  const farM = 1.08 * Math.max(LEAST_FAR_M, ...places.map(({ alongM }) => alongM))
  const wideM = 1.1 * Math.max(farM / 4, ...places.map(({ sideM }) => Math.abs(sideM)))
  const scale = Math.min((WIDTH / 2 - SIDE_ROOM) / wideM, (MOST_HEIGHT - FOOT - HEAD) / farM)
  const height = farM * scale + FOOT + HEAD
  return { width: WIDTH, height, bayX: WIDTH / 2, bayY: height - FOOT, scale, farM }
}

/** From a point of the drawing back to a distance and a direction, from the bay. */
export function distanceAndDirection(frame: RangePlanFrame, x: number, y: number) {
  const alongM = (frame.bayY - y) / frame.scale
  const sideM = (x - frame.bayX) / frame.scale
  return { distanceM: Math.hypot(alongM, sideM), rightDeg: (Math.atan2(sideM, alongM) * 180) / Math.PI }
}
