import { execFileSync } from 'node:child_process'
import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { chromium, type Page } from '@playwright/test'
import { areKept, atTheRange, ballsInDatabase, expect, hit, provokes, test } from './coach'
import { serve } from './stack'

const NETWORK = 'ERR_INTERNET_DISCONNECTED|ERR_FAILED|ERR_CONNECTION|Failed to load resource'

const playerOf = (page: Page) => page.url().split('/')[4]!

test('with the network off, balls are kept, shown as waiting, and sent when it is back', async ({ page, context }) => {
  provokes(NETWORK)
  await atTheRange(page)
  await hit(page, '58° full', [80])
  await expect.poll(() => ballsInDatabase(playerOf(page))).toEqual([80])
  await context.setOffline(true)
  await hit(page, '58° full', [81, 82])
  await expect(page.getByText('3 balls count')).toBeVisible()
  await expect(page.getByRole('button', { name: '2 waiting' })).toBeVisible()
  await expect(page.getByRole('listitem').getByText('waiting', { exact: true })).toHaveCount(2)
  // Undo works without the network too.
  await page.locator('body').press('u')
  await hit(page, '58° full', [83])
  await page.getByRole('button', { name: /waiting/ }).click()
  await expect(page.getByText(/entries wait: they are sent by themselves/)).toBeVisible()
  await page.keyboard.press('Escape')
  await context.setOffline(false)
  await expect(page.getByRole('button', { name: /waiting/ })).toHaveCount(0)
  await expect.poll(() => ballsInDatabase(playerOf(page))).toEqual([80, 81, 83])
})

test('a browser killed with SIGKILL has its unsent balls when it is opened again @long', async ({ baseURL }, info) => {
  const profile = mkdtempSync(join(tmpdir(), 'uzzet-browser-'))
  const open = () => chromium.launchPersistentContext(profile, { ...info.project.use.launchOptions, baseURL })
  try {
    const context = await open()
    const page = await context.newPage()
    await page.goto('/sign-in')
    await page.getByRole('button', { name: 'Enter the demo' }).click()
    await page.getByText('Tobias Fenn').click()
    await page.getByRole('link', { name: /Range session/ }).click()
    await page.getByRole('button', { name: 'Start the session' }).click()
    const before = await ballsInDatabase(playerOf(page))
    await hit(page, 'sand full', [70])
    await expect.poll(() => ballsInDatabase(playerOf(page))).toEqual([...before, 70])
    await context.setOffline(true)
    await hit(page, 'sand full', [71, 72])
    await page.locator('#carry').fill('8')
    await expect(page.getByRole('button', { name: '2 waiting' })).toBeVisible()
    await areKept(page, 2)
    const url = page.url()
    execFileSync('pkill', ['-9', '-f', profile])

    const again = await open()
    const reopened = await again.newPage()
    await reopened.goto(url)
    // Chromium writes cookies down every half minute: the coach may have to enter again, and comes back to the session.
    const enter = reopened.getByRole('button', { name: 'Enter the demo' })
    await expect(enter.or(reopened.locator('#carry'))).toBeVisible()
    if (await enter.isVisible()) await enter.click()
    await expect(reopened.getByRole('button', { name: 'sand full, 72 yd' })).toBeVisible()
    await expect.poll(() => ballsInDatabase(url.split('/')[4]!)).toEqual([...before, 70, 71, 72])
    await again.close()
  } finally {
    rmSync(profile, { recursive: true, force: true })
  }
})

test('a reload in the middle of a session loses nothing: balls, chosen stock shot, half-typed carry', async ({
  page,
}) => {
  await atTheRange(page)
  await hit(page, '52° 9:00', [70, 71])
  await page.locator('#carry').fill('7')
  await page.reload()
  await expect(page.getByRole('heading', { name: '52° at 9:00' })).toBeVisible()
  await expect(page.locator('#carry')).toHaveValue('7')
  await expect(page.getByText('2 balls count')).toBeVisible()
  // Undo still knows the last ball.
  await page.locator('#carry').fill('')
  await page.locator('body').press('u')
  await expect(page.getByText('1 ball counts')).toBeVisible()
})

