import { execFileSync } from 'node:child_process'
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { beforeAll, describe, expect, it } from 'vitest'
import type { Compared } from '../../core/history/compare'
import type { PublishedChart } from '../../core/history/published'
import { OWN_BALLS_A_DAY, OWN_BALLS_A_PAGE } from '../../shared/limits'
import type { LinkView, MadeLink, OwnBallsTaken, PlayerLink, WaitingBalls } from '../../shared/player-link'
import type { PublishedLine } from '../../shared/published'
import type { PlayerRecord } from '../../shared/record'
import { fromColumns } from '../../shared/shot-columns'
import { USUAL_PLAN } from '../../shared/choices'
import { aBag, atTheRange, Client, newCoach, newId, newPlayer, refusal } from './client'

type Range = Awaited<ReturnType<typeof atTheRange>>
const cellOf = ({ bag }: Range, club = 0, rung = 0) => ({
  clubId: bag.clubs[club]!.id,
  rungId: bag.scale.rungs[rung]!.id,
})
const written = (at: Range, carryM: number, change: object = {}) => ({
  id: newId(),
  ...cellOf(at),
  kind: 'written',
  carryM,
  why: '',
  saidAtMs: Date.now(),
  holds: true,
  ...change,
})

async function hitAndPublish(coach: Client, at: Range, carries = [65, 66, 64, 67]) {
  await at.log(...carries.map(carryM => at.shot({ carryM })))
  const { body } = await coach.post<PublishedChart>(`/api/players/${at.playerId}/published`, {
    id: newId(),
    unit: 'yd',
    note: 'Trust it',
  })
  return body
}

describe('what is said of a stock shot', () => {
  it('is kept once however often it is sent, comes back with the record, and another id never overwrites it', async () => {
    const coach = await newCoach()
    const at = await atTheRange(coach)
    const word = written(at, 68.5, { why: 'plays it low' })
    const say = (body: object) => coach.post(`/api/players/${at.playerId}/words`, body)
    expect([(await say(word)).status, (await say(word)).status, (await say({ ...word, carryM: 70 })).status]).toEqual([
      202, 202, 409,
    ])
    expect((await coach.get<PlayerRecord>(`/api/players/${at.playerId}`)).body.words).toEqual([word])
    expect(refusal(await say({ ...written(at, 70), clubId: newId() }))).toEqual({
      clubId: "It is not in the player's bag any more.",
    })
    expect(refusal(await say(written(at, 9999)))).toEqual({
      carryM: 'Carry 9999 m is not possible: 0.9144 to 365.76 m is allowed.',
    })
    expect(refusal(await say(written(at, 70, { carryM: null })))).toHaveProperty('carryM')
  })

  it('keeps its club in the record when the club leaves the bag', async () => {
    const coach = await newCoach()
    const at = await atTheRange(coach)
    await coach.post(`/api/players/${at.playerId}/words`, written(at, 68.5, { kind: 'believed' }))
    const next = aBag(2)
    await coach.put(`/api/players/${at.playerId}/bag`, next)
    const { bag, words } = (await coach.get<PlayerRecord>(`/api/players/${at.playerId}`)).body
    expect(words).toHaveLength(1)
    expect(bag.clubs.filter(club => club.retired).map(club => club.id)).toEqual([cellOf(at).clubId])
  })
})

