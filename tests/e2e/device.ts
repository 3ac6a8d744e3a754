import type { Page } from '@playwright/test'
import { expect } from './coach'

/** A device of this coach; its token is read off the screen, where it is shown once. */
export async function tokenOf(page: Page, name = 'Bay 3 monitor', base = ''): Promise<string> {
  await page.goto(`${base}/account`)
  await page.getByLabel('New device').fill(name)
  await page.getByRole('button', { name: 'Make a token' }).click()
  return (await page.locator('#devices code').textContent())!
}

/** Chooses the device that sends its balls to this page. */
export async function listen(page: Page, name = 'Bay 3 monitor') {
  // A page that has just opened may still be scrolled to its top: then the list is opened again.
  await expect(async () => {
    await page.keyboard.press('Escape')
    await page.getByLabel('Where balls come from').click({ timeout: 5000 })
    await page.getByRole('option', { name }).click({ timeout: 5000 })
  }).toPass({ timeout: 60_000 })
  await expect(page.getByText('Listening.')).toBeVisible()
}

/** Sends shots as the device does. @returns the status of the answer */
export function sender(base: string, token: string) {
  return async (shots: object | object[]) => {
    const reply = await fetch(new URL('/api/ingest/shots', base), {
      method: 'POST',
      body: JSON.stringify(shots),
      headers: { 'authorization': `Bearer ${token}`, 'content-type': 'application/json' },
    })
    return reply.status
  }
}
