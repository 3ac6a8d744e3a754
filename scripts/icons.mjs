/**
 * npm run icons: draws the icons of an installed Uzzet from public/favicon.svg, with the browser that the tests use:
 * with round corners as it stands, and "maskable" ones on a full ground, since a phone cuts its own shape out of them.
 */
import { readFileSync } from 'node:fs'
import { fromRoot } from './lib/paths.mjs'
import { run, say } from './lib/say.mjs'

const GROUND = '#1E2A3A'
/** What a phone may cut away leaves the inner four fifths. (W3C Web Application Manifest, "maskable".) */
const SAFE = 0.8

run(async () => {
  const { chromium } = await import('@playwright/test')
  const picture = readFileSync(fromRoot('public/favicon.svg'), 'utf8')
  const browser = await chromium.launch({
    executablePath: '/usr/bin/chromium',
    args: ['--no-sandbox', '--disable-gpu'],
  })
  for (const [name, size, share, ground] of [
    ['icon-192', 192, 1, 'transparent'],
    ['icon-512', 512, 1, 'transparent'],
    ['icon-maskable-512', 512, SAFE, GROUND],
    ['apple-touch-icon', 180, SAFE, GROUND],
  ]) {
    const page = await browser.newPage({ viewport: { width: size, height: size } })
    await page.setContent(
      `<style>body{margin:0;height:100vh;display:grid;place-items:center;background:${ground}}
       svg{width:${share * 100}%;height:${share * 100}%}</style>${picture}`,
    )
    await page.screenshot({ path: fromRoot(`public/${name}.png`), omitBackground: true })
    await page.close()
    say(`public/${name}.png`)
  }
  await browser.close()
})
