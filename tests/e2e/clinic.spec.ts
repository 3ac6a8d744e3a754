import { addPlayer, atTheRange, expect, hit, packBag, test } from './coach'

test('a clinic: two players on one tee, one tap apart, and it tells whose ball is next @long', async ({ page }) => {
  await atTheRange(page, 'Pip Marlow')
  const first = page.url()
  await page.goto('/players')
  await addPlayer(page, 'Juno Reed')
  await packBag(page)
  await page.goto(first)
  await page.getByRole('button', { name: 'More players on the tee…' }).click()
  await page.getByRole('dialog').getByRole('button', { name: 'Juno Reed' }).click()
  // No session runs yet: it is set up, and joins the tee.
  await page.getByRole('button', { name: 'Start the session' }).click()
  const tee = page.getByRole('navigation', { name: 'On the tee' })
  await expect(tee.getByRole('link', { name: 'Juno Reed' })).toHaveAttribute('aria-current', 'true')
  await hit(page, '52° full', [99])
  await expect(tee.getByRole('link', { name: 'Pip Marlow, next ball' })).toBeVisible()
  await tee.getByRole('link', { name: /Pip Marlow/ }).click()
  await expect(page).toHaveURL(first)
  await hit(page, '52° full', [104])
  await expect(tee.getByRole('link', { name: 'Juno Reed, next ball' })).toBeVisible()
  await page.getByRole('button', { name: 'Leaves the tee' }).click()
  await expect(tee.getByRole('link', { name: /Pip Marlow/ })).toHaveCount(0)
  await page
    .getByRole('region', { name: /Notifications/ })
    .getByRole('button', { name: 'Undo' })
    .click()
  await expect(tee.getByRole('link', { name: /Pip Marlow/ })).toBeVisible()
})