describe('publishing', () => {
  it('numbers the copies, says what changed, and never changes one again', async () => {
    const coach = await newCoach()
    const at = await atTheRange(coach)
    expect(
      refusal(await coach.post(`/api/players/${at.playerId}/published`, { id: newId(), unit: 'yd', note: '' })),
    ).toEqual({ chart: 'No stock shot has a number yet.' })
    const first = await hitAndPublish(coach, at)
    expect(first).toMatchObject({
      format: 'uzzet-published',
      number: 1,
      changed: 'The first published chart.',
      note: 'Trust it',
      unit: 'yd',
    })
    expect(first.cells.find(cell => cell.kind === 'measured')).toMatchObject({ club: '56°', swing: '9:00', balls: 4 })
    await coach.post(`/api/players/${at.playerId}/words`, written(at, 73.152))
    const id = newId()
    const publish = () =>
      coach.post<PublishedChart>(`/api/players/${at.playerId}/published`, { id, unit: 'm', note: '' })
    const second = (await publish()).body
    expect(second).toMatchObject({ number: 2, changed: 'Written: 56° at 9:00.' })
    expect(second.cells.find(cell => cell.kind === 'written')!.carry).toEqual({ yd: 80, m: 73 })
    // Sent twice, it is there once.
    expect((await publish()).body).toEqual(second)
    expect(
      (await coach.get<PublishedLine[]>(`/api/players/${at.playerId}/published`)).body.map(line => line.number),
    ).toEqual([2, 1])
    expect((await coach.get(`/api/players/${at.playerId}/published/1`)).body).toEqual(first)
    expect((await coach.get(`/api/players/${at.playerId}/published/3`)).status).toBe(404)
  })

  it('gives two at once two numbers', async () => {
    const coach = await newCoach()
    const at = await atTheRange(coach)
    await at.log(at.shot())
    const numbers = await Promise.all(
      [1, 2, 3].map(() =>
        coach.post<PublishedChart>(`/api/players/${at.playerId}/published`, { id: newId(), unit: 'yd', note: '' }),
      ),
    )
    expect(numbers.map(reply => reply.body.number).sort()).toEqual([1, 2, 3])
  })

  it('puts two players of the academy side by side, and never one of another', async () => {
    const coach = await newCoach()
    const [one, two] = [await atTheRange(coach), await atTheRange(coach)]
    await one.log(...[65, 66, 64].map(carryM => one.shot({ carryM })))
    await two.log(...[40, 41, 40].map(carryM => two.shot({ carryM })))
    const pairs = (
      await coach.get<{ club: string; swing: string; differs: boolean }[]>(
        `/api/players/${one.playerId}/compare-with?other=${two.playerId}`,
      )
    ).body
    expect(pairs.find(pair => pair.club === '56°' && pair.swing === '9:00')).toMatchObject({ differs: true })
    const stranger = await newCoach('A Stranger')
    const theirs = await atTheRange(stranger)
    expect((await coach.get(`/api/players/${one.playerId}/compare-with?other=${theirs.playerId}`)).status).toBe(404)
    expect((await coach.get(`/api/players/${one.playerId}/compare-with?other=nobody`)).status).toBe(422)
  })

  it('compares a published chart with today, and a day with another; a chart of a past day knows nothing of later balls', async () => {
    const coach = await newCoach()
    const at = await atTheRange(coach)
    const published = await hitAndPublish(coach, at)
    await at.log(...[40, 41, 40, 39, 41, 40].map(carryM => at.shot({ carryM, hitAtMs: Date.now() + 1000 })))
    const { body } = await coach.get<{ fromMs: number; compared: Compared[] }>(
      `/api/players/${at.playerId}/compare?from=number:1&to=${Date.now() + 60_000}`,
    )
    expect(body.fromMs).toBe(published.publishedAtMs)
    expect(body.compared.filter(one => one.moved)).toMatchObject([{ ...cellOf(at), balls: 6 }])
    const past = await coach.get<{ chart: { balls: number }[] }>(
      `/api/players/${at.playerId}/chart-at?at=${published.publishedAtMs}`,
    )
    expect(past.body.chart.reduce((sum, cell) => sum + cell.balls, 0)).toBe(4)
    expect(
      refusal(await coach.get(`/api/players/${at.playerId}/compare?from=yesterday&to=${Date.now()}`)),
    ).toHaveProperty('from')
    expect((await coach.get(`/api/players/${at.playerId}/compare?from=number:9&to=${Date.now()}`)).status).toBe(404)
  })
})

