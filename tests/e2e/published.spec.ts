import { chromium } from '@playwright/test'
import { addPlayer, expect, hit, packBag, provokes, startSession, test } from './coach'

test('believed, hit, written, struck out, published, compared; the panel has its own address and is walked by arrow keys @long', async ({
  page,
  signUp,
}) => {
  await signUp()
  await addPlayer(page, 'Pip Marlow')
  await packBag(page)
  await page.getByRole('link', { name: /Carry chart/ }).click()
  await page.getByRole('link', { name: 'Believed' }).click()
  await page.getByLabel('52° full, believed').fill('108')
  await page.getByLabel('52° full, believed').press('Enter')
  await expect(page.getByText('52° full: 108 yd believed').first()).toBeVisible()
  await page.getByLabel('58° full, believed').fill('9999')
  await page.getByLabel('58° full, believed').press('Enter')
  await expect(page.getByText('"9999" is not possible: 1 to 400 yd is allowed, or a span')).toBeVisible()
  await page.getByLabel('58° full, believed').fill('80')
  await page.getByLabel('58° full, believed').press('Enter')
  await startSession(page)
  await hit(page, '52° full', [99, 101, 100, 102, 98, 100])
  await hit(page, '58° full', [80, 82, 81])
  await page.getByRole('link', { name: /Carry chart/ }).click()
  await page.getByRole('link', { name: 'Believed' }).click()
  await expect(page.getByRole('row', { name: /^52° full/ }).first()).toContainText(/trusted, it lands [78] yd short/)
  await page.getByRole('link', { name: 'Carry chart' }).last().click()

  await page.getByRole('button', { name: /^52° full, 10[01] ± / }).click()
  const panel = page.getByRole('dialog')
  await expect(page).toHaveURL(/cell=/)
  const address = page.url()
  await panel.getByRole('button', { name: 'Write a number' }).click()
  await panel.getByLabel('Carry, yd').fill('112')
  await panel.getByLabel('Why').fill('with the new shaft')
  await panel.getByRole('button', { name: 'Save' }).click()
  await expect(panel.getByText(/112 yd/).first()).toBeVisible()
  await expect(
    panel.getByText(/112 is written, the balls say 10[01]: 9\d in 100 that it is more than 3 yd off\./),
  ).toBeVisible()
  // Its own address: opened by it, walked from it.
  await page.goto(address)
  await expect(panel.getByText('with the new shaft')).toBeVisible()
  await page.keyboard.press('ArrowLeft')
  await expect(panel.getByRole('heading', { name: '58° full' })).toBeVisible()
  await page.keyboard.press('ArrowDown')
  await expect(panel.getByRole('heading', { name: '58° at 10:00' })).toBeVisible()
  await panel.getByRole('button', { name: 'Stop using' }).click()
  await panel.getByLabel('Why').fill('too high to use')
  await panel.getByRole('button', { name: 'Stop using it' }).click()
  await expect(panel.getByText('too high to use')).toBeVisible()
  // Undo brings the stock shot back into use, not only the words.
  await page
    .getByRole('region', { name: /Notifications/ })
    .getByRole('button', { name: 'Undo' })
    .first()
    .click()
  await panel.getByRole('button', { name: 'Stop using' }).click()
  await panel.getByLabel('Why').fill('too high to use')
  await panel.getByRole('button', { name: 'Stop using it' }).click()
  await expect(panel.getByText('too high to use')).toBeVisible()
  await page.keyboard.press('Escape')
  await expect(page).not.toHaveURL(/cell=/)
  await expect(
    page.getByRole('button', {
      name: /^52° full, 112 written yd, measured 10[01] ± \d, 6 balls, contradicted by the balls/,
    }),
  ).toBeVisible()
  await expect(page.getByRole('button', { name: '58° 10:00, not used' })).toBeVisible()

  await page.getByRole('link', { name: 'Publish' }).click()
  await page.getByLabel('Note for the player').fill('Trust the 58')
  await page.getByRole('button', { name: 'Publish as No. 1' }).click()
  await expect(page.getByText('Published as No. 1').first()).toBeVisible()
  const published = page.getByRole('table', { name: /Published carry chart 1/ })
  await expect(published.getByRole('cell', { name: /112/ })).toContainText('written')
  await expect(published.getByRole('cell', { name: 'not used' })).toHaveCount(1)
  const download = page.waitForEvent('download')
  await page.getByRole('button', { name: 'Card as PDF' }).click()
  expect((await download).suggestedFilename()).toBe('carry-card-1.pdf')
  const picture = page.waitForEvent('download')
  await page.getByRole('button', { name: 'Picture' }).click()
  expect((await picture).suggestedFilename()).toBe('carry-chart-1.png')
  await page.getByRole('link', { name: 'Compare with today' }).click()
  await expect(page.getByRole('heading', { name: 'No new ball to judge by.' })).toBeVisible()
  // The word is taken back, and the published copy still says it.
  await page.goto(address)
  await panel.getByRole('button', { name: 'Take it back' }).click()
  await expect(panel.getByText('with the new shaft')).toHaveCount(0)
  await page
    .getByRole('region', { name: /Notifications/ })
    .getByRole('button', { name: 'Undo' })
    .first()
    .click()
  await expect(panel.getByText('with the new shaft')).toBeVisible()
})

test("the player's phone: opened once it works without a network, logs own balls that wait for the nod, and dies when revoked @long", async ({
  page,
  demo,
  baseURL,
}, info) => {
  provokes('ERR_|Failed to load resource')
  await demo()
  await page.getByText('Odile Harrow').click()
  await page.getByRole('link', { name: /Carry chart/ }).click()
  await page.getByRole('link', { name: 'Publish' }).click()
  await page.getByRole('button', { name: 'Link to read and log' }).click()
  await expect(page.getByText('Scan it with the phone now')).toBeVisible()
  const link = (await page.getByText(/\/card#/).innerText()).trim()

  const browser = await chromium.launch(info.project.use.launchOptions)
  const context = await browser.newContext({
    viewport: { width: 390, height: 844 },
    isMobile: true,
    hasTouch: true,
    baseURL,
    serviceWorkers: 'allow',
  })
  const phone = await context.newPage()
  await phone.goto(link)
  await expect(phone.getByRole('heading', { name: 'Odile Harrow' })).toBeVisible()
  await expect(phone.getByText('9 iron full')).toBeVisible()
  expect(await phone.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390)
  await phone.evaluate(() => navigator.serviceWorker.ready.then(() => undefined))
  await context.setOffline(true)
  await phone.reload()
  await expect(phone.getByText('9 iron full')).toBeVisible()
  await phone.getByRole('button', { name: 'Grid', exact: true }).click()
  await phone.getByRole('button', { name: '56° 9:00' }).click()
  await phone.getByLabel('56° at 9:00, yd').fill('72')
  await phone.getByRole('button', { name: 'Log it' }).click()
  await expect(phone.getByText('1 kept on this phone: no connection')).toBeVisible()
  await context.setOffline(false)
  await expect(phone.getByText(/kept on this phone/)).toHaveCount(0)

  await page.reload()
  await expect(page.getByText(/1 ball waits for your word/)).toBeVisible()
  await page.getByRole('button', { name: 'They count' }).click()
  await expect(page.getByText('1 ball counts now').first()).toBeVisible()
  await page.getByRole('button', { name: 'Revoke' }).click()
  await expect(page.getByText('Revoked: it opens nothing any more').first()).toBeVisible()
  await phone.reload()
  await expect(
    phone.getByText('This link does not open anything any more: ask your coach for a new one.'),
  ).toBeVisible()
  await browser.close()
})
