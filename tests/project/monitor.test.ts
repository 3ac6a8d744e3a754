import { spawn } from 'node:child_process'
import { createServer, type IncomingMessage } from 'node:http'
import { once } from 'node:events'
import { describe, expect, it } from 'vitest'
import { bundled } from './command'
import { NEUTRAL } from '../../core/flight/air'
import { fly } from '../../core/flight/fly'
import { metresToYards, yardsToMetres } from '../../core/units'
import { makeDice } from '../../devices/dice'
import { hit, makeGolfer, SKILLS, STRIKE_KINDS, type SkillName } from '../../devices/golfer'
import { read, toSentShot } from '../../devices/monitor'
import type { TEMPERS } from '../../devices/monitor-link'
import { isRefused, lotFor, post } from '../../devices/monitor-link'
import { readRowFigures } from '../../core/files/shot-table'
import { rowFaultText } from '../../words/row-faults'

/** Clean balls of many such players, yards off the number and right of the line. */
function cleanBalls(skill: SkillName, yd: number, players: number): { offYd: number; rightYd: number }[] {
  return Array.from({ length: players }, (_, p) => {
    const dice = makeDice(700 + p)
    const golfer = makeGolfer(skill, dice)
    return Array.from({ length: 40 }, () => hit(golfer, 56, yardsToMetres(yd), 'mat', dice))
      .filter(strike => strike.kind === 'clean')
      .flatMap(({ launch }) => {
        const flight = fly(launch, NEUTRAL)
        return flight.ok ? [{ offYd: metresToYards(flight.carryM) - yd, rightYd: metresToYards(flight.sideM) }] : []
      })
  }).flat()
}
const sd = (values: number[]) => {
  const mean = values.reduce((sum, value) => sum + value, 0) / values.length
  return Math.sqrt(values.reduce((sum, value) => sum + (value - mean) ** 2, 0) / (values.length - 1))
}
const share = <T>(list: T[], of: (item: T) => boolean) => list.filter(of).length / list.length

describe('the simulated player', () => {
  // Common practice: a professional's three half swings lie within 2 to 4 yd side to side; "about 70 % finish slightly
  // right and two short".
  it.each([
    ['pro', 2.5, 3.6],
    ['good', 3.8, 5.9],
    ['club', 6.0, 8.5],
  ] as const)(
    'of skill %s scatters by about %f yd in length and %f to the side at 100 yd',
    (skill, lengthYd, sideYd) => {
      const balls = cleanBalls(skill, 100, 24)
      expect(sd(balls.map(ball => ball.offYd)) / lengthYd).toBeGreaterThan(0.8)
      expect(sd(balls.map(ball => ball.offYd)) / lengthYd).toBeLessThan(1.25)
      expect(sd(balls.map(ball => ball.rightYd)) / sideYd).toBeGreaterThan(0.8)
      expect(sd(balls.map(ball => ball.rightYd)) / sideYd).toBeLessThan(1.25)
      expect(share(balls, ball => ball.offYd < 0)).toBeGreaterThan(0.55)
      expect(share(balls, ball => ball.rightYd > 0)).toBeGreaterThan(0.55)
    },
  )

  it('misses in every way, the less skilled more often, and gets flyers off grass', () => {
    const kinds = (skill: SkillName, surface: 'grass' | 'mat') => {
      const dice = makeDice(3)
      const golfer = makeGolfer(skill, dice)
      return Array.from({ length: 3000 }, () => hit(golfer, 52, 80, surface, dice).kind)
    }
    const [pro, club, mat] = [kinds('pro', 'grass'), kinds('club', 'grass'), kinds('club', 'mat')]
    for (const kind of STRIKE_KINDS) expect(share(club, other => other === kind)).toBeGreaterThan(0.01)
    expect(share(club, kind => kind === 'heavy' || kind === 'thin')).toBeGreaterThan(
      3 * share(pro, kind => kind === 'heavy' || kind === 'thin'),
    )
    expect(share(mat, kind => kind === 'flyer')).toBeLessThan(0.2 * share(club, kind => kind === 'flyer'))
    expect(Object.keys(SKILLS)).toEqual(['pro', 'good', 'club'])
    expect(() => hit(makeGolfer('pro', makeDice(1)), 60, 400, 'grass', makeDice(1))).toThrow(RangeError)
  })
})

