import { execFileSync } from 'node:child_process'
import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { chromium, type Page } from '@playwright/test'
import { areKept, expect, provokes, test } from './coach'

const tap = async (page: Page, keys: string) => {
  for (const key of keys)
    await page
      .getByRole('button', {
        name: key === '<' ? 'Left of the line' : key === '>' ? 'Right of the line' : key,
        exact: true,
      })
      .tap()
}

test('stairs by thumb without a network, the browser killed in the middle, goes on where it was @long', async ({
  baseURL,
  viewport,
}, info) => {
  test.setTimeout(600_000)
  provokes('ERR_|Failed to load resource')
  const profile = mkdtempSync(join(tmpdir(), 'uzzet-practice-'))
  const open = () =>
    chromium.launchPersistentContext(profile, {
      ...info.project.use.launchOptions,
      baseURL,
      viewport,
      isMobile: true,
      hasTouch: true,
      serviceWorkers: 'allow',
    })
  try {
    const context = await open()
    const page = await context.newPage()
    await page.goto('/sign-in')
    await page.getByRole('button', { name: 'Enter the demo' }).tap()
    await page.getByText('Odile Harrow').tap()
    await page.getByRole('link', { name: /Practice/ }).tap()
    await page.getByRole('button', { name: 'Start Stairs', exact: true }).last().tap()
    await expect(page.getByText('Ball 1 of 24')).toBeVisible()
    await page.evaluate(() => navigator.serviceWorker.ready.then(() => undefined))
    await areKept(page, 0)
    const cookies = await context.cookies()
    await context.setOffline(true)
    for (const keys of ['48>1', '50<3', '46']) {
      await tap(page, keys)
      await page.getByRole('button', { name: /^Log ball/ }).tap()
    }
    await expect(page.getByText('Ball 4 of 24')).toBeVisible()
    await expect(page.getByText(/^2 short/).first()).toBeVisible()
    expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390)
    await areKept(page, 3)
    const url = page.url()
    execFileSync('pkill', ['-9', '-f', profile])

    const later = await open()
    await later.addCookies(cookies)
    await later.setOffline(true)
    const again = await later.newPage()
    await again.goto(url)
    await expect(again.getByText('Ball 4 of 24')).toBeVisible()
    await tap(again, '48')
    await again.getByRole('button', { name: /^Log ball/ }).tap()
    await expect(again.getByText('Ball 5 of 24')).toBeVisible()
    await later.setOffline(false)
    await areKept(again, 0)
    await again.reload()
    await expect(again.getByText('Ball 5 of 24')).toBeVisible()
    await later.close()
  } finally {
    rmSync(profile, { recursive: true, force: true })
  }
})
