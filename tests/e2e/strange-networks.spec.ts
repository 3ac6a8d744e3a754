import type { PlayerRecord } from '../../shared/record'
import { startMachines } from '../chaos/machines'
import { storm } from '../chaos/storm'
import { atTheRange, ballsInDatabase, expect, hit, provokes, test } from './coach'

const playerOf = (page: { url: () => string }) => page.url().split('/')[4]!

test("a network's sign-on page swallows no ball: it waits, and goes when the network is the own one again", async ({
  page,
}) => {
  provokes('.*')
  await atTheRange(page)
  await hit(page, '52° 9:00', [70])
  await expect.poll(() => ballsInDatabase(playerOf(page))).toEqual([70])
  await page.route('**/api/**', route =>
    route.fulfill({ status: 200, contentType: 'text/html', body: '<html>Sign on to the network of the club</html>' }),
  )
  await hit(page, '52° 9:00', [71, 72])
  await expect(page.getByRole('button', { name: '2 waiting' })).toBeVisible()
  await page.unroute('**/api/**')
  await page.evaluate(() => window.dispatchEvent(new Event('online')))
  await expect(page.getByRole('button', { name: /waiting/ })).toHaveCount(0)
  await expect.poll(() => ballsInDatabase(playerOf(page))).toEqual([70, 71, 72])
})

test('when the browser keeps nothing the coach is told, and the ball is sent all the same', async ({ page }) => {
  provokes('outbox:|kept:')
  await atTheRange(page)
  await page.evaluate(() => {
    IDBObjectStore.prototype.put = () => {
      throw new DOMException('no room', 'QuotaExceededError')
    }
  })
  await hit(page, '52° 9:00', [70, 71])
  await expect(page.getByRole('button', { name: 'not kept' })).toBeVisible()
  await expect.poll(() => ballsInDatabase(playerOf(page))).toEqual([70, 71])
  await page.getByRole('button', { name: 'not kept' }).click()
  await expect(page.getByText('This browser keeps nothing just now')).toBeVisible()
})

test('balls of a club that another screen took away are given to another one, all at once', async ({
  page,
  context,
}) => {
  provokes('422|ERR_INTERNET_DISCONNECTED')
  await atTheRange(page)
  const player = playerOf(page)
  // No service worker here: what is fetched late must have come before the network goes.
  await page.waitForLoadState('networkidle')
  await context.setOffline(true)
  await hit(page, '52° 9:00', [70, 71])
  const cookies = await context.cookies()
  const other = await (await page.context().browser()!.newContext({ baseURL: process.env.E2E_URL })).newPage()
  await other.context().addCookies(cookies)
  const record = (await (await other.request.get(`/api/players/${player}`)).json()) as {
    bag: { clubs: { id: string; label: string }[]; scale: object }
    bagVersion: number
  }
  const saved = await other.request.put(`/api/players/${player}/bag`, {
    data: {
      version: record.bagVersion,
      clubs: record.bag.clubs.filter(club => club.label !== '52°'),
      scale: record.bag.scale,
      struckOut: [],
    },
  })
  expect(saved.status()).toBe(200)
  await context.setOffline(false)
  await page.getByRole('button', { name: '2 refused' }).click()
  await expect(page.getByText("This club is not in the player's bag.").first()).toBeVisible()
  await page.getByRole('button', { name: 'Give it to…' }).first().click()
  await page.getByRole('combobox', { name: 'Club' }).click()
  await page.getByRole('option', { name: '46°' }).click()
  await page.getByRole('button', { name: 'All 2 like it' }).click()
  await expect(page.getByRole('button', { name: /refused/ })).toHaveCount(0)
  await expect.poll(() => ballsInDatabase(player)).toEqual([70, 71])
  await other.context().close()
})

test('a tablet whose clock is a day ahead logs balls like any other, and they say so', async ({ page }) => {
  await page.addInitScript(() => {
    const now = Date.now.bind(Date)
    Date.now = () => now() + 86_400_000
  })
  await atTheRange(page)
  await hit(page, '52° 9:00', [70])
  await expect(page.getByText('time set right').first()).toBeVisible()
  await expect.poll(() => ballsInDatabase(playerOf(page))).toEqual([70])
  await expect(page.getByRole('button', { name: /refused|waiting/ })).toHaveCount(0)
})

test('a short storm over two tablets loses and doubles nothing', { tag: '@long' }, async () => {
  test.setTimeout(1_800_000)
  const machines = await startMachines()
  try {
    const { acknowledged, lost, doubled, strange, refusedShown } = await storm(
      machines,
      30,
      Number(process.env.UZZET_SEED ?? 20_261_128),
    )
    expect({ lost, doubled, strange, refusedShown }).toEqual({ lost: [], doubled: [], strange: [], refusedShown: 0 })
    expect(acknowledged).toBeGreaterThan(15)
  } finally {
    await machines.stop()
  }
})

test(
  'balls of a session that another screen merged away while they waited get a session of their own @long',
  { tag: '@desk' },
  async ({ page, context }) => {
    provokes('422|ERR_INTERNET_DISCONNECTED')
    await atTheRange(page)
    const player = playerOf(page)
    await hit(page, '52° 9:00', [70])
    await expect.poll(() => ballsInDatabase(player)).toEqual([70])
    await page.waitForLoadState('networkidle')
    const session = page.url()
    await context.setOffline(true)
    await hit(page, '52° 9:00', [71, 72])

    // Another screen of the same coach: a session beside it, and this one merged into that.
    const others = await page.context().browser()!.newContext({ baseURL: process.env.E2E_URL })
    await others.addCookies(await context.cookies())
    const other = await others.newPage()
    await other.goto(session.replace(/\/session\/.*/, '/session'))
    await other.getByText('Start another beside it').click()
    await other.getByRole('button', { name: 'Start the session' }).click()
    await expect(other.getByRole('button', { name: 'More about this session' })).toBeVisible()
    await other.goto(session)
    await other.getByRole('button', { name: 'More about this session' }).click()
    await other.getByRole('menuitem', { name: 'Merge into another session…' }).click()
    await other.getByRole('dialog').getByLabel('Into').click()
    await other.getByRole('option').first().click()
    await other.getByRole('dialog').getByRole('button', { name: 'Merge' }).click()
    await expect(other).not.toHaveURL(session)
    await expect(other.getByText('1 ball this session')).toBeVisible()
    // The page shows it before the server has it; balls that come in between keep their session, and it is shown.
    await expect
      .poll(async () => {
        const { sessions } = (await (await other.request.get(`/api/players/${player}`)).json()) as PlayerRecord
        return sessions.map(({ plan }) => plan.gone)
      })
      .toEqual([true, false])

    await context.setOffline(false)
    await page.getByRole('button', { name: '2 refused' }).click()
    await expect(page.getByText(/was merged into another/).first()).toBeVisible()
    await page.getByRole('button', { name: 'Give it to…' }).first().click()
    await page.getByRole('button', { name: 'All 2 like it' }).click()
    await expect(page.getByRole('button', { name: /refused/ })).toHaveCount(0)
    await expect.poll(() => ballsInDatabase(player)).toEqual([70, 71, 72])
    await others.close()
  },
)
