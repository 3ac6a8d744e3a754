/**
 * npm run screenshots: makes docs/screenshots/ anew from a running demo (`npm run demo` in another window); names after
 * it make those alone.
 */
import { mkdirSync } from 'node:fs'
import { fromRoot } from './lib/paths.mjs'
import { run, say, stop } from './lib/say.mjs'

const url = process.env.DEMO_URL ?? 'http://127.0.0.1:4600'
const folder = fromRoot('docs/screenshots')

run(async () => {
  if (
    !(await fetch(`${url}/api/health`).then(
      reply => reply.ok,
      () => false,
    ))
  )
    stop(`No demo answers at ${url}: start it with "npm run demo" first.`)
  const { chromium } = await import('@playwright/test')
  mkdirSync(folder, { recursive: true })
  const browser = await chromium.launch({
    executablePath: '/usr/bin/chromium',
    args: ['--no-sandbox', '--disable-gpu'],
  })
  const desk = { viewport: { width: 1280, height: 800 } }
  const phone = { viewport: { width: 390, height: 844 }, isMobile: true, hasTouch: true }

  const only = process.argv.slice(2)

  async function visit(options, name, path, { dusk = false, ready = 'h1', before = async () => {} } = {}) {
    if (only.length > 0 && !only.includes(name)) return
    const context = await browser.newContext({ ...options, baseURL: url, locale: 'en-GB' })
    if (dusk) await context.addInitScript(() => localStorage.setItem('uzzet-theme', 'dark'))
    const page = await context.newPage()
    await page.goto('/sign-in')
    await page.getByRole('button', { name: 'Enter the demo' }).click()
    await page.getByText('Odile Harrow').waitFor()
    if (path !== '/players') {
      await page.getByText('Odile Harrow').click()
      await page.waitForURL('**/chart')
      await page.goto(page.url().replace(/chart$/, path))
    }
    await page.locator(ready).first().waitFor()
    await before(page)
    await page.mouse.move(700, 5)
    await page.waitForTimeout(600)
    await page.screenshot({ path: `${folder}/${name}.png` })
    await context.close()
    say(name)
  }

  const onTheStairs = async page => {
    await page.getByRole('button', { name: 'Start Stairs' }).last().click()
    for (const ball of ['48 1r', '49 2l', '45', '50 3r', '60 1l', '66 2r']) {
      await page.locator('#go-ball').fill(ball)
      await page.getByRole('button', { name: /^Log ball/ }).click()
    }
  }
  const toTheRange = async page => {
    await page.getByRole('button', { name: 'Go on' }).click()
    await page.locator('#carry').waitFor()
    await page.locator('#carry').fill('66')
  }
  /** A device with a token of its own plays a good player into the open session. */
  const withFile = async page => {
    const rows = [
      'Club,Shot,Carry,Ball Speed,Launch Angle,Spin Rate,Offline',
      ',,,mph,deg,rpm,yds',
      ...Array.from({ length: 30 }, (_, i) =>
        [
          ['SW', 'LW', '46', '9i'][i % 4],
          'full',
          [92, 74, 131, 144][i % 4] + (i % 5),
          [79, 65, 101, 108][i % 4] + (i % 3),
          30 - (i % 4),
          9000 + 37 * i,
          `${i % 7} ${i % 2 ? 'R' : 'L'}`,
        ].join(','),
      ),
      '52,full,far,90,28,9300,0',
    ]
    await page
      .getByLabel('File of shots')
      .setInputFiles({ name: 'saturday.csv', mimeType: 'text/csv', buffer: Buffer.from(rows.join('\n')) })
    await page.getByLabel('What Shot is').selectOption('Swing length')
    await page.getByText(/rows will be added/).waitFor()
  }
  const opened = page => page.getByRole('button', { name: /^9 iron 9:00, / }).click()
  const SURE = 'button[aria-label*="±"]'
  await visit(desk, 'players', '/players', {
    before: page =>
      page
        .getByRole('listitem')
        .filter({ hasText: 'Tobias' })
        .getByText(/retest/)
        .waitFor(),
  })
  await visit(desk, 'bag', 'bag')
  await visit(desk, 'session', 'session', { before: toTheRange })
  await visit(desk, 'import', 'session/import', { before: withFile })
  await visit(desk, 'ranges', 'chart', {
    ready: SURE,
    before: async page => {
      await page.goto('/ranges')
      await page.getByText('Saltmarsh Range').waitFor()
    },
  })
  await visit(desk, 'chart', 'chart', { ready: SURE })
  await visit(desk, 'stock-shot', 'chart', { ready: SURE, before: opened })
  await visit(desk, 'published', 'chart/published', { ready: 'table' })
  await visit(desk, 'practice', 'practice', { ready: '#plan-title' })
  await visit(desk, 'rounds', 'rounds', { ready: '#work-title' })
  await visit(desk, 'gaps', 'gaps', { ready: 'canvas' })
  await visit(desk, 'what-if', 'gaps/what-if', {
    ready: 'canvas',
    before: page => page.getByRole('button', { name: '51°: one degree more' }).click(),
  })
  const toTheFlag = async page => {
    await page.locator('#pick-target').fill('77')
    await page
      .getByText(/strokes/)
      .first()
      .waitFor()
    await page.getByText(/being worked out/).waitFor({ state: 'detached' })
  }
  await visit(desk, 'pick', 'pick', { ready: '#pick-target', before: toTheFlag })
  await visit(desk, 'flags', 'gaps', {
    ready: 'canvas',
    before: async page => {
      await page.goto('/flags')
      await page.getByText('Maud Eskil').first().waitFor()
    },
  })
  await visit(phone, 'session-phone', 'session', { before: toTheRange })
  await visit(phone, 'chart-phone', 'chart', { ready: SURE })
  await visit(phone, 'practice-phone', 'practice', { ready: '#plan-title', before: onTheStairs })
  await visit(phone, 'pick-phone', 'pick', { ready: '#pick-target', before: toTheFlag })
  await visit(phone, 'card-phone', 'chart/published', {
    before: async page => {
      await page.getByRole('button', { name: 'Link to read', exact: true }).click()
      await page.goto((await page.getByText(/\/card#/).innerText()).trim())
      await page.getByText('9 iron full').waitFor()
    },
  })
  await browser.close()
})
