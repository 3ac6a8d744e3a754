import AxeBuilder from '@axe-core/playwright'
import { test as base, expect, type Browser, type Page } from '@playwright/test'
import mysql from 'mysql2/promise'
import { v7 as newId } from 'uuid'
import { starterRungs } from '../../core/swing/scale'
import type { SchoolId } from '../../core/swing/schools'
import { USUAL_PLAN } from '../../shared/choices'
import { startStack } from './stack'

export { expect }

interface OfATest {
  quiet: undefined
  signUp: () => Promise<void>
  demo: () => Promise<void>
}

/** Every page of every test: no error on its console, no request that leaves the machine. */
export const test = base.extend<OfATest, { stack: undefined }>({
  stack: [
    async ({ browser: _ }, use) => {
      const stop = await startStack()
      await use(undefined)
      await stop()
    },
    { scope: 'worker', auto: true, timeout: 300_000 },
  ],
  baseURL: async ({ stack: _ }, use) => use(process.env.E2E_URL),
  quiet: [
    async ({ page, baseURL }, use, info) => {
      const noise: string[] = []
      page.on('pageerror', error => noise.push(`error: ${error.message}`))
      page.on('console', message => message.type() === 'error' && noise.push(`console: ${message.text()}`))
      page.on(
        'request',
        request =>
          /^https?:/.test(request.url()) &&
          !request.url().startsWith(new URL(baseURL!).origin) &&
          noise.push(`left the machine: ${request.url()}`),
      )
      await use(undefined)
      // A refused request is told by the browser as an error; the tests that provoke one say so.
      const allowed = info.annotations.filter(a => a.type === 'provokes').map(a => new RegExp(a.description!))
      expect(noise.filter(line => !allowed.some(pattern => pattern.test(line)))).toEqual([])
    },
    { auto: true },
  ],
  signUp: async ({ page }, use) => use(() => openAccount(page)),
  demo: async ({ page }, use) =>
    use(async () => {
      await page.goto('/sign-in')
      await page.getByRole('button', { name: 'Enter the demo' }).click()
      await expect(page.getByText('Odile Harrow')).toBeVisible()
    }),
})

/** A new academy with its coach, through the form; this page is signed in, at the empty list of players. */
export async function openAccountByHand(page: Page) {
  await page.goto('/sign-up')
  await page.getByLabel('Your name').fill('Ada Vane')
  await page.getByLabel('Academy').fill('Test Links')
  await page.getByLabel('E-mail').fill(newEmail())
  await page.getByLabel('Password').fill('links and wind')
  await page.getByRole('button', { name: 'Open the account' }).click()
  await expect(page.getByRole('heading', { name: 'No players yet.' })).toBeVisible()
}

const newEmail = () => `coach-${newId()}@saltmarsh.example`

async function send(page: Page, method: 'post' | 'put', path: string, data: object) {
  const reply = await page.request[method](path, { data })
  if (!reply.ok()) throw new Error(`${path} answered ${reply.status()}: ${await reply.text()}`)
}

/** A new academy with its coach; this page is signed in, wherever it is. */
async function signIn(page: Page) {
  const coach = { name: 'Ada Vane', academy: 'Test Links', email: newEmail(), password: 'links and wind' }
  await send(page, 'post', '/api/auth/sign-up', coach)
}

/** A new academy with its coach; this page is signed in, at the empty list of players. */
export async function openAccount(page: Page) {
  await signIn(page)
  await page.goto('/players')
  await expect(page.getByRole('heading', { name: 'No players yet.' })).toBeVisible()
}

/** Says that a test makes the server refuse, so that its browser's own error line is no surprise. */
export function provokes(pattern: string) {
  test.info().annotations.push({ type: 'provokes', description: pattern })
}

