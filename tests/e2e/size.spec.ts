import type { Page, Request } from '@playwright/test'
import { expect, test } from './coach'

/**
 * The door comes without the schemas: what checks its form is fetched when the form is sent. Behind it, search and help
 * are fetched as soon as nothing else is to do, which may be within what is counted.
 */
const MOST_BYTES = { '/sign-in': 182_000, '/players': 340_000 } as const

// Words that only the library itself says: the bar chart, the offline store, the beta function behind Student's t, and
// the schemas.
const FOR_LATER = ['borderSkipped', 'IDBCursor', '2.5066282746310007', 'ZodType']

/** The scripts that come with a page until it is quiet: their addresses and what they weigh, gzipped. */
async function load(page: Page, path: string, sign: string) {
  const requests: Request[] = []
  page.on('requestfinished', request => void (request.resourceType() === 'script' && requests.push(request)))
  // Without brotli, so that the figure is the gzipped one.
  await page.setExtraHTTPHeaders({ 'accept-encoding': 'gzip' })
  await page.goto(path)
  await expect(page.getByText(sign).first()).toBeVisible()
  const atOnce = [...requests]
  const sizes = await Promise.all(atOnce.map(request => request.sizes()))
  const texts = await Promise.all(atOnce.map(async request => (await page.request.get(request.url())).text()))
  return {
    bytes: sizes.reduce((sum, { responseBodySize }) => sum + responseBodySize, 0),
    later: FOR_LATER.filter(word => texts.some(text => text.includes(word))),
  }
}

test('the first load is at most 182 kB of JavaScript at the door and 340 kB behind it, and leaves charts, statistics, schemas and the offline store for later', async ({
  page,
  demo,
  context,
  browser,
  baseURL,
}) => {
  await demo()
  const cookies = await context.cookies()
  const sizes: Record<string, number> = {}
  for (const [path, sign] of [
    ['/sign-in', 'Enter the demo'],
    ['/players', 'Odile Harrow'],
  ] as const) {
    // A browser that has never been here.
    const fresh = await browser.newContext({ baseURL })
    if (path !== '/sign-in') await fresh.addCookies(cookies)
    const { bytes, later } = await load(await fresh.newPage(), path, sign)
    await fresh.close()
    sizes[path] = Math.round(bytes / 1000)
    expect(bytes).toBeGreaterThan(50_000)
    expect(bytes).toBeLessThanOrEqual(MOST_BYTES[path])
    expect(
      later.filter(word => word !== 'IDBCursor' || path === '/sign-in'),
      path,
    ).toEqual([])
  }
  process.stdout.write(`  JavaScript of a first load, kB gzipped: ${JSON.stringify(sizes)}\n`)
  expect(page.url()).toContain('/players')
})
