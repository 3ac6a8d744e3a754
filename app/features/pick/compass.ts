/** Where the device points, degrees, north being 0 and east 90. */

/** A reading of the device's orientation, as browsers give it: one of them names the heading itself. */
interface Orientation {
  absolute: boolean
  alpha: number | null
  webkitCompassHeading?: number
}
type AsksFirst = { requestPermission?: () => Promise<'granted' | 'denied'> }

const AROUND = 360
const whole = (deg: number) => ((deg % AROUND) + AROUND) % AROUND

/** Null where the reading tells no heading. @example headingOf({ absolute: true, alpha: 90 }) // => 270 */
export function headingOf({ absolute, alpha, webkitCompassHeading }: Orientation): number | null {
  if (typeof webkitCompassHeading === 'number') return whole(webkitCompassHeading)
  // Alpha turns against the clock.
  return absolute && alpha !== null ? whole(-alpha) : null
}

const HOUR_DEG = 30
/** Where a wind comes from, degrees, told by the clock while looking that way. */
export const windFromDeg = (clock: number, lookingDeg: number): number => whole(lookingDeg + clock * HOUR_DEG)

/** The same wind by the clock for one who looks another way; 12 blows in the face. */
export function clockLooking(fromDeg: number, lookingDeg: number): number {
  const clock = Math.round(whole(fromDeg - lookingDeg) / HOUR_DEG)
  return clock === 0 ? 12 : clock
}

const PATIENCE_MS = 3000

/** @throws Error in words, where the device has no compass or leave is not given */
export async function readCompass(): Promise<number> {
  const asks = globalThis.DeviceOrientationEvent as unknown as AsksFirst | undefined
  if (!asks) throw new Error('This device has no compass: turn the wind by its clock.')
  if (asks.requestPermission && (await asks.requestPermission()) !== 'granted')
    throw new Error('The compass may not be read: turn the wind by its clock.')
  return new Promise((resolve, reject) => {
    const kinds = ['deviceorientationabsolute', 'deviceorientation'] as const
    const end = () => {
      clearTimeout(late)
      for (const kind of kinds) window.removeEventListener(kind, take)
    }
    const take = (event: Event) => {
      const heading = headingOf(event as unknown as Orientation)
      if (heading === null) return
      end()
      resolve(heading)
    }
    const late = setTimeout(() => {
      end()
      reject(new Error('The compass says nothing: turn the wind by its clock.'))
    }, PATIENCE_MS)
    for (const kind of kinds) window.addEventListener(kind, take)
  })
}