export async function addPlayer(page: Page, name: string) {
  await page.getByRole('button', { name: 'Add a player' }).first().click()
  await page.getByLabel('Name', { exact: true }).fill(name)
  await page.getByRole('dialog').getByRole('button', { name: 'Add player' }).click()
  await expect(page.getByRole('heading', { name: 'Bag', exact: true })).toBeVisible()
}

/** Three clubs, the clock, saved. */
export async function packBag(page: Page) {
  await page.getByRole('button', { name: /^46°, 52°, 58°/ }).click()
  await page.getByRole('button', { name: /^Clock/ }).click()
  await page.getByRole('button', { name: 'Save the bag' }).click()
  await expect(page.getByText('Bag saved').first()).toBeVisible()
}

/** Opens what is said of a club ("46°") or a swing length ("9:00") of the bag, beside it. */
export async function changeInBag(page: Page, name: string) {
  await page
    .getByRole('button', { name: `Change ${name}`, exact: true })
    .first()
    .click()
}

/** What was opened last is closed, as it stands. */
export async function doneInBag(page: Page) {
  await page.getByRole('button', { name: 'Done', exact: true }).click()
}

export async function startSession(page: Page) {
  await page
    .getByRole('link', { name: /Range session/ })
    .first()
    .click()
  await page.getByRole('button', { name: 'Start the session' }).click()
  await expect(page.locator('#carry')).toBeVisible()
}

/** A stock shot on the board, which on a phone lies behind the name of the chosen one. */
export async function onBoard(page: Page, cell: string) {
  // Before the page is there nobody can say whether it is a phone's.
  await page.locator('#cell-title').waitFor()
  const name = page.locator('#cell-title button')
  const sheet = page.getByRole('dialog', { name: 'Which stock shot?' })
  if ((await name.count()) === 0) return page.getByRole('button', { name: cell, exact: true })
  if (!(await sheet.isVisible())) await name.click()
  return sheet.getByRole('button', { name: cell, exact: true })
}

/** What the board says of a stock shot; the board is closed again where it lies over the page. */
export async function expectOnBoard(page: Page, cell: string, says: RegExp) {
  await expect(await onBoard(page, cell)).toContainText(says)
  const sheet = page.getByRole('dialog', { name: 'Which stock shot?' })
  if (!(await sheet.isVisible())) return
  await page.keyboard.press('Escape')
  await expect(sheet).toHaveCount(0)
}

/** Chooses a stock shot on the board and logs carries with the keyboard. */
export async function hit(page: Page, cell: string, carries: (number | string)[]) {
  await (await onBoard(page, cell)).click()
  await expect(page.getByRole('dialog', { name: 'Which stock shot?' })).toHaveCount(0)
  for (const carry of carries) {
    await page.locator('#carry').fill(String(carry))
    await page.locator('#carry').press('Enter')
  }
}

/** What a test's player carries: three wedges by the clock where it does not say. */
interface PackedBag {
  lofts?: readonly number[]
  school?: SchoolId
  /** Shortest first; the school's usual ones where they are missing. */
  lengths?: readonly { label: string; fraction?: number }[]
  /** Which balls are hit; one's own where it does not say. */
  ball?: 'own' | 'range'
}

/** A coach with a player, a bag of three wedges by the clock, and a running session, whose page is open. */
export async function atTheRange(page: Page, name = 'Pip Marlow', bag: PackedBag = {}) {
  await signIn(page)
  const { lofts = [46, 52, 58], school = 'clock', lengths, ball = 'own' } = bag
  const rungs =
    lengths?.map(length => ({ id: newId(), cue: '', flight: 'normal', retired: false, ...length })) ??
    starterRungs(school, '', newId)
  const id = newId()
  const player = `/api/players/${id}`
  await send(page, 'post', '/api/players', { id, name, level: 'unknown', note: '' })
  await send(page, 'put', `${player}/bag`, {
    version: 1,
    clubs: lofts.map(loftDeg => ({ id: newId(), label: `${loftDeg}°`, name: '', loftDeg, retired: false })),
    scale: { school, rungs },
    struckOut: [],
  })
  const session = { id: newId(), startedAtMs: Date.now(), endedAtMs: null, version: 1, air: [], plan: USUAL_PLAN }
  const way = { method: 'monitor', ball, surface: 'grass' }
  await send(page, 'put', `${player}/sessions/${session.id}`, { ...session, ...way })
  await page.goto(`/players/${id}/session/${session.id}`)
  await expect(page.locator('#carry')).toBeVisible()
}

