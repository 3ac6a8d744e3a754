import { test as base, expect, type Page } from '@playwright/test'
import mysql from 'mysql2/promise'

export { expect }

/** Every page of every test: no error on its console, no request that leaves the machine. */
export const test = base.extend<{ quiet: undefined, signUp: () => Promise<void>, demo: () => Promise<void> }>({
  baseURL: async ({}, use) => use(process.env.E2E_URL), // eslint-disable-line no-empty-pattern
  quiet: [async ({ page, baseURL }, use, info) => {
    const noise: string[] = []
    page.on('pageerror', error => noise.push(`error: ${error.message}`))
    page.on('console', message => message.type() === 'error' && noise.push(`console: ${message.text()}`))
    page.on('request', request => /^https?:/.test(request.url()) && !request.url().startsWith(new URL(baseURL!).origin) && noise.push(`left the machine: ${request.url()}`))
    await use(undefined)
    // A refused request is told by the browser as an error; the tests that provoke one say so.
    const allowed = info.annotations.filter(a => a.type === 'provokes').map(a => new RegExp(a.description!))
    expect(noise.filter(line => !allowed.some(pattern => pattern.test(line)))).toEqual([])
  }, { auto: true }],
  signUp: async ({ page }, use) => use(() => openAccount(page)),
  demo: async ({ page }, use) => use(async () => {
    await page.goto('/sign-in')
    await page.getByRole('button', { name: 'Enter the demo' }).click()
    await expect(page.getByText('Odile Harrow')).toBeVisible()
  }),
})

/** A new academy with its coach, and no players yet. */
export async function openAccount(page: Page) {
  await page.goto('/sign-up')
  await page.getByLabel('Your name').fill('Ada Vane')
  await page.getByLabel('Academy').fill('Test Links')
  await page.getByLabel('E-mail').fill(`coach-${Date.now()}-${Math.floor(performance.now() * 1000)}@saltmarsh.example`)
  await page.getByLabel('Password').fill('links and wind')
  await page.getByRole('button', { name: 'Open the account' }).click()
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
  await page.getByRole('button', { name: '46°, 52°, 58°' }).click()
  await page.getByRole('button', { name: /^Clock/ }).click()
  await page.getByRole('button', { name: 'Save the bag' }).click()
  await expect(page.getByText('Bag saved').first()).toBeVisible()
}

export async function startSession(page: Page) {
  await page.getByRole('link', { name: /Range session/ }).first().click()
  await page.getByRole('button', { name: 'Start the session' }).click()
  await expect(page.locator('#carry')).toBeVisible()
}

/** Chooses a stock shot on the board and logs carries with the keyboard. */
export async function hit(page: Page, cell: string, carries: (number | string)[]) {
  await page.getByRole('button', { name: cell, exact: true }).click()
  for (const carry of carries) {
    await page.locator('#carry').fill(String(carry))
    await page.locator('#carry').press('Enter')
  }
}

/** A coach with a player, a bag and a running session. */
export async function atTheRange(page: Page, signUp: () => Promise<void>, name = 'Pip Marlow') {
  await signUp()
  await addPlayer(page, name)
  await packBag(page)
  await startSession(page)
}

/** Carries of a player's balls as the server holds them, in whole yards, in the order hit. */
export async function ballsInDatabase(playerId: string): Promise<number[]> {
  const connection = await mysql.createConnection(process.env.E2E_DATABASE_URL!)
  const [rows] = await connection.query('select round(carry_m / 0.9144) as yd from shots where player_id = ? and deleted_at is null order by hit_at, id', [playerId])
  await connection.end()
  return (rows as { yd: number }[]).map(row => row.yd)
}
