/** npm run screenshots: makes docs/screenshots/ anew from a running demo (`npm run demo` in another window). */
import { mkdirSync } from 'node:fs'
import { fromRoot } from './lib/paths.mjs'
import { run, say, stop } from './lib/say.mjs'

const url = process.env.DEMO_URL ?? 'http://127.0.0.1:4600'
const folder = fromRoot('docs/screenshots')

run(async () => {
  if (!await fetch(`${url}/api/health`).then(reply => reply.ok, () => false)) stop(`No demo answers at ${url}: start it with "npm run demo" first.`)
  const { chromium } = await import('@playwright/test')
  mkdirSync(folder, { recursive: true })
  const browser = await chromium.launch({ executablePath: '/usr/bin/chromium', args: ['--no-sandbox', '--disable-gpu'] })
  const desk = { viewport: { width: 1280, height: 800 } }
  const phone = { viewport: { width: 390, height: 844 }, isMobile: true, hasTouch: true }

  async function visit(options, name, path, { dusk = false, ready = 'h1', before = async () => {} } = {}) {
    const context = await browser.newContext({ ...options, baseURL: url, locale: 'en-GB' })
    if (dusk) await context.addInitScript(() => localStorage.setItem('uzzet-theme', 'dark'))
    const page = await context.newPage()
    await page.goto('/sign-in')
    await page.getByRole('button', { name: 'Enter the demo' }).click()
    await page.getByText('Odile Harrow').waitFor()
    if (path !== '/players') {
      await page.getByText('Odile Harrow').click()
      await page.waitForURL('**/chart')
      await page.goto(page.url().replace('chart', path))
    }
    await page.locator(ready).first().waitFor()
    await before(page)
    await page.mouse.move(700, 5)
    await page.waitForTimeout(600)
    await page.screenshot({ path: `${folder}/${name}.png` })
    await context.close()
    say(name)
  }

  const toTheRange = async (page) => {
    await page.getByRole('link', { name: 'Go on' }).click()
    await page.locator('#carry').waitFor()
    await page.locator('#carry').fill('66')
  }
  const opened = page => page.getByRole('button', { name: /^9 iron 9:00, / }).click()
  const SURE = 'button[aria-label*="±"]'
  await visit(desk, 'players', '/players', { before: page => page.getByRole('listitem').filter({ hasText: 'Tobias' }).getByText(/retest/).waitFor() })
  await visit(desk, 'bag', 'bag')
  await visit(desk, 'session', 'session', { before: toTheRange })
  await visit(desk, 'chart', 'chart', { ready: SURE })
  await visit(desk, 'stock-shot', 'chart', { ready: SURE, before: opened })
  await visit(desk, 'gaps', 'gaps', { ready: 'canvas' })
  await visit(desk, 'gaps-dusk', 'gaps', { ready: 'canvas', dusk: true })
  await visit(phone, 'session-phone', 'session', { before: toTheRange })
  await visit(phone, 'chart-phone', 'chart', { ready: SURE })
  await visit(phone, 'gaps-phone', 'gaps', { ready: 'canvas' })
  await browser.close()
})