/** How many entries this browser's store holds that the server has not confirmed. */
function entriesKept(page: Page): Promise<number> {
  return page.evaluate(
    () =>
      new Promise<number>((done, fail) => {
        const opening = indexedDB.open('uzzet-outbox')
        opening.onerror = () => fail(opening.error!)
        opening.onsuccess = () => {
          const counting = opening.result.transaction('items').objectStore('items').count()
          counting.onerror = () => fail(counting.error!)
          counting.onsuccess = () => {
            opening.result.close()
            done(counting.result)
          }
        }
      }),
  )
}

/** Waits until this browser's store has them: a moment after they are on the screen. What is killed before is lost. */
export async function areKept(page: Page, entries: number) {
  await expect.poll(() => entriesKept(page)).toBe(entries)
}

/** Waits until this browser keeps what was answered to a path: a moment after it is on the screen. */
export async function isKeptHere(page: Page, path: string) {
  await expect
    .poll(() =>
      page.evaluate(
        key =>
          new Promise<boolean>((done, fail) => {
            const opening = indexedDB.open('uzzet-kept')
            opening.onerror = () => fail(opening.error!)
            opening.onsuccess = () => {
              const looking = opening.result.transaction('answers').objectStore('answers').count(key)
              looking.onerror = () => fail(looking.error!)
              looking.onsuccess = () => {
                opening.result.close()
                done(looking.result > 0)
              }
            }
          }),
        path,
      ),
    )
    .toBe(true)
}

/** Carries of a player's balls as the server holds them, in whole yards, in the order hit. */
export async function ballsInDatabase(playerId: string): Promise<number[]> {
  const connection = await mysql.createConnection(process.env.E2E_DATABASE_URL!)
  const [rows] = await connection.query(
    'select round(carry_m / 0.9144) as yd from shots where player_id = ? and deleted_at is null order by hit_at, id',
    [playerId],
  )
  await connection.end()
  return (rows as { yd: number }[]).map(row => row.yd)
}

/** The player's own phone, with the application installed: it opens what it saw once without a network too. */
export async function playersPhone(browser: Browser, baseURL: string) {
  const context = await browser.newContext({
    viewport: { width: 390, height: 844 },
    isMobile: true,
    hasTouch: true,
    baseURL,
    serviceWorkers: 'allow',
  })
  const page = await context.newPage()
  return {
    page,
    /** The shell is in: from now on it may go offline. */
    installed: () => page.evaluate(() => navigator.serviceWorker.ready.then(() => undefined)),
    setOffline: (off: boolean) => context.setOffline(off),
  }
}

type KindOfLink = 'Link to read' | 'Link to read and log'

/** Makes a link of the player whose page is open. @returns its address */
export async function linkOf(page: Page, kind: KindOfLink) {
  await page.getByRole('link', { name: /Carry chart/ }).click()
  await page.getByRole('link', { name: 'Publish' }).click()
  return newLink(page, kind)
}

/** The same, where what was published is open. */
export async function newLink(page: Page, kind: KindOfLink) {
  await page.getByRole('button', { name: kind, exact: true }).click()
  return (await page.getByText(/\/card#/).innerText()).trim()
}

/** What a blind or slow-sighted reader would stumble over, by the rules' ids. */
export async function seriousOf(page: Page) {
  const { violations } = await new AxeBuilder({ page }).analyze()
  return violations.filter(({ impact }) => impact === 'serious' || impact === 'critical').map(({ id }) => id)
}
