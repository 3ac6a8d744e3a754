import type { Page } from '@playwright/test'
import { areKept, expect, hit, openAccount, packBag, addPlayer, seriousOf, startSession, test } from './coach'

/** What is chosen in a list of the browser's own. */
const hitWith = (page: Page, label: string) => page.getByLabel(label, { exact: true }).locator('option:checked')

test('a round of approaches by keyboard, mended, deleted and brought back; it works without a network, and practice hears of it', async ({
  page,
  context,
}) => {
  test.info().annotations.push({ type: 'provokes', description: 'ERR_INTERNET_DISCONNECTED|Failed to load resource' })
  await openAccount(page)
  await addPlayer(page, 'Pip Marlow')
  await packBag(page)
  await startSession(page)
  await hit(page, '58° full', [80, 81, 79])
  await hit(page, '52° full', [100, 101])
  await page.getByRole('link', { name: /Rounds/ }).click()
  const lines = page.getByLabel('Approaches, one a line, yd')
  await page.getByRole('button', { name: 'Keep the round' }).click()
  await expect(page.getByRole('alert')).toContainText('Write one approach a line first.')
  await lines.fill('80 -8 3r\n102 far')
  await expect(page.getByRole('alert')).toContainText('Line 2: "far" is not known')
  const season = Array.from({ length: 9 }, (_, i) => [`80 -${14 + (i % 3)} 2r`, `101 +${i % 3} 1l`]).flat()
  await lines.fill(season.join('\n'))
  const asRead = page.getByRole('list', { name: 'As it is read' })
  await expect(asRead.getByRole('listitem')).toHaveCount(18)
  await expect(asRead.getByRole('listitem').first()).toContainText('14 yd short, 2 yd right')
  await expect(hitWith(page, 'Hit with, approach 1')).toHaveText('58° full')
  await expect(hitWith(page, 'Hit with, approach 2')).toHaveText('52° full')
  // The other unit changes the figures, not the distances; and back.
  await page.getByRole('button', { name: 'Metres' }).click()
  await expect(page.getByLabel('Approaches, one a line, m')).toHaveValue(/^73\.2 -12\.8 1\.8r/)
  await page.getByRole('button', { name: 'Yards' }).click()
  await expect(lines).toHaveValue(/^80 -14 2r/)
  // What is half typed survives a reload.
  await page.reload()
  await expect(lines).toHaveValue(/^80 -14 2r/)
  expect(await seriousOf(page)).toEqual([])
  await page.getByRole('button', { name: 'Keep the round' }).click()
  await expect(page.getByText('18 approaches kept').first()).toBeVisible()
  await expect(page.getByText('18 chances in one round. None longer than 101 yd.')).toBeVisible()
  const work = page.getByRole('region', { name: 'What to work on' })
  await expect(work.getByRole('listitem').first()).toContainText(/58° full.*50 in 100 chances/)
  await expect(page.getByRole('row', { name: /80 to 89 9/ })).toBeVisible()

  await context.setOffline(true)
  await lines.fill('80 on')
  await page.getByRole('button', { name: 'Keep the round' }).click()
  await expect(page.getByText('19 chances in 2 rounds.')).toBeVisible()
  await areKept(page, 1)
  await context.setOffline(false)
  await areKept(page, 0)
  await page.reload()
  await expect(page.getByText('19 chances in 2 rounds.')).toBeVisible()

  // Mended: one line taken out, another stock shot said.
  await page
    .getByRole('button', { name: /^Change the round of/ })
    .last()
    .click()
  const mended = page.getByRole('listitem').getByLabel('Approaches, one a line, yd')
  await mended.fill(season.slice(0, 17).join('\n'))
  await page.getByRole('listitem').getByRole('button', { name: 'Keep the round' }).click()
  await expect(page.getByText('18 chances in 2 rounds.')).toBeVisible()
  // Opened again it is as it was kept.
  await page
    .getByRole('button', { name: /^Change the round of/ })
    .last()
    .click()
  await expect(mended).toHaveValue(/^80 -14 2r/)
  await page.getByRole('button', { name: 'Cancel' }).click()
  await page
    .getByRole('button', { name: /^Delete the round of/ })
    .first()
    .click()
  await expect(page.getByText(/chances? in one round\./)).toBeVisible()
  await page
    .getByRole('region', { name: /Notifications/ })
    .getByRole('button', { name: 'Undo' })
    .first()
    .click()
  await expect(page.getByText('18 chances in 2 rounds.')).toBeVisible()

  // From a file: seen first, taken once, however often it is chosen.
  const file = [
    'round,date,distance_yd,club,swing,finish_long_yd,finish_right_yd',
    'Old course,2026-05-04,80,58°,full,-3,2',
    'Old course,2026-05-04,101,52°,full,4,-1',
    'Old course,2026-05-04,far,52°,full,4,-1',
    'Old course,2026-05-04,140,7 iron,full,,',
  ].join('\n')
  const choose = () =>
    page
      .getByLabel('File of rounds')
      .setInputFiles({ name: 'rounds.csv', mimeType: 'text/csv', buffer: Buffer.from(file) })
  await choose()
  const dialog = page.getByRole('dialog', { name: 'Rounds from a file' })
  await expect(dialog.getByText(/1 round, 3 approaches: 4 May/)).toBeVisible()
  await expect(dialog.getByText(/Not in the bag: 7 iron full/)).toBeVisible()
  await expect(dialog.getByText(/Row 4, distance_yd: "far"/)).toBeVisible()
  await dialog.getByRole('button', { name: 'Take them' }).click()
  await expect(page.getByText('21 chances in 3 rounds.')).toBeVisible()
  await choose()
  await dialog.getByRole('button', { name: 'Take them' }).click()
  await expect(page.getByText('New rounds: 0 of 1').first()).toBeVisible()
  await expect(page.getByText('21 chances in 3 rounds.')).toBeVisible()

  await page.getByRole('link', { name: 'To the practice plan' }).click()
  await expect(page.getByText(/in 100 of your approaches come from about/).first()).toBeVisible()
})