describe('the simulated monitor', () => {
  it('reads what our own door takes, misreads as often as it is told, and sees a lost ball as none', () => {
    const dice = makeDice(5)
    const golfer = makeGolfer('good', dice)
    const readings = Array.from({ length: 800 }, () => read(hit(golfer, 56, 70, 'grass', dice), NEUTRAL, 0.1, dice)!)
    expect(share(readings, reading => reading.misread)).toBeCloseTo(0.1, 1)
    const faults: string[] = []
    const shot = toSentShot(dice.id(5), new Date(1.7e12), readings[0]!)
    const figures = readRowFigures(
      Object.fromEntries(Object.entries(shot).map(([name, value]) => [name, String(value)])),
      (column, value, fault) => faults.push(`${column} ${value} ${rowFaultText(fault)}`),
    )
    expect(faults).toEqual([])
    expect(figures).toMatchObject({ hitAtMs: 1.7e12, method: 'monitor', readings: readings[0]!.readings })
    expect(Math.abs(figures.carryM - readings[0]!.carryM)).toBeLessThan(0.001)
    expect(
      read(
        {
          kind: 'thin',
          clubSpeedMs: 20,
          launch: { speedMs: 2, launchDeg: 5, azimuthDeg: 0, spinRpm: 500, tiltDeg: 0 },
        },
        NEUTRAL,
        0,
        dice,
      ),
    ).toBeNull()
  })

  it('keeps balls back, sends them twice, late and wrong, as its temper is', () => {
    const play = (temper: keyof typeof TEMPERS) => {
      const dice = makeDice(12)
      let kept: Parameters<typeof lotFor>[0] = []
      const out: string[] = []
      let nonsense = 0
      for (let i = 0; i < 400; i++) {
        const lot = lotFor(kept, { id: String(i), carry_m: 60 }, temper, dice)
        kept = lot.kept
        out.push(...lot.out.map(shot => String(shot.id)))
        nonsense += lot.out.filter(shot => shot.spin_rpm === -5).length
      }
      return {
        out,
        twice: out.length - new Set(out).size,
        inOrder: out.every((id, i) => i === 0 || Number(id) > Number(out[i - 1])),
        nonsense,
      }
    }
    expect(play('steady')).toEqual({
      out: Array.from({ length: 400 }, (_, i) => String(i)),
      twice: 0,
      inOrder: true,
      nonsense: 0,
    })
    const broken = play('broken')
    expect([broken.twice > 50, broken.inOrder, broken.nonsense > 15, new Set(broken.out).size < 380]).toEqual([
      true,
      false,
      true,
      true,
    ])
    expect(play('erratic')).toMatchObject({ inOrder: false, nonsense: 0 })
    expect(lotFor([{ id: 'kept' }], null, 'steady', makeDice(1))).toEqual({ out: [{ id: 'kept' }], kept: [] })
  })
})

/** A door that answers as it is told and remembers what it was sent. */
async function fakeDoor(answer: (shots: { id: string }[], n: number) => [status: number, body: object]) {
  const requests: { shots: { id: string }[]; headers: IncomingMessage['headers'] }[] = []
  const server = createServer((request, reply) => {
    let text = ''
    request.on('data', (chunk: Buffer) => {
      text += chunk.toString()
    })
    request.on('end', () => {
      const shots = JSON.parse(text) as { id: string }[]
      requests.push({ shots, headers: request.headers })
      const [status, body] = answer(shots, requests.length)
      reply.writeHead(status, { 'content-type': 'application/json' }).end(JSON.stringify(body))
    })
  })
  server.listen(0, '127.0.0.1')
  await once(server, 'listening')
  return {
    url: `http://127.0.0.1:${(server.address() as { port: number }).port}`,
    requests,
    close: () => server.close(),
  }
}
const asked = { club: '56°', swing: '9:00', loft_deg: 56, share: 0.73 }

const MONITOR = bundled('devices/monitor-run.ts')
async function run(...args: string[]) {
  const child = spawn(process.execPath, [MONITOR, ...args])
  let [out, err] = ['', '']
  child.stdout.on('data', (chunk: Buffer) => {
    out += chunk.toString()
  })
  child.stderr.on('data', (chunk: Buffer) => {
    err += chunk.toString()
  })
  const [code] = (await once(child, 'exit')) as [number]
  return { code, out, err: err.trim() }
}

describe('the program', () => {
  it('hits what it is asked, resends what failed, and lets go of what is refused', async () => {
    const door = await fakeDoor((shots, n) =>
      n === 3
        ? [503, { message: 'away' }]
        : n === 5
          ? [422, { message: 'spin_rpm' }]
          : [202, { taken: shots.map(shot => shot.id), asked }],
    )
    const { code, out } = await run(
      '--to',
      door.url,
      '--token',
      'uzzet_x',
      '--every',
      '0.05',
      '--balls',
      '6',
      '--full',
      '100',
    )
    door.close()
    expect(code).toBe(0)
    expect(out.match(/^\d\. 56°, 9:00: (\d+\.\d) yd/gm)).toHaveLength(6)
    const ids = door.requests.flatMap(request => request.shots.map(shot => shot.id))
    expect(new Set(ids).size).toBe(6)
    expect(ids.length).toBeGreaterThan(6)
    expect(door.requests[0]).toMatchObject({ shots: [], headers: { authorization: 'Bearer uzzet_x' } })
    expect(Math.abs(Date.parse(door.requests[0]!.headers.date!) - Date.now())).toBeLessThan(60_000)
  })

  it('ends with a plain word when its token is not valid, or what it was given cannot be', async () => {
    const door = await fakeDoor(() => [401, { message: 'no' }])
    expect(await run('--to', door.url, '--token', 'wrong')).toMatchObject({
      code: 2,
      err: 'the token is not valid: make one in the account, under Devices',
    })
    door.close()
    expect((await run('--to', door.url)).err).toMatch(/^--to and --token are needed; usage: npm run device/)
    expect((await run('--to', 'golf', '--token', 'x')).err).toBe(
      '--to: "golf" is not an address such as http://127.0.0.1:4600',
    )
    expect((await run('--to', door.url, '--token', 'x', '--temper', 'angry')).err).toBe(
      '--temper: "angry" is not one of steady, erratic, broken',
    )
    expect((await run('--to', door.url, '--token', 'x', '--wind', '200')).err).toBe(
      '--wind: "200" is not a number from 0 to 15',
    )
  })

  it('takes a server that is not there for what it is', async () => {
    const outcome = await post('http://127.0.0.1:9', 'x', [], 0)
    expect(outcome).toMatchObject({ ok: false, status: 0 })
    expect([isRefused(outcome), isRefused({ ok: false, status: 422, words: '', retryS: null })]).toEqual([false, true])
  })
})
