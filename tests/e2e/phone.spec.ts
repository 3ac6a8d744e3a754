import { addPlayer, atTheRange, expect, openAccountByHand, packBag, startSession, test } from './coach'

test('on a phone a ball is logged by the keys on the glass, and no keyboard of the phone comes up', async ({
  page,
}) => {
  await atTheRange(page)
  await expect(page.locator('#carry')).toHaveAttribute('inputmode', 'none')
  for (const key of ['7', '2', '.', '5'])
    await page.getByRole('button', { name: key === '.' ? 'Decimal point' : key, exact: true }).tap()
  await page.getByRole('button', { name: 'Delete the last figure' }).tap()
  await page.getByRole('button', { name: '4', exact: true }).tap()
  await expect(page.locator('#carry')).toHaveValue('72.4')
  await page.getByRole('button', { name: 'Log ball 1' }).tap()
  await expect(page.getByRole('button', { name: /72\.4 yd$/ })).toBeVisible()
  const keys = await page.getByRole('button', { name: '7', exact: true }).boundingBox()
  expect(keys!.height).toBeGreaterThanOrEqual(44)
})

test('the work rail is a bar at the bottom, always in reach', async ({ page, demo }) => {
  await demo()
  await page.getByText('Maud Eskil').tap()
  await page.getByRole('link', { name: /Gaps/ }).tap()
  await expect(page.getByRole('heading', { name: 'Gaps', exact: true })).toBeVisible()
  const bar = await page.getByRole('navigation', { name: 'Stages of the work' }).boundingBox()
  expect(Math.round(bar!.y + bar!.height)).toBe(844)
  expect(bar!.width).toBe(390)
})

test('from the sign-up to the tenth ball by thumb: four taps for the player at most, three for all else', async ({
  page,
}) => {
  await openAccountByHand(page)
  await page.evaluate(() => {
    Reflect.set(window, 'taps', 0)
    addEventListener('click', () => Reflect.set(window, 'taps', Number(Reflect.get(window, 'taps')) + 1), true)
  })
  let before = 0
  /** Taps since the last time it was asked. */
  const taps = async () => {
    const all = await page.evaluate(() => Number(Reflect.get(window, 'taps')))
    const since = all - before
    before = all
    return since
  }
  await addPlayer(page, 'Pip Marlow')
  expect(await taps()).toBeLessThanOrEqual(4)
  await packBag(page)
  expect(await taps()).toBeLessThanOrEqual(3)
  await startSession(page)
  expect(await taps()).toBeLessThanOrEqual(3)
  for (let ball = 1; ball <= 10; ball++) {
    for (const figure of ['8', String(ball % 10)]) await page.getByRole('button', { name: figure, exact: true }).tap()
    await page.getByRole('button', { name: `Log ball ${ball}`, exact: true }).tap()
    await expect(page.locator('#carry')).toHaveValue('')
    expect(await taps()).toBe(3)
  }
})
