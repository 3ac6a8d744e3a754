import { BaseBuilder, buildGPX } from 'gpx-builder'
import { describe, expect, it } from 'vitest'
import { GPX_POINTS_MAX, readGpx } from '../../core/files/gpx'
import { markedShots, stopsOf } from '../../core/rounds/marked-shots'
import { askedFrom } from '../../core/rounds/asks'
import { yardsToMetres as yd } from '../../core/units'
import { RoundRecord } from '../../shared/schemas/rounds'
import { askedFromText } from '../../words/rounds'
import { rowFaultText } from '../../words/row-faults'
import { roundFromGpx } from '../../app/features/rounds/rounds-file'

const { Point, Segment, Track, Metadata } = BaseBuilder.MODELS
const START_MS = Date.UTC(2026, 4, 4, 9, 0)
/** Metres north and east of a made-up tee, near the equator, where a degree is as long either way. */
const DEGREE_M = (Math.PI / 180) * 6_371_008.8
const place = (northM: number, eastM = 0) => [1 + northM / DEGREE_M, 2 + eastM / DEGREE_M] as const
const point = (northM: number, eastM: number, more: object = {}) => {
  const [lat, lon] = place(northM, eastM)
  return new Point(lat, lon, more)
}
const written = (fill: (builder: BaseBuilder) => void) => {
  const builder = new BaseBuilder()
  builder.setMetadata(new Metadata({ name: 'A round' }))
  fill(builder)
  return buildGPX(builder.toObject())
}
const at = (minutes: number) => new Date(START_MS + minutes * 60_000)

/** A hole of 350 m: a drive, an approach from 110 m that ends 8 m short and 3 m right, a chip. */
const HOLE = [
  [0, 0, { name: 'tee', time: at(0) }],
  [240, 0, { time: at(5), hdop: 1.5 }],
  [342, 3, { time: at(8) }],
  [350, 0, { name: 'Flag 1', time: at(10) }],
] as const

