import { strFromU8, unzipSync } from 'fflate'
import { beforeAll, describe, expect, it } from 'vitest'
import type { PublishedChart } from '../../core/history/published'
import type { PlayerLine } from '../../shared/player'
import type { GoRecord, HomeworkRecord } from '../../shared/schemas/practice'
import type { PracticeRecord } from '../../shared/practice'
import type { LinkView, MadeLink } from '../../shared/player-link'
import { atTheRange, Client, joined, newCoach, newId, refusal } from './client'
import { aBall, aGo, aHomework } from './practice-records'

let coach: Client
let playerId: string
beforeAll(async () => {
  coach = await newCoach()
  playerId = (await atTheRange(coach)).playerId
})
const put = (go: GoRecord, by = coach, player = playerId) => by.send('PUT', `/api/players/${player}/goes/${go.id}`, go)
const practice = async () => (await coach.get(`/api/players/${playerId}/practice`)).body as PracticeRecord
const goOf = async (id: string) => (await practice()).goes.find(go => go.id === id)!

describe('goes', () => {
  it('are there once, however often they are sent, with all of their balls', async () => {
    const go = aGo({ balls: [aBall()] })
    for (let i = 0; i < 3; i++) expect((await put(go)).status).toBe(200)
    expect((await practice()).goes.filter(({ id }) => id === go.id)).toEqual([go])
  })

  it('two devices at one go take away no ball from each other; a later change of a ball wins', async () => {
    const [a, b] = [aBall(), aBall({ endM: 61, task: 1 })]
    const go = aGo({ balls: [a] })
    await put(go)
    await put({ ...go, balls: [b], version: 2 })
    const apart = { ...a, apart: 'flyer' as const, version: 2 }
    await put({ ...go, balls: [apart], version: 2 })
    // An older state that comes late changes nothing.
    await put(go)
    const kept = await goOf(go.id)
    expect(kept.balls).toEqual(expect.arrayContaining([apart, b]))
    expect(kept.balls).toHaveLength(2)
    expect(kept.version).toBe(2)
  })

  it('sixteen at once lose none', async () => {
    const go = aGo()
    const balls = Array.from({ length: 16 }, () => aBall())
    await Promise.all(balls.map((ball, i) => put({ ...go, balls: [ball], version: i + 1 })))
    expect((await goOf(go.id)).balls).toHaveLength(16)
  })

  it.each([
    [{ spec: { ...aGo().spec, drill: 'hopscotch' } }, 'spec.drill'],
    [{ spec: { ...aGo().spec, tasks: [] } }, 'spec.tasks'],
    [{ balls: [aBall({ endM: 9000 })] }, 'balls.0.endM'],
    [{ balls: [aBall({ curve: 5 })] }, 'balls.0.curve'],
    [{ name: 'x'.repeat(61) }, 'name'],
  ])('%j is refused by its field', async (wrong, field) => {
    const reply = await put({ ...aGo(), ...wrong })
    expect(reply.status).toBe(422)
    expect(Object.keys(refusal(reply))).toContain(field)
  })

  it('an id of another player is taken; a time that cannot be is set right', async () => {
    const go = aGo({ startedAtMs: Date.now() + 9e9, balls: [aBall({ atMs: 5 })] })
    await put(go)
    const kept = await goOf(go.id)
    expect(Math.abs(kept.startedAtMs - Date.now())).toBeLessThan(60_000)
    expect(Math.abs(kept.balls[0]!.atMs - Date.now())).toBeLessThan(60_000)
    const other = (await atTheRange(coach)).playerId
    expect((await put(go, coach, other)).status).toBe(409)
  })

  it('speak for the scatter that the next published chart carries, and renew what the list of players tells', async () => {
    const at = await atTheRange(coach)
    const [club, rung] = [at.bag.clubs[0]!.id, at.bag.scale.rungs[0]!.id]
    await at.log(...[65, 66, 64, 67, 65, 66].map(carryM => at.shot({ carryM })))
    const publish = async () =>
      (await coach.send('POST', `/api/players/${at.playerId}/published`, { id: newId(), unit: 'yd', note: '' }))
        .body as PublishedChart
    const sdOf = ({ cells }: PublishedChart) =>
      cells.find(({ clubId, rungId }) => clubId === club && rungId === rung)!.pattern!.longSdM
    const stamp = async () => {
      const lines = (await coach.get('/api/players')).body as PlayerLine[]
      return lines.find(({ id }) => id === at.playerId)!.summary!.stamp
    }
    const [before, stampBefore] = [await publish(), await stamp()]
    const balls = Array.from({ length: 16 }, (_, i) =>
      aBall({ id: newId(), task: 0, clubId: club, rungId: rung, endM: 66 + (i % 2 ? 14 : -14) }),
    )
    const go = aGo({ balls })
    go.spec = { ...go.spec, tasks: [{ targetM: 66 }] }
    expect((await put(go, coach, at.playerId)).status).toBe(200)
    expect(await stamp()).not.toBe(stampBefore)
    const after = await publish()
    expect(sdOf(after)).toBeGreaterThan(1.3 * sdOf(before))
    expect(after.cells.map(({ carry }) => carry)).toEqual(before.cells.map(({ carry }) => carry))
  })

  it('go out as CSV, a row a ball', async () => {
    const csv = (await coach.get(`/api/players/${playerId}/scores.csv`)).body as string
    expect(csv.split('\r\n')[0]).toMatch(/^go,started,drill/)
    const balls = (await practice()).goes.filter(go => !go.gone).flatMap(go => go.balls)
    expect(csv.trim().split('\r\n')).toHaveLength(balls.length + 1)
    // The archive of the player holds the same, byte for byte, with words and metadata beside it.
    const files = unzipSync(new Uint8Array(await coach.bytes(`/api/players/${playerId}/all.zip`)))
    const text = (name: string) => strFromU8(files[name]!)
    expect(text('scores.csv')).toBe(csv)
    expect(text('shots.csv')).toBe((await coach.get(`/api/players/${playerId}/shots.csv`)).body)
    expect(JSON.parse(text('bag.json'))).toEqual((await coach.get(`/api/players/${playerId}/bag.json`)).body)
    expect(JSON.parse(text('practice.json')).goes).toEqual((await practice()).goes)
    const { tableSchema, url } = JSON.parse(text('shots.csv-metadata.json')) as {
      url: string
      tableSchema: { columns: Record<string, string>[] }
    }
    expect(url).toBe('shots.csv')
    expect(tableSchema.columns.map(({ name }) => name).join()).toBe(text('shots.csv').split('\r\n')[0])
    expect(tableSchema.columns.find(({ name }) => name === 'carry_m' || name === 'carry_yd')).toMatchObject({
      datatype: 'number',
    })
    for (const name of Object.keys(files))
      if (name !== 'about.txt') expect(text('about.txt')).toContain(name.replace('.csv-metadata.json', '.csv'))
  })
})