/** Words of a page with their boxes, points, as poppler reads them. */
function wordsOf(pdf: Buffer): {
  page: number
  width: number
  height: number
  words: { text: string; x: number; right: number; y: number; bottom: number }[]
}[] {
  const folder = mkdtempSync(join(tmpdir(), 'uzzet-pdf-'))
  try {
    writeFileSync(join(folder, 'a.pdf'), pdf)
    const xml = execFileSync('pdftotext', ['-bbox', join(folder, 'a.pdf'), '-'], { encoding: 'utf8' })
    return [...xml.matchAll(/<page width="([\d.]+)" height="([\d.]+)">([\s\S]*?)<\/page>/g)].map(
      ([, width, height, inside], page) => ({
        page,
        width: Number(width),
        height: Number(height),
        words: [
          ...inside!.matchAll(/xMin="(-?[\d.]+)" yMin="(-?[\d.]+)" xMax="([\d.]+)" yMax="([\d.]+)">([^<]*)</g),
        ].map(([, x, y, right, bottom, text]) => ({
          text: text!,
          x: Number(x),
          y: Number(y),
          right: Number(right),
          bottom: Number(bottom),
        })),
      }),
    )
  } finally {
    rmSync(folder, { recursive: true })
  }
}

/** Share of dark pixels of the first page, as poppler draws it: letters that cannot be seen have none. */
function darkness(pdf: Buffer): number {
  const folder = mkdtempSync(join(tmpdir(), 'uzzet-pdf-'))
  try {
    writeFileSync(join(folder, 'a.pdf'), pdf)
    execFileSync('pdftoppm', ['-gray', '-r', '60', '-f', '1', '-l', '1', join(folder, 'a.pdf'), join(folder, 'p')])
    const image = readFileSync(join(folder, 'p-1.pgm'))
    const pixels = image.subarray(image.indexOf('255\n', 0, 'latin1') + 4)
    return pixels.filter(value => value < 100).length / pixels.length
  } finally {
    rmSync(folder, { recursive: true })
  }
}

