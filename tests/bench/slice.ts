/** Logging one ball against the bare insert, and opening a player with 5,000 shots against one with 50. */
import { chromium } from '@playwright/test'
import mysql from 'mysql2/promise'
import { v7 as newId } from 'uuid'
import playwright from '../../playwright.config'
import { BenchCoach } from './coach'
import { inTurn, median, report } from './report'

const url = process.env.BENCH_URL!
const connection = await mysql.createConnection({ uri: process.env.BENCH_DATABASE_URL!, timezone: 'Z' })

const { tell, note, done } = report('server and browser')

const coach = await BenchCoach.signedUp(url, 'Bench')
const [small, large] = [await coach.player(50), await coach.player(5000)]
// Five years of an eager player.
const [year, years] = [await coach.player(200), await coach.player(20_000)]

const target = await coach.player(1)
const insert = () => {
  const s = target.shot(1)
  return connection.execute(
    'insert into shots (id, player_id, session_id, club_id, rung_id, carry_m, ' +
      'method, balls, hit_at, version) values (?, ?, ?, ?, ?, ?, ?, ?, ?, ?)',
    [s.id, target.id, s.sessionId, s.clubId, s.rungId, s.carryM, s.method, s.balls, new Date(s.hitAtMs), 1],
  )
}
const [logging, direct] = await inTurn(
  300,
  () => coach.send('POST', `/api/players/${target.id}/shots`, { shots: [target.shot(1)] }),
  insert,
)
tell(
  'Logging one ball, request to committed row',
  logging!,
  'the same insert through the driver',
  direct!,
  'at most 4×',
)

// A device's lots through the open door, with all that it reads, against the same rows in plain lots.
const LOT = 500
const door = await coach.player(1)
const device = JSON.parse(await coach.send('POST', '/api/devices', { id: newId(), name: 'Bench' })) as {
  id: string
  token: string
}
const { clubId, rungId } = door.shot(0)
await coach.send('PUT', `/api/devices/${device.id}/aim`, {
  at: { playerId: door.id, sessionId: door.session, clubId, rungId },
  fromMs: Date.now() - 1000,
  sentAtMs: Date.now(),
})
const read = {
  ballSpeedMs: 33.1,
  clubSpeedMs: 29.2,
  launchDeg: 30.2,
  directionDeg: 1.1,
  spinRpm: 8700,
  spinAxisDeg: 2.1,
  descentDeg: 48.2,
  apexM: 17.1,
  sideM: 1.2,
}
const sentLot = () =>
  Array.from({ length: LOT }, (_, i) => ({
    id: newId(),
    carry_m: 70 + (i % 9),
    ball_speed_mps: 33.1,
    club_speed_mps: 29.2,
    launch_deg: 30.2,
    direction_deg: 1.1,
    spin_rpm: 8700,
    spin_axis_deg: 2.1,
    descent_deg: 48.2,
    apex_m: 17.1,
    side_m: 1.2,
  }))
const through = () =>
  fetch(`${url}/api/ingest/shots`, {
    method: 'POST',
    headers: { 'content-type': 'application/json', 'authorization': `Bearer ${device.token}` },
    body: JSON.stringify(sentLot()),
  }).then(reply => {
    if (reply.status !== 202) throw new Error(`the door answered ${reply.status}`)
  })
const plain = () =>
  connection.query(
    'insert into shots (id, player_id, session_id, club_id, rung_id, ' +
      'carry_m, method, balls, hit_at, readings, version) values ?',
    [
      Array.from({ length: LOT }, (_, i) => [
        newId(),
        door.id,
        door.session,
        clubId,
        rungId,
        70 + (i % 9),
        'monitor',
        1,
        new Date(),
        JSON.stringify(read),
        1,
      ]),
    ],
  )
const [byDoor, byRows] = await inTurn(20, through, plain)
tell(
  `${LOT} balls of a device through the open door`,
  byDoor!,
  'the same rows inserted in one lot',
  byRows!,
  'at most 4×',
)
note('That is, balls a second', Math.round((LOT * 1000) / byDoor!).toLocaleString('en-GB'), '')

const [openLarge, openSmall] = await inTurn(
  60,
  () => coach.send('GET', `/api/players/${large.id}`),
  () => coach.send('GET', `/api/players/${small.id}`),
)
tell('The record of a player with 5,000 shots', openLarge!, 'with 50 shots', openSmall!, 'at most 5×')
const [recordOfYears, recordOfYear] = await inTurn(
  40,
  () => coach.send('GET', `/api/players/${years.id}`),
  () => coach.send('GET', `/api/players/${year.id}`),
)
tell('The record of a player with 20,000 shots', recordOfYears!, 'with 200 shots', recordOfYear!, 'at most 3×')

