import { mkdtempSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { addPlayer, expect, packBag, test } from './coach'

const toImport = async (page: import('@playwright/test').Page) => {
  await page
    .getByRole('link', { name: /Range session/ })
    .first()
    .click()
  await page.getByRole('link', { name: 'Shots from a file…' }).click()
}
const give = (page: import('@playwright/test').Page, name: string, text: string) =>
  page.getByLabel('File of shots').setInputFiles({ name, mimeType: 'text/csv', buffer: Buffer.from(text) })

test('a file is mapped, shown before it is taken, taken at once, and taken back at once; twice it adds nothing', async ({
  page,
  signUp,
}) => {
  await signUp()
  await addPlayer(page, 'Pip Marlow')
  await packBag(page)
  await toImport(page)
  await give(page, 'empty.csv', '')
  await expect(page.getByRole('alert')).toHaveText('empty.csv is empty.')
  const file =
    `Club,Shot,Carry,Spin Rate,Offline\n,,yds,rpm,yds\n52,full,101,9100,3 R\n52,full,103,9000,2 ` +
    `L\n46,full,far,8000,0\n${Array.from({ length: 20 }, (_, i) => `56,full,${78 + (i % 5)},9600,1 R`).join('\n')}\n`
  await give(page, 'range.csv', file)
  await expect(page.getByRole('heading', { name: 'range.csv, 23 rows' })).toBeVisible()
  await page.getByLabel('What Shot is').selectOption('Swing length')
  await expect(page.getByText('2 rows will be added, in 1 session')).toBeVisible()
  await expect(page.getByText('1 row cannot be taken')).toBeVisible()
  await page.getByText('Why', { exact: true }).click()
  await expect(page.getByText('Line 5, carry_yd: "far" is not a number from 1 to 400')).toBeVisible()
  await page.getByLabel('What club 56 is').selectOption('a new club…')
  await expect(page.getByRole('textbox', { name: 'Loft, °' })).toHaveValue('56')
  await page.getByRole('button', { name: 'Put it into the bag' }).click()
  await page.getByRole('button', { name: 'Import 22 rows' }).click()
  await expect(page.getByRole('heading', { name: '22 balls imported' })).toBeVisible()
  await page.getByRole('link', { name: 'To the carry chart' }).click()
  await expect(page.getByRole('button', { name: /^56 full, \d+ ± \d+ yd, 20 balls/ })).toBeVisible()
  // The same file again: all of it is there already. The answer about its columns is remembered.
  await toImport(page)
  await give(page, 'range.csv', file)
  await expect(page.getByText('22 rows are there already')).toBeVisible()
  await expect(page.getByRole('button', { name: /^Import 0 rows/ })).toBeDisabled()
  // With two rows more, and taken back: the first import stays.
  await page.getByRole('button', { name: 'Another file' }).click()
  await give(page, 'range.csv', `${file}46,full,120,7800,0\n46,full,121,7900,1 L\n`)
  await page.getByRole('button', { name: 'Import 2 rows' }).click()
  await page.getByRole('button', { name: 'Take the import back' }).click()
  await expect(page.getByText('The import is taken back').first()).toBeVisible()
  await expect(page.getByText('22 rows are there already')).toBeVisible()
  await page.getByRole('button', { name: 'Import 2 rows' }).click()
  await expect(page.getByRole('heading', { name: '2 balls imported' })).toBeVisible()
  await page.getByRole('link', { name: 'To the carry chart' }).click()
  await expect(page.getByRole('button', { name: /^46° full, \d+ ± \d+ yd, 2 balls/ })).toBeVisible()
})

test(
  '100,000 rows leave the page quick, and can be stopped half-way without a trace',
  { tag: '@long' },
  async ({ page, signUp }) => {
    test.setTimeout(900_000)
    await signUp()
    await addPlayer(page, 'Pip Marlow')
    await packBag(page)
    await toImport(page)
    await page.evaluate(() => {
      const seen: number[] = []
      new PerformanceObserver(list => seen.push(...list.getEntries().map(entry => entry.duration))).observe({
        type: 'longtask',
      })
      Object.assign(window, { longTasks: seen })
    })
    const rows = Array.from(
      { length: 100_000 },
      (_, i) =>
        `${[46, 52, 58][i % 3]},full,${80 + (i % 23)},2026-05-0${1 + (i % 9)} ` +
        `10:${String(i % 60).padStart(2, '0')},${7000 + (i % 999)}`,
    ).join('\n')
    // From the disk: text handed over by the test itself would keep the page busy.
    const path = join(mkdtempSync(join(tmpdir(), 'uzzet-')), 'season.csv')
    writeFileSync(path, `club,swing,carry yd,date,spin\n${rows}\n`)
    await page.getByLabel('File of shots').setInputFiles(path)
    await expect(page.getByText('100,000 rows will be added, in 9 sessions')).toBeVisible({ timeout: 60_000 })
    await page.getByRole('button', { name: 'Import 100,000 rows' }).click()
    await expect(page.getByText(/^\s*\d,?\d* of 100,000 sent/)).toBeVisible({ timeout: 30_000 })
    await page.getByRole('button', { name: 'Stop' }).click()
    await expect(page.getByRole('button', { name: 'Import 100,000 rows' })).toBeVisible({ timeout: 30_000 })
    // On a quiet machine the longest is well under 200 ms (docs/speed.md); parsing on the page itself took seconds.
    const long = await page.evaluate(() => Math.max(0, ...(window as unknown as { longTasks: number[] }).longTasks))
    expect(long).toBeLessThan(1000)
    await page
      .getByRole('link', { name: /Carry chart/ })
      .first()
      .click()
    await expect(page.getByText('no balls yet').first()).toBeVisible()
  },
)
