import { atTheRange, expect, hit, test } from './coach'

test('with the keyboard alone: a player, a bag, balls, undo, leave out, chart, gaps @long', async ({
  page,
  signUp,
}) => {
  await signUp()
  await page.keyboard.press('n')
  await expect(page.getByLabel('Name', { exact: true })).toBeFocused()
  await page.keyboard.type('Kit Arden')
  await page.keyboard.press('Enter')
  await expect(page.getByRole('heading', { name: 'Bag', exact: true })).toBeVisible()

  // Tab reaches the first set of clubs, then the school.
  await page.getByRole('button', { name: /^46°, 52°, 58°/ }).focus()
  await page.keyboard.press('Enter')
  await page.getByRole('button', { name: /^Half and full/ }).focus()
  await page.keyboard.press('Enter')
  await expect(page.getByRole('table', { name: /^The bag/ })).toBeVisible()
  await page.keyboard.press('Control+s')
  await expect(page.getByText('Bag saved').first()).toBeVisible()

  await page.keyboard.press('g')
  await page.keyboard.press('r')
  await page.getByRole('button', { name: 'Start the session' }).focus()
  await page.keyboard.press('Enter')
  await expect(page.locator('#carry')).toBeFocused()

  await expect(page.getByRole('heading', { name: '58° full' })).toBeVisible()
  await page.keyboard.type('81')
  await page.keyboard.press('Enter')
  await page.keyboard.press('ArrowRight')
  await expect(page.getByRole('heading', { name: '52° full' })).toBeVisible()
  for (const carry of ['101', '103', '60']) {
    await page.keyboard.type(carry)
    await page.keyboard.press('Enter')
  }
  await page.keyboard.press('ArrowDown')
  await expect(page.getByRole('heading', { name: '52° half' })).toBeVisible()
  await page.keyboard.press('ArrowUp')

  // The last ball was a duff.
  await page.keyboard.press('l')
  await page.keyboard.press('Tab')
  await expect(page.getByRole('dialog')).toBeVisible()
  await page.getByPlaceholder('another reason').focus()
  await page.keyboard.type('fat as butter')
  await page.keyboard.press('Enter')
  await expect(page.getByText('left out: fat as butter')).toBeVisible()
  await expect(page.getByText('2 balls count, 1 left out')).toBeVisible()

  await page.locator('body').press('u')
  await expect(page.getByText('3 balls count')).toBeVisible()
  await page.locator('body').press('u')
  await expect(page.getByText('2 balls count')).toBeVisible()

  // From anywhere on the page, figures go straight to the carry; Escape takes them back.
  await page.getByRole('button', { name: '58° half', exact: true }).focus()
  await page.keyboard.type('47')
  await expect(page.locator('#carry')).toHaveValue('47')
  await page.keyboard.press('Escape')
  await expect(page.locator('#carry')).toHaveValue('')

  await page.locator('h1').click()
  await page.keyboard.press('g')
  await page.keyboard.press('c')
  await expect(page.getByRole('button', { name: /^52° full, 10[0-3] ± \d yd, 2 balls$/ })).toBeVisible()
  await page.keyboard.press('g')
  await page.keyboard.press('g')
  await expect(page.getByRole('heading', { name: 'Gaps', exact: true })).toBeVisible()
  await expect(page.locator('canvas').first()).toBeVisible()

  await page.keyboard.press('?')
  await expect(page.getByRole('dialog', { name: 'Keyboard' })).toBeVisible()
  await page.keyboard.press('Escape')
  await page.keyboard.press('/')
  await expect(page.getByPlaceholder('Search players and stages')).toBeFocused()
  await page.keyboard.type('Kit')
  await expect(page.getByRole('option')).toHaveText(['Kit Arden'])
  await page.keyboard.press('Enter')
  await expect(page.getByRole('heading', { name: 'Carry chart' })).toBeVisible()
})

test("signs act at once in the carry's field; single keys can be switched off on this device @long", async ({
  page,
}) => {
  await atTheRange(page)
  const carry = page.locator('#carry')
  await carry.focus()
  await page.keyboard.press('?')
  await expect(page.getByRole('dialog', { name: 'Keyboard' })).toBeVisible()
  await page.keyboard.press('Escape')
  await expect(page.getByRole('dialog')).toHaveCount(0)
  await expect(carry).toHaveValue('')
  await hit(page, '46° 9:00', [94])
  await expect(page.getByText('1 ball counts')).toBeVisible()
  const session = page.url()
  await page.goto('/account')
  await page.getByRole('switch', { name: /Single keys act/ }).click()
  await page.goto(session)
  await expect(carry).toBeVisible()
  await page.locator('h1').first().click()
  await page.keyboard.press('u')
  await page.keyboard.press('?')
  await expect(page.getByRole('dialog')).toHaveCount(0)
  await expect(page.getByText('1 ball counts')).toBeVisible()
})