describe('what is printed', () => {
  let coach: Client
  let at: Range
  let chart: PublishedChart
  const MM = 72 / 25.4
  const pdf = async (path: string) => Buffer.from(await coach.bytes(`/api/players/${at.playerId}/published/1/${path}`))
  beforeAll(async () => {
    coach = await newCoach()
    at = await atTheRange(coach)
    await coach.post(`/api/players/${at.playerId}/words`, written(at, 90, cellOf(at, 1, 1)))
    chart = await hitAndPublish(coach, at)
  })
  const figures = (unit: 'yd' | 'm') =>
    chart.cells
      .filter(cell => cell.carry)
      .map(cell => String(cell.carry![unit]))
      .sort()
  const isFigure = ({ text, bottom, y }: { text: string; bottom: number; y: number }) =>
    /^\d{2,3}$/.test(text) && bottom - y > 8

  it('a card has two sides of a credit card with every number of the chart on each, inside the edges, dark enough to see', async () => {
    const card = await pdf('card.pdf')
    const pages = wordsOf(card)
    expect(pages).toHaveLength(2)
    for (const { width, height, words } of pages) {
      expect([width / MM, height / MM].map(side => Math.round(side * 10) / 10)).toEqual([85.6, 54])
      for (const word of words)
        expect(word.x >= 2 * MM && word.right <= width - 2 * MM && word.bottom <= height, word.text).toBe(true)
      expect(
        words
          .filter(isFigure)
          .map(word => word.text)
          .sort(),
      ).toEqual(figures('yd'))
      expect(words.map(word => word.text).join(' ')).toContain('Carry in yards')
    }
    // Clubs across and swings down, as in the chart.
    const [{ words }] = pages as [(typeof pages)[0]]
    const of = (text: string) => words.find(word => word.text === text)!
    const number = (cell: PublishedChart['cells'][number]) =>
      words.find(
        word =>
          isFigure(word) &&
          word.text === String(cell.carry!.yd) &&
          Math.abs((word.x + word.right) / 2 - (of(cell.club).x + of(cell.club).right) / 2) < 2 &&
          Math.abs((word.y + word.bottom) / 2 - (of(cell.swing).y + of(cell.swing).bottom) / 2) < 6,
      )
    for (const cell of chart.cells.filter(one => one.carry))
      expect(number(cell), `${cell.club} ${cell.swing}`).toBeDefined()
    expect(darkness(card)).toBeGreaterThan(0.004)
  })

  it('an A6 sheet is A6; metres and black and white as asked; a home air says which, beside neutral air', async () => {
    const sheet = wordsOf(await pdf('card.pdf?size=a6&unit=m&black=1'))
    expect([sheet[0]!.width / MM, sheet[0]!.height / MM].map(Math.round)).toEqual([105, 148])
    expect(
      sheet[0]!.words
        .filter(isFigure)
        .map(word => word.text)
        .sort(),
    ).toEqual([...figures('m'), ...figures('m')].sort())
    const home = wordsOf(await pdf('card.pdf?tempC=4&altitudeM=0')).map(page =>
      page.words.map(word => word.text).join(' '),
    )
    expect(home[0]).toContain('home air: 4 °C, calm, 0 m up')
    expect(home[1]).toMatch(/as measured|neutral air/)
    expect(refusal(await coach.get(`/api/players/${at.playerId}/published/1/card.pdf?tempC=90&altitudeM=0`))).toEqual({
      tempC: 'Temperature 90 °C is not possible: -20 to 50 °C is allowed.',
    })
    expect(refusal(await coach.get(`/api/players/${at.playerId}/published/1/card.pdf?size=a9`))).toHaveProperty('size')
  })

  it('what to hit from where is one page, every distance of the stretch with its stock shot and how', async () => {
    const pages = wordsOf(await pdf('yards.pdf?from=40&to=110&unit=yd'))
    expect(pages).toHaveLength(1)
    const words = pages[0]!.words.map(word => word.text)
    for (let at = 40; at <= 110; at++) expect(words).toContain(String(at))
    expect(words.filter(word => word === 'plus').length).toBeGreaterThan(3)
    for (const word of pages[0]!.words) {
      expect(word.right).toBeLessThanOrEqual(pages[0]!.width)
      expect(word.bottom).toBeLessThanOrEqual(210 * MM)
    }
    const refuse = async (query: string) =>
      refusal(await coach.get(`/api/players/${at.playerId}/published/1/yards.pdf?${query}`))
    expect(await refuse('from=40')).toHaveProperty('to')
    expect((await refuse('from=90&to=40')).to).toMatch(/at most 120 distances/)
  })

  it('labels stand on their places of the sheet, after those used up', async () => {
    const [strips] = wordsOf(await pdf('labels.pdf'))
    expect(
      strips!.words
        .filter(isFigure)
        .map(word => word.text)
        .sort(),
    ).toEqual(figures('yd'))
    const [sheet] = wordsOf(await pdf('labels.pdf?sheet=a4x65&skip=6'))
    const club = sheet!.words.find(word => word.text === '56°')!
    // The seventh label: second row, second column.
    expect(club.x / MM).toBeGreaterThan(4.75 + 40.6)
    expect(club.right / MM).toBeLessThan(4.75 + 40.6 + 38.1)
    expect(club.y / MM).toBeGreaterThan(10.7 + 21.2)
    expect(club.bottom / MM).toBeLessThan(10.7 + 2 * 21.2)
    expect(refusal(await coach.get(`/api/players/${at.playerId}/published/1/labels.pdf?skip=x`))).toHaveProperty('skip')
  })

  it('writes letters beyond western Europe, and no name is too long for its card', async () => {
    const playerId = await newPlayer(coach, `Łukasz Čermák ${'of the Long Marsh '.repeat(3)}`)
    const other = { ...at, playerId }
    const bag = aBag()
    await coach.put(`/api/players/${playerId}/bag`, bag)
    await coach.post(`/api/players/${playerId}/words`, {
      ...written(at, 70),
      clubId: bag.clubs[0]!.id,
      rungId: bag.scale.rungs[0]!.id,
    })
    await coach.post(`/api/players/${playerId}/published`, { id: newId(), unit: 'yd', note: '' })
    const [page] = wordsOf(Buffer.from(await coach.bytes(`/api/players/${other.playerId}/published/1/card.pdf`)))
    expect(page!.words.map(word => word.text).slice(0, 2)).toEqual(['Łukasz', 'Čermák'])
    for (const word of page!.words) expect(word.right).toBeLessThanOrEqual(page!.width - 2 * MM)
  })
})