describe('places marked on the course, as a general-purpose library writes GPX 1.1', () => {
  it('reads waypoints with names, times and their error', () => {
    const text = written(builder => builder.setWayPoints(HOLE.map(([n, e, more]) => point(n, e, more))))
    const { file, errors } = readGpx(text)
    expect(errors).toEqual([])
    expect(file.waypoints.map(({ name }) => name)).toEqual(['tee', '', '', 'Flag 1'])
    expect(file.waypoints[1]).toMatchObject({ atMs: at(5).getTime(), errorM: 6 })
  })

  it('measures to the flag, tells where each ball ended, and leaves drives and chips away', () => {
    const text = written(builder => builder.setWayPoints(HOLE.map(([n, e, more]) => point(n, e, more))))
    const { shots, left, fault } = markedShots(readGpx(text).file)
    expect([shots.length, left, fault]).toEqual([1, 2, null])
    const { approach } = shots[0]!
    expect(approach.distanceM).toBeCloseTo(110, 0)
    expect(approach.offM).toBeCloseTo(-8, 0)
    expect(approach.sideM).toBeCloseTo(3, 0)
    // Two fixes, of 6 m and of the usual 4 m.
    expect(approach.errorM).toBeCloseTo(Math.hypot(6, 4), 6)
  })

  it('goes by time where all have one, and as they stand where not', () => {
    const back = [...HOLE].reverse().map(([n, e, more]) => point(n, e, more))
    const shotsOf = (text: string) => markedShots(readGpx(text).file).shots.map(({ approach }) => approach.distanceM)
    const [timed, untimed] = [
      shotsOf(written(builder => builder.setWayPoints(back))),
      shotsOf(written(builder => builder.setWayPoints(HOLE.map(([n, e]) => point(n, e))))),
    ]
    expect(timed[0]).toBeCloseTo(110, 0)
    // Nothing is called a flag: each goes to the next place.
    expect(untimed.map(Math.round)).toEqual([102])
  })

  it('finds where a track stood still, and says so of one without times', () => {
    const walk = (times: boolean) => {
      const points: InstanceType<typeof Point>[] = []
      let seconds = 0
      const stand = (northM: number) => {
        for (let i = 0; i < 8; i++, seconds += 5)
          points.push(point(northM + (i % 3), 0, times ? { time: new Date(START_MS + seconds * 1000) } : {}))
      }
      const go = (from: number, to: number) => {
        for (let m = from; m < to; m += 12, seconds += 8)
          points.push(point(m, 0, times ? { time: new Date(START_MS + seconds * 1000) } : {}))
      }
      stand(0)
      go(12, 130)
      stand(130)
      go(142, 200)
      stand(200)
      return written(builder => builder.setTracks([new Track([new Segment(points)], { name: 'walk' })]))
    }
    const { file } = readGpx(walk(true))
    expect(stopsOf(file.segments[0]!)!.length).toBe(3)
    const { shots } = markedShots(file)
    expect(shots.map(({ approach }) => Math.round(approach.distanceM / 10))).toEqual([13, 7])
    expect(markedShots(readGpx(walk(false)).file).fault).toBe('no times')
  })

  it('refuses what is broken, with line and reason, and keeps nothing of it', () => {
    const told = (text: string) =>
      readGpx(text).errors.map(({ row, column, fault }) => `${row} ${column} ${rowFaultText(fault)}`)
    expect(told('<gpx>\n<wpt lat="51">\n</gpx>')[0]).toMatch(/^2 GPX cannot be read: .*wpt/)
    expect(told('<gpx>\n\n<wpt lat="95" lon="0"/></gpx>')).toEqual([
      '3 lat is not a place on the globe: −90 to 90 degrees',
    ])
    expect(told('<gpx><wpt lat="5" lon="0"><time>noon</time></wpt></gpx>')[0]).toMatch(
      /^1 time is not a date with a time/,
    )
    expect(told('')[0]).toMatch(/^1 GPX cannot be read/)
    expect(told('<kml/>')).toEqual(['1 GPX is no GPX file: its first element must be gpx'])
    expect(told('<gpx></gpx>')).toEqual(['1 GPX holds neither waypoints nor tracks'])
    expect(told('<!DOCTYPE gpx [<!ENTITY a "b">]><gpx/>')).toEqual(['1 GPX is not allowed'])
    const many = `<gpx>${'<wpt lat="1" lon="2"/>'.repeat(GPX_POINTS_MAX + 1)}</gpx>`
    expect(told(many)[0]).toMatch(/^1 GPX points are too many/)
  })

  it('is one round, the same one however often it is read, with the nearest stock shots', () => {
    const text = written(builder => builder.setWayPoints(HOLE.map(([n, e, more]) => point(n, e, more))))
    const player = '0198c000-0000-7000-8000-000000000001'
    const shot = { clubId: player, rungId: player }
    const [a, b] = [1, 2].map(() => roundFromGpx(text, player, START_MS * 2, m => (m < yd(130) ? shot : undefined)))
    expect(a).toEqual(b)
    expect(RoundRecord.safeParse(a!.rounds[0]).success).toBe(true)
    expect(a!.rounds[0]).toMatchObject({ playedAtMs: at(5).getTime(), approaches: [{ ...shot, chance: true }] })
    expect(roundFromGpx('<gpx/>', player, START_MS, () => undefined).errors[0]!.fault.kind).toBe('no-places')
  })
})

describe('where chances are hit from', () => {
  const one = (more: object) => ({ chance: true, distanceM: 100, ...more })
  it('counts tees and lies, and par 4s apart', () => {
    const approaches = [
      one({ tee: 3 }),
      one({ tee: 4 }),
      one({ lie: 'sand' }),
      one({ lie: 'wet' }),
      one({ lie: 'wet' }),
    ]
    const from = askedFrom([{ approaches } as Parameters<typeof askedFrom>[0][number]])
    expect(from).toEqual({
      par3: 1,
      par4: 1,
      lies: [
        { lie: 'wet', chances: 2 },
        { lie: 'sand', chances: 1 },
      ],
    })
    expect(askedFromText(from)).toBe('From one par 3, wet 2, sand 1. One par 4 that was driven at is counted apart.')
    expect(askedFromText({ par3: 0, par4: 0, lies: [] })).toBe('')
  })
})
