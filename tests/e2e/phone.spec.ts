import { atTheRange, expect, test } from './coach'

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