describe("a player's link", () => {
  async function linked(strength: 'read' | 'log') {
    const coach = await newCoach()
    const at = await atTheRange(coach)
    const other = await newPlayer(coach, 'Somebody Else')
    await hitAndPublish(coach, at)
    const { body: link } = await coach.post<MadeLink>(`/api/players/${at.playerId}/links`, { id: newId(), strength })
    const phone = new Client()
    const look = (token = link.token) =>
      phone.send<LinkView>('GET', '/api/link', undefined, { authorization: `Bearer ${token}` })
    const log = (...balls: object[]) =>
      phone.send('POST', '/api/link/balls', { balls }, { authorization: `Bearer ${link.token}` })
    return { coach, at, other, link, look, log }
  }
  const ball = (at: Range, change: object = {}) => ({
    id: newId(),
    ...cellOf(at),
    carryM: 66,
    method: 'laser',
    hitAtMs: Date.now(),
    ...change,
  })

  it("shows one player's published chart and gives nothing else away", async () => {
    const { look, at, other, coach, link } = await linked('read')
    const reply = await look()
    expect(reply.body).toMatchObject({ player: 'Pip Marlow', strength: 'read', published: { number: 1 } })
    const wire = JSON.stringify(reply.body)
    for (const secret of [
      other,
      at.playerId,
      'Somebody Else',
      coach instanceof Object ? 'saltmarsh.example' : '',
      link.token,
    ])
      expect(wire).not.toContain(secret)
    expect(Object.keys(reply.body).sort()).toEqual(['bags', 'goes', 'homework', 'player', 'published', 'strength'])
    const phone = new Client()
    for (const path of ['/api/players', `/api/players/${at.playerId}`, '/api/account'])
      expect((await phone.send('GET', path, undefined, { authorization: `Bearer ${link.token}` })).status).toBe(401)
    expect((await coach.get<PlayerLink[]>(`/api/players/${at.playerId}/links`)).body[0]!.openedAtMs).toBeGreaterThan(
      Date.now() - 60_000,
    )
  })

  it('shows what the coach sent of the newest session of which anything was sent, until it is taken back', async () => {
    const { look, at, coach } = await linked('read')
    const told = { atMs: Date.now(), lines: ['4 balls, 1 stock shot.', 'New: 58° half 66 m.'] }
    // One without balls: as long as it has some it cannot be gone.
    const session = { ...at.session, id: newId() }
    const path = `/api/players/${at.playerId}/sessions/${session.id}`
    const say = (version: number, plan: object) =>
      coach.put(path, { ...session, plan: { ...USUAL_PLAN, ...plan }, version })
    expect((await say(1, {})).status).toBe(200)
    expect((await look()).body.told).toBeUndefined()
    expect((await say(2, { told })).status).toBe(200)
    expect((await look()).body.told).toEqual(told)
    const tooMuch = { told: { atMs: Date.now(), lines: Array.from({ length: 13 }, () => 'x') } }
    expect((await say(3, tooMuch)).status).toBe(422)
    expect((await say(3, { told, gone: true })).status).toBe(200)
    expect((await look()).body.told).toBeUndefined()
    expect((await say(4, { told: null })).status).toBe(200)
    expect((await look()).body.told).toBeUndefined()
  })

  it('answers wrong, guessed and revoked tokens alike', async () => {
    const { look, link, coach, at } = await linked('read')
    const wrong = await look('uzzet_wrong')
    const guessed = await look(`${link.token.slice(0, -1)}${link.token.endsWith('A') ? 'B' : 'A'}`)
    expect((await coach.send('DELETE', `/api/players/${at.playerId}/links/${link.id}`)).status).toBe(200)
    const revoked = await look()
    expect([wrong.status, guessed.status, revoked.status]).toEqual([401, 401, 401])
    expect(guessed.body).toEqual(wrong.body)
    expect(revoked.body).toEqual(wrong.body)
    expect((await coach.send('DELETE', `/api/players/${at.playerId}/links/${link.id}`)).status).toBe(404)
    const stranger = await newCoach('A Stranger')
    expect((await stranger.send('DELETE', `/api/players/${at.playerId}/links/${link.id}`)).status).toBe(404)
  })

  it('to read takes no balls; to log keeps them waiting until the coach nods, once each', async () => {
    const reading = await linked('read')
    expect((await reading.log(ball(reading.at))).status).toBe(403)
    const { log, at, coach } = await linked('log')
    const [one, two] = [ball(at), ball(at, { carryM: 50 })]
    expect([(await log(one, two)).status, (await log(one)).status]).toEqual([202, 202])
    const record = async () => (await coach.get<PlayerRecord>(`/api/players/${at.playerId}`)).body
    expect(fromColumns((await record()).shots)).toHaveLength(4)
    expect((await coach.get<WaitingBalls>(`/api/players/${at.playerId}/own-balls`)).body).toMatchObject({
      waiting: 2,
      balls: [{ id: one.id }, { id: two.id }],
    })
    const nod = (ids: string[], take: boolean) => coach.post(`/api/players/${at.playerId}/own-balls`, { ids, take })
    await nod([one.id], true)
    await nod([two.id], false)
    await nod([one.id, two.id], true)
    const { shots, sessions } = await record()
    expect(fromColumns(shots).filter(shot => shot.id === one.id || shot.id === two.id)).toMatchObject([
      { id: one.id, carryM: 66, method: 'laser' },
    ])
    expect(sessions.filter(session => session.plan.name === 'Logged by the player')).toHaveLength(1)
    expect((await coach.get<WaitingBalls>(`/api/players/${at.playerId}/own-balls`)).body).toEqual({
      waiting: 0,
      balls: [],
    })
    expect(refusal(await log(ball(at, { carryM: -3 })))).toHaveProperty('balls.0.carryM')
    // One of a stock shot that is gone holds up no other.
    const [gone, good] = [{ ...ball(at), clubId: newId() }, ball(at)]
    expect((await log(gone, good)).body).toEqual({
      taken: [good.id],
      refused: [{ id: gone.id, message: 'This stock shot is not in the bag any more.' }],
      full: null,
    })
  })

  it('what waits keeps its club and its length: left out of the bag they are retired, and the balls can still be taken', async () => {
    const { log, at, coach } = await linked('log')
    const bag = (await coach.get<PlayerRecord>(`/api/players/${at.playerId}`)).body
    const fresh = newId()
    const clubs = [...bag.bag.clubs, { id: fresh, label: 'new', name: '', loftDeg: 52, retired: false }]
    const put = (list: object[], version: number) =>
      coach.put<{ bag: PlayerRecord['bag']; bagVersion: number }>(`/api/players/${at.playerId}/bag`, {
        version,
        clubs: list,
        scale: bag.bag.scale,
        struckOut: [],
      })
    const {
      body: { bagVersion },
    } = await put(clubs, bag.bagVersion)
    const one = ball(at, { clubId: fresh })
    expect((await log(one)).body).toMatchObject({ taken: [one.id] })
    const { body: after } = await put(bag.bag.clubs, bagVersion)
    expect(after.bag.clubs.find(club => club.id === fresh)).toMatchObject({ retired: true })
    expect((await coach.get<WaitingBalls>(`/api/players/${at.playerId}/own-balls`)).body.waiting).toBe(1)
    await coach.post(`/api/players/${at.playerId}/own-balls`, { ids: [one.id], take: true })
    expect(
      fromColumns((await coach.get<PlayerRecord>(`/api/players/${at.playerId}`)).body.shots).map(shot => shot.id),
    ).toContain(one.id)
  })

  it('has a ceiling a day, in words; what is over it stays with the phone; the coach is told a page', async () => {
    const { log, at, coach } = await linked('log')
    const lot = (n: number) => Array.from({ length: n }, () => ball(at))
    for (let i = 0; i < 2; i++) expect((await log(...lot(200))).body).toMatchObject({ full: null })
    const last = lot(150)
    const answer = (await log(...last)).body as OwnBallsTaken
    expect([answer.taken.length, answer.refused.length]).toEqual([OWN_BALLS_A_DAY - 400, 0])
    expect(answer.full).toMatch(/500 balls were logged within a day/)
    // What is there already is still said to be there.
    expect((await log(last[0]!, last[149]!)).body).toMatchObject({ taken: [last[0]!.id] })
    const page = (await coach.get<WaitingBalls>(`/api/players/${at.playerId}/own-balls`)).body
    expect([page.waiting, page.balls.length]).toEqual([OWN_BALLS_A_DAY, OWN_BALLS_A_PAGE])
  })
})
