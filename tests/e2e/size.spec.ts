import { expect, test } from './coach'

const MOST_BYTES = 260_000

test('the first load is at most 260 kB of JavaScript, and leaves charts, statistics and the offline store for later', async ({ page, demo }) => {
  const scripts = new Map<string, { bytes: number, text: string }>()
  page.on('response', async (response) => {
    if (response.request().resourceType() !== 'script') return
    const [{ responseBodySize }, text] = await Promise.all([response.request().sizes(), response.text()])
    scripts.set(response.url(), { bytes: responseBodySize, text })
  })
  // Without brotli, so that the figure is the gzipped one.
  await page.setExtraHTTPHeaders({ 'accept-encoding': 'gzip' })
  await page.goto('/sign-in')
  await expect(page.getByRole('button', { name: 'Enter the demo' })).toBeVisible()
  await page.waitForLoadState('networkidle')
  const first = [...scripts.values()]
  const bytes = first.reduce((sum, script) => sum + script.bytes, 0)
  test.info().annotations.push({ type: 'first load, bytes', description: String(bytes) })
  expect(bytes).toBeGreaterThan(50_000)
  expect(bytes).toBeLessThanOrEqual(MOST_BYTES)
  expect(first.some(script => script.text.includes('BarController') && script.text.includes('registerables'))).toBe(false)

  scripts.clear()
  await demo()
  await page.reload()
  await expect(page.getByText('Odile Harrow')).toBeVisible()
  await page.waitForLoadState('networkidle')
  const players = [...scripts.values()].reduce((sum, script) => sum + script.bytes, 0)
  test.info().annotations.push({ type: 'players, bytes', description: String(players) })
  expect(players).toBeLessThanOrEqual(MOST_BYTES)
})
