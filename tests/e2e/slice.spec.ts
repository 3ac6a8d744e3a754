import AxeBuilder from '@axe-core/playwright'
import type { Page } from '@playwright/test'
import { PLAYERS } from '../../demo/scenario'
import { addPlayer, expect, hit, onBoard, openAccountByHand, packBag, startSession, test } from './coach'

/** Every finding of axe, whatever it thinks of its weight. */
async function findings(page: Page) {
  const { violations } = await new AxeBuilder({ page }).analyze()
  return violations.map(
    v =>
      `${v.id}: ${v.nodes
        .slice(0, 3)
        .map(n => n.html.slice(0, 160))
        .join(' | ')}`,
  )
}

/** Nothing runs over the edge, at either width. */
async function fits(page: Page) {
  const { scroll, width } = await page.evaluate(() => ({
    scroll: document.documentElement.scrollWidth,
    width: document.documentElement.clientWidth,
  }))
  expect(scroll, page.url()).toBeLessThanOrEqual(width)
}

test('from a new account to a gap chart', async ({ page }) => {
  await openAccountByHand(page)
  await addPlayer(page, 'Pip Marlow')
  await packBag(page)
  await startSession(page)

  await hit(page, '58° full', [80, 84, 82])
  await hit(page, '52° full', [101, 103, 99])
  await hit(page, '52° 9:00', [83])
  await expect(await onBoard(page, '52° 9:00')).toContainText(/8[1-5]/)
  await page.keyboard.press('Escape')

  await page
    .getByRole('link', { name: /Carry chart/ })
    .first()
    .click()
  await expect(page.getByRole('button', { name: /^58° full, 8[123] ± \d yd, 3 balls$/ })).toBeVisible()
  // Three were hit, and all the others are predicted from them, and look it.
  await expect(page.getByRole('button', { name: /^46° 9:00, \d+ ± \d+ yd, predicted$/ })).toBeVisible()
  await expect(page.getByRole('button', { name: /predicted$/ })).toHaveCount(9)
  await expect(page.getByText(/^\s*\d+ of 12 known\s*$/).first()).toBeVisible()
  await fits(page)

  await page.getByRole('link', { name: /Gaps/ }).first().click()
  await expect(page.getByRole('heading', { name: 'Still open' })).toBeVisible()
  await expect(page.locator('canvas').first()).toBeVisible()
  await page.getByRole('button', { name: 'As a table' }).click()
  await expect(page.getByRole('row', { name: /52° full 10[0-2] \d+ ± \d+ \d+ to \d+ 3/ })).toBeVisible()
  await fits(page)

  // Metres everywhere at once, and for good.
  await page.getByRole('button', { name: 'Metres' }).click()
  await expect(page.getByRole('row', { name: /52° full 9[1-3]/ })).toBeVisible()
  await page.reload()
  await page.getByRole('button', { name: 'As a table' }).click()
  await expect(page.getByRole('row', { name: /52° full 9[1-3]/ })).toBeVisible()
})