describe('homework', () => {
  const set = (one: HomeworkRecord) => coach.send('PUT', `/api/players/${playerId}/homework/${one.id}`, one)
  const phone = async (strength: 'read' | 'log') => {
    const reply = await coach.send('POST', `/api/players/${playerId}/links`, { id: newId(), strength })
    const bearer = { authorization: `Bearer ${(reply.body as MadeLink).token}` }
    return {
      view: async () => (await new Client().send<LinkView>('GET', '/api/link', undefined, bearer)).body,
      send: (go: GoRecord) => new Client().send('POST', '/api/link/goes', go, bearer),
    }
  }

  it('is on the phone, takes its scores, and tells the coach; taken back it is gone from there', async () => {
    const homework = aHomework()
    expect((await set(homework)).status).toBe(200)
    const link = await phone('log')
    expect((await link.view()).homework).toEqual([homework])
    const go = aGo({ homeworkId: homework.id, name: 'Stairs', balls: [aBall()] })
    expect((await link.send(go)).status).toBe(200)
    expect(await goOf(go.id)).toEqual(go)
    expect((await link.view()).goes).toEqual([go])
    await set({ ...homework, withdrawn: true })
    expect((await link.view()).homework).toEqual([])
    expect((await link.view()).goes).toEqual([])
    // What was done of it stays with the coach; the phone may send no more.
    expect(await goOf(go.id)).toEqual(go)
    expect((await link.send(aGo({ homeworkId: homework.id }))).status).toBe(404)
  })

  it("the phone sees no other go, makes none of its own, and changes no one else's", async () => {
    const homework = aHomework()
    await set(homework)
    const [log, read] = [await phone('log'), await phone('read')]
    await put(aGo({ balls: [aBall()] }))
    expect((await log.view()).goes!.every(go => go.homeworkId !== null)).toBe(true)
    expect((await log.send(aGo())).status).toBe(404)
    expect((await read.send(aGo({ homeworkId: homework.id }))).status).toBe(403)
    const coached = aGo({ balls: [aBall()] })
    await put(coached)
    expect((await log.send({ ...coached, homeworkId: homework.id, version: 9 })).status).toBe(409)
    const other = (await atTheRange(coach)).playerId
    const theirs = aHomework()
    await coach.send('PUT', `/api/players/${other}/homework/${theirs.id}`, theirs)
    expect((await log.send(aGo({ homeworkId: theirs.id }))).status).toBe(404)
  })
})

describe('drills of the academy', () => {
  it('are kept for all of its players, changed and let go; another academy neither sees nor touches them', async () => {
    const drill = { id: newId(), name: 'Ours', spec: aGo().spec }
    const at = `/api/drills/${drill.id}`
    await coach.send('PUT', at, drill)
    await coach.send('PUT', at, { ...drill, name: 'Ours, longer' })
    expect((await practice()).drills.map(({ name }) => name)).toEqual(['Ours, longer'])
    const stranger = await newCoach('A Stranger')
    expect((await stranger.send('PUT', at, drill)).status).toBe(409)
    await stranger.send('DELETE', at)
    expect((await practice()).drills).toHaveLength(1)
    await coach.send('DELETE', at)
    expect((await practice()).drills).toEqual([])
  })

  it('are changed and let go by who sees all players, or by whom the owner lets', async () => {
    const owner = await newCoach()
    const bo = await joined(owner, 'coach', 'Bo')
    await owner.patch('/api/academy', { coachesSee: 'own' })
    const drill = { id: newId(), name: 'All of ours', spec: aGo().spec }
    const at = `/api/drills/${drill.id}`
    const longer = () => bo.put(at, { ...drill, name: 'Longer' })
    expect((await bo.put(at, drill)).status).toBeLessThan(300)
    expect([(await longer()).status, (await bo.send('DELETE', at)).status]).toEqual([403, 403])
    await owner.patch('/api/academy', { coachesChange: true })
    expect([(await longer()).status < 300, (await bo.send('DELETE', at)).status < 300]).toEqual([true, true])
  })
})
