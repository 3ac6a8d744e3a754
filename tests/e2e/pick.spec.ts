import { chromium, type Page } from '@playwright/test'
import { expect, linkOf, playersPhone, provokes, seriousOf, test } from './coach'

const hit = (page: Page) => page.getByRole('region', { name: 'What to hit' })

test(
  'at the desk: a distance, trouble, a sweep, today’s air, and how the player picks @desk',
  { tag: '@desk' },
  async ({ page, demo }) => {
    await demo()
    await page.getByText('Odile Harrow').click()
    await page.getByRole('link', { name: /^Pick/ }).click()
    await expect(page.getByText('How far is it?')).toBeVisible()
    await page.getByLabel('To the flag, yards').fill('77')
    const first = hit(page).getByRole('button').first()
    await expect(first).toContainText(/60° at 10:00/)
    await expect(first).toContainText(/Leaves \d+ yd on average; one in ten ends \d+ yd off\./)
    await expect(page.getByText(/land it on 7[56]/)).toBeVisible()
    // Water in front: it is aimed past, said by its odds, and never cheaper.
    const strokes = async () => Number(/(\d\.\d\d) strokes/.exec(await first.innerText())![1])
    const free = await strokes()
    await page.getByRole('button', { name: 'Around the flag' }).click()
    await page.getByLabel('Trouble short', { exact: true }).selectOption('a shot')
    await expect(first).toContainText(/the trouble/)
    expect(await strokes()).toBeGreaterThan(free)
    await page.getByLabel('Trouble short begins').fill('400')
    await expect(page.getByText('"400" is not possible: 0 to 99 yd.')).toBeVisible()
    await page.getByRole('button', { name: 'Clear it all' }).click()
    await expect(first).not.toContainText(/the trouble/)
    // Swept by keys; the table says the same.
    await page.getByLabel('Sweep the distance, yards').focus()
    await page.keyboard.press('ArrowRight')
    await expect(page.getByLabel('To the flag, yards')).toHaveValue('78')
    await page.getByText('The same as a table').click()
    await expect(page.getByRole('cell', { name: '60° at 10:00' }).first()).toBeVisible({ timeout: 20_000 })
    // Another unit: the same shot for the same distance.
    await page.getByRole('button', { name: 'Metres' }).click()
    await page.getByLabel('To the flag, metres').fill('71')
    await expect(first).toContainText(/60° at 10:00/)
    await page.getByRole('button', { name: 'Yards' }).click()
    await page.getByRole('button', { name: 'Lay up' }).click()
    await page.getByLabel('To the flag, yards').last().fill('290')
    await page.getByLabel('Longest you hit').fill('230')
    await expect(page.getByText(/^(Leave \d|Go as far)/)).toBeVisible()
    // A rule of the coach, taken back.
    await page.getByRole('button', { name: 'How this player picks' }).click()
    await page.getByLabel('From, yd').fill('90')
    await page.getByLabel('to', { exact: true }).fill('60')
    await page.getByRole('button', { name: 'Add' }).click()
    await expect(page.getByText(/From "90" to "60" is not possible/)).toBeVisible()
    await page.getByLabel('to', { exact: true }).fill('95')
    await page.getByLabel('Stock shot of the rule').click()
    await page.getByRole('option', { name: '56° full' }).click()
    await page.getByRole('button', { name: 'Add' }).click()
    await expect(page.getByText('90 to 95 yd: 56° full')).toBeVisible()
    await page.getByRole('button', { name: 'Drop the rule for 56° full' }).click()
    await expect(page.getByText('90 to 95 yd: 56° full')).toHaveCount(0)
  },
)

test('a round of 18 picks on the player’s phone, installed and without a network @long', async ({
  page,
  demo,
  baseURL,
}, info) => {
  test.setTimeout(180_000)
  provokes('ERR_|Failed to load resource')
  await demo()
  await page.getByText('Odile Harrow').click()
  const link = await linkOf(page, 'Link to read')
  const browser = await chromium.launch(info.project.use.launchOptions)
  const own = await playersPhone(browser, baseURL!)
  const phone = own.page
  await phone.goto(link)
  await phone.getByRole('button', { name: 'Pick', exact: true }).tap()
  await expect(phone.getByText('How far is it?')).toBeVisible()
  await own.installed()
  await own.setOffline(true)
  await phone.reload()
  await expect(phone.getByText('How far is it?')).toBeVisible()
  const distances = [77, 52, 104, 88, 63, 95, 71, 110, 58, 84, 99, 67, 120, 75, 91, 55, 102, 80]
  for (const distance of distances) {
    for (const digit of String(distance)) await phone.getByRole('button', { name: digit, exact: true }).tap()
    await expect(phone.getByLabel(/To the flag/)).toHaveValue(String(distance))
    await expect(hit(phone).getByRole('button').first()).toContainText(/strokes/)
    for (let i = 0; i < 3; i++) await phone.getByRole('button', { name: 'Delete the last figure' }).tap()
  }
  for (const digit of '77') await phone.getByRole('button', { name: digit, exact: true }).tap()
  await expect(hit(phone).getByRole('button').first()).toContainText(/Your \d+/)
  expect(await seriousOf(phone)).toEqual([])
  expect(await phone.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390)
  // Text twice as large, and dusk.
  await phone.evaluate(() => {
    document.documentElement.style.fontSize = '200%'
    document.documentElement.classList.add('dark')
  })
  await expect(hit(phone).getByRole('button').first()).toBeVisible()
  const wide = await phone.evaluate(() =>
    [...document.querySelectorAll('main *, section *')]
      .filter(one => one.getBoundingClientRect().right > 391)
      .map(one => `${one.tagName} ${one.textContent?.trim().slice(0, 30)}`),
  )
  expect(wide).toEqual([])
  // The card is one tap away, and back.
  await phone.getByRole('button', { name: 'By yardage' }).tap()
  await expect(phone.getByText('9 iron full')).toBeVisible()
  await phone.getByRole('button', { name: 'Pick', exact: true }).tap()
  await expect(hit(phone).getByRole('button').first()).toContainText(/strokes/)
  await browser.close()
  await page.getByRole('button', { name: 'Revoke' }).last().click()
})