const browser = await chromium.launch(playwright.use!.launchOptions)
const page = await browser.newPage({ baseURL: url })
await page.goto('/sign-in')
await page.getByLabel('E-mail').fill(coach.email)
await page.getByLabel('Password').fill(coach.password)
await page.getByRole('button', { name: 'Sign in' }).click()
const open = (shots: number) => async () => {
  await page.getByRole('link', { name: `With ${shots} shots`, exact: true }).click()
  await page
    .getByRole('button', { name: / ± \d+ yd, \d+ balls/ })
    .first()
    .waitFor()
  await page.getByRole('link', { name: 'Uzzet, to the players' }).click()
  await page.getByRole('heading', { name: 'Players' }).waitFor()
}
const [seeLarge, seeSmall] = await inTurn(12, open(5000), open(50))
tell('Opening that player in Chromium, click to chart and back', seeLarge!, 'with 50 shots', seeSmall!, 'at most 5×')

const [seeYears, seeYear] = await inTurn(6, open(20_000), open(200))
tell(
  'The chart of a player with 20,000 shots in Chromium, click to chart and back',
  seeYears!,
  'with 200 shots',
  seeYear!,
  'at most 3×',
)

// Everything that kept the page from answering for more than 50 ms while balls were logged with 5,000 on record.
await page.goto(`/players/${large.id}/session/${large.session}`)
await page.locator('#carry').waitFor()
await page
  .getByText(/within ±/)
  .first()
  .waitFor()
await page.evaluate(() => {
  const seen: number[] = []
  new PerformanceObserver(list => seen.push(...list.getEntries().map(entry => entry.duration))).observe({
    type: 'longtask',
  })
  Object.assign(window, { longTasks: seen })
})
const counters = await page.context().newCDPSession(page)
await counters.send('Performance.enable')
const busyMs = async () =>
  (await counters.send('Performance.getMetrics')).metrics.find(({ name }) => name === 'TaskDuration')!.value * 1000
/**
 * Ends with the frame in which the number of the chosen stock shot counts one ball more. A text, since the page knows
 * nothing of what this file is compiled with.
 */
const AWAIT_NUMBER = `(() => {
  const counted = () => [...document.querySelectorAll('dd')].map(line => line.textContent).find(text => / balls? counts?/.test(text))
  const before = counted()
  window.updated = new Promise((done) => {
    const look = new MutationObserver(() => {
      if (counted() === before) return
      look.disconnect()
      requestAnimationFrame(() => setTimeout(done))
    })
    look.observe(document.body, { subtree: true, characterData: true, childList: true })
  })
})()`
/** The quick answer's full one, and the server's, are here by then. */
const SETTLED_MS = 700
const logged: number[] = []
const after: number[] = []
const idle: number[] = []
for (let i = 0; i < 24; i++) {
  await page.locator('#carry').fill(String(80 + (i % 5)))
  await page.evaluate(AWAIT_NUMBER)
  const before = await busyMs()
  await page.keyboard.press('Enter')
  await page.evaluate('window.updated')
  const updated = await busyMs()
  logged.push(updated - before)
  await page.waitForTimeout(SETTLED_MS)
  after.push((await busyMs()) - updated)
  await page.locator('#carry').blur()
  const quiet = await busyMs()
  // No handler does anything with this key.
  await page.keyboard.press('F9')
  await page.waitForTimeout(median(logged))
  idle.push((await busyMs()) - quiet)
}
tell(
  'Enter on the keypad to the updated number, main-thread time with 5,000 on record',
  median(logged),
  'a key that does nothing',
  median(idle),
  'under 50 ms',
)
note(
  "What follows it within 0.7 s: the server's word, and the full answer after the quick one",
  `${median(after).toFixed(0)} ms`,
  '',
)
const long = await page.evaluate(() => (window as unknown as { longTasks: number[] }).longTasks)
note(
  '24 balls logged in Chromium with 5,000 on record in 50 visits: tasks of the page over 50 ms',
  long.length === 0 ? 'none' : `${long.length}, the longest ${Math.max(...long)} ms`,
  'none',
)
await browser.close()
await connection.end()

done()
