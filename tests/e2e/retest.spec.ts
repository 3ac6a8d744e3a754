import { expect, linkOf, playersPhone, provokes, seriousOf, test } from './coach'

const GPX = `<?xml version="1.0"?>
<gpx version="1.1" creator="a phone" xmlns="http://www.topografix.com/GPX/1/1">
<wpt lat="51.0000" lon="0.0000"><time>2026-05-04T09:05:00Z</time></wpt>
<wpt lat="51.00076" lon="0.00003"><time>2026-05-04T09:08:00Z</time></wpt>
<wpt lat="51.0008" lon="0.0000"><time>2026-05-04T09:10:00Z</time><name>flag 1</name></wpt>
</gpx>`

test('a swing change makes a retest due, which the range begins with; marked places are a round; the review is handed over @long', async ({
  page,
  demo,
}) => {
  await demo()
  await page.getByText('Odile Harrow').click()
  await page.getByRole('link', { name: /Rounds/ }).click()
  const retest = page.getByRole('region', { name: 'Retest' })
  await expect(retest.getByText(/^Retest by/)).toBeVisible()

  await retest.getByRole('button', { name: 'Something has changed…' }).click()
  expect(await seriousOf(page)).toEqual([])
  await retest.getByLabel('From').fill('2999-01-01')
  await retest.getByRole('button', { name: 'Mark it' }).click()
  await expect(retest.getByText('That day lies in the future')).toBeVisible()
  await retest.getByLabel('From').fill('2026-11-29')
  await retest.getByRole('button', { name: 'Mark it' }).click()
  await expect(page.getByText('Swing change marked').first()).toBeVisible()
  await expect(retest.getByText(/Swing change, 29 Nov: balls hit before that day count for less/)).toBeVisible()
  const first = await retest.getByRole('listitem').first().locator('b').innerText()
  await retest.getByRole('link', { name: 'Retest on the range' }).click()
  await expect(page).toHaveURL(/why=retest/)
  await page
    .getByText(/End it|Go on with it|Start the session|Go on/)
    .first()
    .waitFor()
  const running = page.getByRole('button', { name: /Go on/ })
  if (await running.count()) await running.first().click()
  else await page.getByRole('button', { name: 'Start the session' }).click()
  await expect(page.getByText(/First the retest: \d+ balls/)).toBeVisible()
  await expect(
    page
      .getByRole('region', { name: /Hit next|Then/ })
      .or(page.getByText(first))
      .first(),
  ).toBeVisible()

  // Taken away, the numbers are as sure as they were.
  await page.getByRole('link', { name: /Rounds/ }).click()
  await retest.getByRole('button', { name: /^Remove: Swing change/ }).click()
  await expect(retest.getByText(/^Retest by/)).toBeVisible()

  await page
    .getByLabel('File of rounds')
    .setInputFiles({ name: 'walk.gpx', mimeType: 'text/xml', buffer: Buffer.from(GPX) })
  const dialog = page.getByRole('dialog')
  await expect(dialog.getByText(/1 round, 1 approach: 4 May/)).toBeVisible()
  await expect(dialog.getByText(/Distances by position are good to about ± \d+ yd/)).toBeVisible()
  await dialog.getByRole('button', { name: 'Take them' }).click()
  await expect(page.getByText('4 May, Round')).toBeVisible()
  await page.getByRole('button', { name: /^count \d+ for the chart, 4 May/ }).click()
  await expect(page.getByText(/1 approach, 1 count for the chart/)).toBeVisible()
  await page.getByRole('button', { name: /^leave them on the course, 4 May/ }).click()
  await expect(page.getByText(/count for the chart/).filter({ hasText: '1 approach,' })).toHaveCount(0)
  const broken = { name: 'walk.gpx', mimeType: 'text/xml', buffer: Buffer.from('<gpx>\n<wpt lat="99" lon="0"/></gpx>') }
  await page.getByLabel('File of rounds').setInputFiles(broken)
  await expect(dialog.getByText(/Row 2, lat: "99"/)).toBeVisible()
  await dialog.getByRole('button', { name: 'Cancel' }).click()

  await page.getByRole('link', { name: 'Review' }).click()
  await expect(page.getByRole('heading', { name: 'What to do next' })).toBeVisible()
  await expect(page.getByRole('row', { name: /56° full/ })).toBeVisible()
  const [download] = await Promise.all([
    page.waitForEvent('download').catch(() => null),
    page.evaluate(() => {
      const link = document.createElement('a')
      link.href = document.querySelector<HTMLAnchorElement>('a[href*="review.pdf"]')!.href
      link.download = 'review.pdf'
      link.click()
    }),
  ])
  expect(download?.suggestedFilename()).toMatch(/review\.pdf$/)
  // Notes have gone by.
  await page.reload()
  await expect(page.getByRole('heading', { name: 'The numbers' })).toBeVisible()
  expect(await seriousOf(page)).toEqual([])
})

test('a round told on the player’s phone waits for the coach, and counts once it was taken @long', async ({
  page,
  demo,
  browser,
  baseURL,
}) => {
  provokes('ERR_INTERNET_DISCONNECTED|Failed to load resource')
  await demo()
  await page.getByText('Odile Harrow').click()
  const link = await linkOf(page, 'Link to read and log')
  const { page: phone, setOffline } = await playersPhone(browser, baseURL!)
  await phone.goto(link)
  await phone.getByText('Log a round').click()
  const lines = phone.getByLabel(/^Approaches, one a line/)
  await lines.fill('80 far')
  await phone.getByRole('button', { name: 'Send it to the coach' }).click()
  await expect(phone.getByText('Line 1: "far" is not known')).toBeVisible()
  await setOffline(true)
  await lines.fill('80 -6 2r\n102 on')
  await phone.getByRole('button', { name: 'Send it to the coach' }).click()
  await expect(phone.getByText('2 approaches kept. Your coach decides')).toBeVisible()
  await expect(phone.getByText('1 round kept on this phone')).toBeVisible()
  expect(await phone.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390)
  await setOffline(false)
  await expect(phone.getByText('1 round kept on this phone')).toHaveCount(0)

  await page.getByRole('link', { name: /Rounds/ }).click()
  const told = page.getByRole('region', { name: 'Logged by the player' })
  await expect(told.getByText(/2 approaches/)).toBeVisible()
  await expect(page.getByText('66 chances in 6 rounds')).toBeVisible()
  await told.getByRole('button', { name: 'Let it count' }).click()
  await expect(page.getByText('68 chances in 7 rounds')).toBeVisible()
  await page.getByRole('button', { name: 'Undo' }).first().click()
  await expect(page.getByText('66 chances in 6 rounds')).toBeVisible()
  await told.getByRole('button', { name: 'Decline' }).click()
  await expect(told).toHaveCount(0)
})