test('a server killed between two balls loses none, and the same balls are not there twice', async ({ browser }) => {
  let server = await serve(process.env.E2E_DATABASE_URL!)
  const page = await browser.newPage({ baseURL: server.url })
  try {
    await page.goto('/sign-in')
    await page.getByRole('button', { name: 'Enter the demo' }).click()
    await page.getByText('Jory Quill').click()
    await page.getByRole('link', { name: /Range session/ }).click()
    await page.getByRole('button', { name: 'Start the session' }).click()
    const before = await ballsInDatabase(playerOf(page))
    await hit(page, '60° stock', [61])
    await expect.poll(() => ballsInDatabase(playerOf(page))).toEqual([...before, 61])
    server.kill()
    await server.ended
    await hit(page, '60° stock', [62, 63])
    await expect(page.getByRole('button', { name: '2 waiting' })).toBeVisible()
    server = await serve(process.env.E2E_DATABASE_URL!, Number(new URL(server.url).port))
    await expect(page.getByRole('button', { name: /waiting/ })).toHaveCount(0)
    await expect.poll(() => ballsInDatabase(playerOf(page))).toEqual([...before, 61, 62, 63])
  } finally {
    await page.close()
    await server.stop()
  }
})

test('the ball is on the screen without an answer from the server @long', async ({ page }) => {
  await atTheRange(page)
  let release = () => {}
  await page.route('**/shots', async route => {
    await new Promise<void>(done => {
      release = done
    })
    await route.continue()
  })
  await hit(page, '58° full', [80])
  await expect(page.getByRole('button', { name: '58° full, 80 yd' })).toBeVisible()
  await expect(page.getByRole('button', { name: '58° full', exact: true })).toContainText('80')
  release()
})

test('a ball that the server refuses is shown with its reason, and can be discarded', async ({ page }) => {
  provokes('422')
  await atTheRange(page)
  await page.route(
    '**/shots',
    async route => {
      const body = route.request().postDataJSON() as { shots: object[] }
      await route.continue({ postData: JSON.stringify({ shots: body.shots.map(shot => ({ ...shot, carryM: 9999 })) }) })
    },
    { times: 2 },
  )
  await hit(page, '58° full', [80])
  await page.getByRole('button', { name: '1 refused' }).click()
  await expect(page.getByText('Carry 9999 m is not possible: 0.9144 to 365.76 m is allowed.')).toBeVisible()
  await page.getByRole('button', { name: 'Discard' }).click()
  await expect(page.getByText('None yet.')).toBeVisible()
  await expect(page.getByRole('button', { name: '58° full, 80 yd' })).toHaveCount(0)
  // The session's own undo finds nothing of it, and says so without a fuss.
  await page.locator('body').press('u')
  await page
    .getByRole('region', { name: /Notifications/ })
    .getByRole('button', { name: 'Undo' })
    .click()
  await page.getByRole('button', { name: '1 refused' }).click()
  await page.getByRole('button', { name: 'Send again' }).click()
  await expect(page.getByRole('button', { name: /refused/ })).toHaveCount(0)
  await expect.poll(() => ballsInDatabase(playerOf(page))).toEqual([80])
})

const keptPaths = (page: Page) =>
  page.evaluate(
    () =>
      new Promise<IDBValidKey[]>((done, fail) => {
        const opening = indexedDB.open('uzzet-kept')
        opening.onerror = () => fail(new Error('The store does not open.'))
        opening.onsuccess = () => {
          const keys = opening.result.transaction('answers').objectStore('answers').getAllKeys()
          keys.onsuccess = () => {
            opening.result.close()
            done(keys.result)
          }
        }
      }),
  )

test('signed out in the middle, nothing entered is lost, and signing in again sends it', async ({ page, request }) => {
  provokes('401')
  await atTheRange(page)
  const cookies = await page.context().cookies()
  await page.context().clearCookies()
  await hit(page, '58° full', [80])
  await expect(page.getByText('You are signed out.')).toBeVisible()
  await expect(page.getByRole('button', { name: '1 waiting' })).toBeVisible()
  // Whoever ended the sign-in may have lost the tablet: no player's record is kept on it any more.
  await expect.poll(() => keptPaths(page)).toEqual([])
  await page.context().addCookies(cookies)
  await page.reload()
  await expect.poll(() => ballsInDatabase(playerOf(page))).toEqual([80])
  expect((await request.get('/api/account')).status()).toBe(401)
})
