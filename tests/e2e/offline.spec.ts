import { execFileSync } from 'node:child_process'
import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { chromium } from '@playwright/test'
import { areKept, atTheRange, ballsInDatabase, expect, hit, isKeptHere, test } from './coach'
import { serve } from './stack'

for (const balls of [40, 200])
  test(
    `a session of ${balls} balls without a network, the browser killed and opened again, is there, once each`,
    { tag: '@long' },
    async ({ viewport }, info) => {
      test.setTimeout(900_000)
      const profile = mkdtempSync(join(tmpdir(), 'uzzet-offline-'))
      let server = await serve(process.env.E2E_DATABASE_URL!)
      const open = () =>
        chromium.launchPersistentContext(profile, {
          ...info.project.use.launchOptions,
          baseURL: server.url,
          viewport,
          serviceWorkers: 'allow',
        })
      try {
        const page = await (await open()).newPage()
        await atTheRange(page)
        // What was looked at once is there without a network.
        const session = page.url()
        await page.goto('/players')
        await expect(page.getByText('Pip Marlow')).toBeVisible()
        await isKeptHere(page, '/api/players')
        await page.goto(session)
        await expect(page.locator('#carry')).toBeVisible()
        const cookies = await page.context().cookies()
        const player = page.url().split('/')[4]!
        await hit(page, '58° full', [81])
        await expect.poll(() => ballsInDatabase(player)).toEqual([81])
        await page.evaluate(() => navigator.serviceWorker.ready.then(() => undefined))
        await server.stop()

        const carries = Array.from({ length: balls }, (_, n) => 80 + (n % 7))
        await hit(page, '58° full', carries)
        await expect(page.getByRole('button', { name: `${balls} waiting` })).toBeVisible()
        await areKept(page, balls)
        const url = page.url()
        execFileSync('pkill', ['-9', '-f', profile])

        const again = await (await open()).newPage()
        await again.goto(url)
        await expect(again.getByText('No connection.')).toBeVisible()
        await expect(again.getByRole('button', { name: `${balls} waiting` })).toBeVisible()
        await expect(again.getByText(`${balls + 1} balls this session`)).toBeVisible()
        await hit(again, '58° full', [95])
        await expect(again.getByText(`${balls + 2} balls this session`)).toBeVisible()
        // Other pages open too, from what the device knows.
        await again.goto(`/players/${player}/chart`)
        await expect(again.getByRole('heading', { name: 'Carry chart' })).toBeVisible()
        await again.goto('/players')
        await expect(again.getByText('Pip Marlow')).toBeVisible()
        await again.goto(url)

        // Chromium writes cookies down every half minute: a killed one may have forgotten this one. Before the server
        // is there: the page would be told that it is signed out, and would wait for its coach.
        await again.context().addCookies(cookies)
        server = await serve(process.env.E2E_DATABASE_URL!, Number(new URL(server.url).port))
        await expect.poll(async () => (await ballsInDatabase(player)).length).toBe(balls + 2)
        await expect(again.getByText(`${balls + 2} balls this session`)).toBeVisible()
        await expect(again.getByText('No connection.')).toHaveCount(0)
        expect((await ballsInDatabase(player)).sort()).toEqual([81, ...carries, 95].sort())
        await again.context().close()
      } finally {
        rmSync(profile, { recursive: true, force: true })
        await server.stop()
      }
    },
  )