test(
  'every page of the demo has no finding of axe, fits, and speaks of its player',
  { tag: '@long' },
  async ({ page, demo }) => {
    test.slow()
    await page.goto('/sign-in')
    await expect(page.getByRole('button', { name: 'Enter the demo' })).toBeVisible()
    expect(await findings(page)).toEqual([])
    await page.goto('/sign-up')
    await expect(page.getByRole('button', { name: 'Open the account' })).toBeVisible()
    expect(await findings(page)).toEqual([])
    await demo()
    expect(await findings(page)).toEqual([])
    await fits(page)
    await page.getByText('Odile Harrow').click()
    await expect(page.getByRole('heading', { name: 'Carry chart' })).toBeVisible()
    const player = page.url().replace(/\/chart$/, '')
    for (const [path, heading] of [
      ['chart', 'Carry chart'],
      ['chart/published', 'Published chart'],
      ['chart/compare', 'What moved'],
      ['chart/believed', 'Believed and measured'],
      ['chart/speed', 'Carry by club speed'],
      ['gaps', 'Gaps'],
      ['pick', 'Pick'],
      ['bag', 'Bag'],
      ['session', 'Range session'],
      ['practice', 'Practice'],
      ['rounds', 'Rounds'],
      ['rounds/review', 'Review'],
      ['gaps/what-if', 'What if'],
    ] as const) {
      await page.goto(`${player}/${path}`)
      await expect(page.getByRole('heading', { name: heading, exact: true })).toBeVisible()
      if (path === 'gaps') await expect(page.locator('canvas').first()).toBeVisible()
      if (path === 'pick') {
        await page.locator('#pick-target').fill('77')
        await expect(page.getByText(/strokes/).first()).toBeVisible()
      }
      expect(await findings(page), path).toEqual([])
      await fits(page)
    }
    await page.goto(`${player}/session`)
    await page.getByRole('button', { name: 'Go on' }).click()
    await expect(page.locator('#carry')).toBeVisible()
    expect(await findings(page), 'desk').toEqual([])
    await fits(page)
    const ownPages = ['/account', '/for-programs', '/academy', '/ranges', '/flags', '/players'] as const
    for (const path of ownPages) {
      await page.goto(path)
      await expect(page.locator('h1')).toBeVisible()
      await expect(page.getByRole('status').filter({ hasText: /on their way/ })).toHaveCount(0)
      expect(await findings(page), path).toEqual([])
      await fits(page)
    }
    await page.evaluate(() => localStorage.setItem('uzzet-theme', 'dark'))
    const stages = ['chart', 'gaps', 'bag', 'pick', 'practice', 'rounds', 'session'].map(path => `${player}/${path}`)
    for (const path of [...stages, ...ownPages]) {
      await page.goto(path)
      await expect(page.locator('h1')).toBeVisible()
      expect(await findings(page), `${path} at dusk`).toEqual([])
    }
  },
)

test('every stage of every demo player opens @long', async ({ page, demo }) => {
  test.slow()
  await demo()
  // Another test may have added a player of its own.
  const links = await Promise.all(
    PLAYERS.map(({ name }) => page.getByRole('link', { name }).first().getAttribute('href')),
  )
  for (const link of links) {
    await page.goto(link!)
    const rail = page.getByRole('navigation', { name: 'Stages of the work' })
    for (const stage of ['bag', 'session', 'chart', 'gaps', 'pick', 'practice', 'rounds']) {
      await rail.locator(`a[href$="/${stage}"]`).click()
      await expect(rail.locator('[aria-current="page"]')).toHaveAttribute('href', `${link}/${stage}`)
      await expect(page.locator('h1')).toBeVisible()
      await fits(page)
    }
  }
})

test('nothing shifts under the reader while a stage comes @long', async ({ page, demo }) => {
  await demo()
  await page.getByText('Odile Harrow').first().click()
  await page.waitForURL('**/chart')
  const player = new URL(page.url()).pathname.replace(/\/chart$/, '')
  await page.addInitScript(() => {
    const shifts = { sum: 0 }
    Object.assign(globalThis, { shifts })
    new PerformanceObserver(list => {
      for (const entry of list.getEntries() as (PerformanceEntry & { value: number; hadRecentInput: boolean })[])
        if (!entry.hadRecentInput) shifts.sum += entry.value
    }).observe({ type: 'layout-shift', buffered: true })
  })
  const shifted: Record<string, number> = {}
  for (const stage of ['bag', 'session', 'chart', 'gaps', 'pick', 'practice', 'rounds']) {
    await page.goto(`${player}/${stage}`, { waitUntil: 'networkidle' })
    await expect(page.getByRole('heading', { level: 1 })).toBeVisible()
    await expect(page.getByRole('status', { name: 'Being worked out' })).toHaveCount(0)
    const sum = await page.evaluate(() => (globalThis as unknown as { shifts: { sum: number } }).shifts.sum)
    if (sum >= 0.05) shifted[stage] = sum
  }
  expect(shifted).toEqual({})
})
