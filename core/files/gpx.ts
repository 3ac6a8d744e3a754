import { DOMParser, ParseError, type Element } from '@xmldom/xmldom'
import type { MarkedPlace, MarkedPlaces } from '../rounds/marked-shots'
import type { Fail, RowError, RowFault } from './row-fault'

/** Files and points beyond this are no round of golf. */
export const GPX_POINTS_MAX = 20_000
/** Standard deviation of a place for a horizontal dilution of precision of 1, metres: a phone's usual (from memory). */
const HDOP_M = 4

const textOf = (parent: Element, name: string): string =>
  parent.getElementsByTagName(name)[0]?.textContent?.trim() ?? ''

/**
 * Waypoints and tracks of a GPX file (GPX 1.0 and 1.1, topografix.com/GPX/1/1). What cannot be read is named by its
 * line; a file that is no GPX has one error and nothing else.
 * @example readGpx('<gpx><wpt lat="51" lon="0"><name>flag</name></wpt></gpx>').file.waypoints[0]?.name // => 'flag'
 */
export function readGpx(text: string): { file: MarkedPlaces; errors: RowError[] } {
  const errors: RowError[] = []
  const file: MarkedPlaces = { waypoints: [], segments: [] }
  const fail = (row: number, column: string, value: string, fault: RowFault) =>
    errors.push({ row, column, value: value.slice(0, 60), fault })
  // A document type may name what lies elsewhere: nothing of it is wanted.
  if (/<!DOCTYPE|<!ENTITY/i.test(text)) {
    fail(1, 'GPX', 'DOCTYPE', { kind: 'document-type' })
    return { file, errors }
  }
  const { root, fault } = parsed(text)
  if (fault) {
    fail(fault.line, 'GPX', '', { kind: 'unreadable', why: fault.message })
    return { file, errors }
  }
  if (root?.localName !== 'gpx') {
    fail(1, 'GPX', root?.localName ?? '', { kind: 'no-gpx' })
    return { file, errors }
  }
  const places = (list: Iterable<Element>): MarkedPlace[] =>
    [...list].flatMap(element => {
      const row = (element as { lineNumber?: number }).lineNumber ?? 0
      const place = placeOf(element, (column, value, what) => fail(row, column, value, what))
      return place ? [place] : []
    })
  const count = ['wpt', 'trkpt'].reduce((sum, name) => sum + root.getElementsByTagName(name).length, 0)
  if (count > GPX_POINTS_MAX) {
    fail(1, 'GPX', String(count), { kind: 'many-points', most: GPX_POINTS_MAX })
    return { file, errors }
  }
  file.waypoints = places(root.getElementsByTagName('wpt'))
  file.segments = [...root.getElementsByTagName('trkseg')]
    .map(segment => places(segment.getElementsByTagName('trkpt')))
    .filter(segment => segment.length > 0)
  if (errors.length === 0 && file.waypoints.length === 0 && file.segments.length === 0)
    fail(1, 'GPX', '', { kind: 'no-places' })
  return { file, errors }
}

/** What a lenient reader would mend is a fault all the same: half a file is no round. */
function parsed(text: string): { root: Element | null; fault: { line: number; message: string } | null } {
  let fault: { line: number; message: string } | null = null
  const onError = (level: string, message: string, context: unknown) => {
    const { locator } = context as { locator?: { lineNumber?: number } }
    if (level !== 'warning') fault ??= { line: Math.max(1, locator?.lineNumber ?? 1), message: message.split('\n')[0]! }
  }
  try {
    return { root: new DOMParser({ onError }).parseFromString(text, 'text/xml').documentElement, fault }
  } catch (error) {
    if (!(error instanceof ParseError)) throw error
    return { root: null, fault: fault ?? { line: 1, message: error.message.split('\n')[0]! } }
  }
}

const LIMITS = { lat: 90, lon: 180 } as const

function placeOf(element: Element, fail: Fail): MarkedPlace | null {
  const degrees = (name: 'lat' | 'lon'): number | null => {
    const text = element.getAttribute(name)?.trim() ?? ''
    const value = Number(text)
    if (text !== '' && Math.abs(value) <= LIMITS[name]) return value
    fail(name, text, { kind: 'no-place', most: LIMITS[name] })
    return null
  }
  const [lat, lon] = [degrees('lat'), degrees('lon')]
  const time = textOf(element, 'time')
  const atMs = time === '' ? null : Date.parse(time)
  if (atMs !== null && Number.isNaN(atMs)) fail('time', time, { kind: 'no-moment' })
  const hdop = Number(textOf(element, 'hdop') || Number.NaN)
  if (lat === null || lon === null || Number.isNaN(atMs)) return null
  return { lat, lon, name: textOf(element, 'name'), atMs, errorM: hdop > 0 ? HDOP_M * hdop : null }
}
