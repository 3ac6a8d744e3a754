/**
 * From the last digit to the named shot in Pick's page, slowed four times, beside one frame: script, style and layout.
 * Needs the demo: `npm run demo`, then
 * `UZZET_AT=http://127.0.0.1:3000 npx tsx tests/bench/pick-page.ts`.
 */
import { chromium } from '@playwright/test'
import { median, report } from './report'

const FRAME_MS = 1000 / 60
const SLOWER = 4
const GOES = 30

const browser = await chromium.launch({ executablePath: '/usr/bin/chromium', args: ['--no-sandbox'] })
const baseURL = process.env.UZZET_AT ?? 'http://127.0.0.1:3000'
const context = await browser.newContext({ viewport: { width: 390, height: 844 }, isMobile: true, baseURL })
const page = await context.newPage()
await page.goto('/sign-in')
await page.getByRole('button', { name: 'Enter the demo' }).click()
await page.getByText('Odile Harrow').first().click()
await page.waitForURL('**/chart')
await page.goto(page.url().replace(/chart$/, 'pick'))
await page.locator('#pick-target').waitFor()
const key = (digit: string) => page.getByRole('button', { name: digit, exact: true })
await key('7').click()
// Every distance is worked out before it is measured.
await page.waitForTimeout(60_000)
const session = await context.newCDPSession(page)
await session.send('Emulation.setCPUThrottlingRate', { rate: SLOWER })
/** Handler, new page and its layout, in the page itself: what the automation does beside it is not counted. */
const timed = (label: string) =>
  page.evaluate(async name => {
    const button = [...document.querySelectorAll<HTMLElement>('button')].find(
      one => (one.getAttribute('aria-label') ?? one.textContent?.trim()) === name,
    )!
    const from = performance.now()
    button.click()
    await new Promise<void>(done => queueMicrotask(() => queueMicrotask(done)))
    await Promise.resolve()
    void document.body.offsetHeight
    return performance.now() - from
  }, label)
const times: number[] = []
for (let i = 0; i < GOES; i++) {
  await timed('Delete the last figure')
  await page.waitForTimeout(300)
  times.push(await timed(String(1 + (i % 9))))
  await page.waitForTimeout(300)
}
await browser.close()
const { tell, done } = report('pick page')
tell(
  'after the last digit, script, style and layout, slowed four times',
  median(times),
  'one frame',
  FRAME_MS,
  'below 1×',
)
done()
