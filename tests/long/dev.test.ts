import { spawn } from 'node:child_process'
import { once } from 'node:events'
import { setTimeout as wait } from 'node:timers/promises'
import { chromium } from '@playwright/test'
import { expect, it } from 'vitest'
import { freePortFrom } from '../../scripts/lib/ports.mjs'

const PATIENCE_MS = 400_000

async function served(url: string): Promise<void> {
  const until = Date.now() + PATIENCE_MS
  while (Date.now() < until) {
    const reply = await fetch(url).catch(() => null)
    if (reply?.ok) return
    await wait(500)
  }
  throw new Error(`nothing is served on ${url}`)
}

it('npm run dev opens at the first try: nothing is answered with an error, and the page is not loaded twice', async () => {
  const port = await freePortFrom(4650)
  const dev = spawn(process.execPath, ['scripts/dev.mjs'], {
    env: { ...process.env, PORT: String(port), NODE_ENV: 'development' },
    stdio: 'ignore',
  })
  const url = `http://127.0.0.1:${port}/sign-in`
  try {
    await served(url)
    const browser = await chromium.launch({ executablePath: '/usr/bin/chromium', args: ['--no-sandbox'] })
    const page = await browser.newPage()
    const wrong: string[] = []
    let loads = 0
    page.on('load', () => loads++)
    page.on('response', reply => reply.status() >= 400 && wrong.push(`${reply.status()} ${reply.url()}`))
    await page.goto(url, { timeout: PATIENCE_MS })
    await page.getByLabel('Password').waitFor({ timeout: PATIENCE_MS })
    await browser.close()
    expect(wrong).toEqual([])
    expect(loads).toBe(1)
  } finally {
    dev.kill('SIGTERM')
    await once(dev, 'exit')
  }
})
