import { addPlayer, atTheRange, changeInBag, doneInBag, expect, hit, packBag, test } from './coach'

test("a swing scale is renamed, reordered, mixed from two schools, stretched beyond full, flown low, and told in the player's words @long", async ({
  page,
  signUp,
}) => {
  await signUp()
  await addPlayer(page, 'Pip Marlow')
  await packBag(page)
  const names = () => page.locator('[data-rung] strong').evaluateAll(all => all.map(name => name.textContent!.trim()))
  expect(await names()).toEqual(['full', '10:00', '9:00', '7:30'])

  const add = async (what: string) => {
    await page.getByRole('button', { name: 'Add a length' }).click()
    await page.getByRole('menuitem', { name: what, exact: true }).click()
  }
  await add('belt')
  await add('A stretch beyond full')
  expect(await names()).toEqual(['full plus', 'full', '10:00', '9:00', 'belt', '7:30'])

  // A low one with two clubs alone, which stands below the normal one.
  await changeInBag(page, '9:00')
  await page.getByRole('button', { name: 'Add a low one' }).click()
  await page.getByRole('button', { name: '58°', exact: true }).click()
  await page.getByRole('button', { name: '52°', exact: true }).click()
  await page.getByRole('button', { name: 'Add it' }).click()
  expect(await names()).toEqual(['full plus', 'full', '10:00', '9:00', '9:00 low', 'belt', '7:30'])
  await expect(page.getByRole('button', { name: '46° 9:00 low, not used' })).toBeVisible()
  await expect(page.getByRole('button', { name: '52° 9:00 low, nothing believed' })).toBeVisible()

  await changeInBag(page, 'belt')
  await expect(page.getByText('from body landmarks')).toBeVisible()
  await page.getByRole('button', { name: 'Move belt down, among the shorter ones' }).click()
  await doneInBag(page)
  await expect(page.getByText(/stands above .*, which usually goes further/)).toBeVisible()
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect(page.getByText(/stands above .*, which usually goes further/)).toHaveCount(0)

  await changeInBag(page, '10:00')
  await page.getByLabel('Cue of 10:00').fill('hands by the ear')
  await page.getByLabel('What 10:00 feels like').fill('a pocket')
  await page.getByLabel('Name of swing length 10:00').fill('ten')
  await page.getByLabel('Share of full of ten, per cent').fill('86')
  await doneInBag(page)

  await page.getByRole('button', { name: /^58° full,/ }).click()
  await page.getByRole('button', { name: 'Not used', exact: true }).click()
  await page.getByRole('button', { name: 'Save the bag' }).click()
  await expect(page.getByRole('button', { name: 'Save the bag' })).toHaveCount(0)
  await page.reload()
  await expect(page.getByRole('button', { name: 'Change ten' })).toContainText('hands by the ear, feels like a pocket')
  await expect(page.getByRole('button', { name: 'Change ten' })).toContainText('86 % of full')
  expect(await names()).toEqual(['full plus', 'full', 'ten', '9:00', '9:00 low', 'belt', '7:30'])
  await page.getByRole('link', { name: /Carry chart/ }).click()
  await expect(page.getByRole('button', { name: '58° full, not used' })).toBeVisible()
  await expect(page.getByRole('rowheader', { name: /9:00 low/ })).toBeVisible()
  // What is seen and what is felt differ, and both are told.
  await expect(page.getByRole('rowheader', { name: /ten/ })).toContainText('hands by the ear, feels like a pocket')
})

test('what the player believes is typed into the bag, a number or a span, and said once the bag is saved', async ({
  page,
  signUp,
}) => {
  await signUp()
  await addPlayer(page, 'Pip Marlow')
  await packBag(page)
  const cell = (name: string) => page.getByRole('button', { name: new RegExp(`^${name},`) })
  await cell('46° full').focus()
  // A digit on a cell begins its number; the arrows go on to the next.
  await page.keyboard.type('118')
  await page.keyboard.press('Enter')
  await expect(cell('46° full')).toBeFocused()
  await page.keyboard.press('ArrowLeft')
  await page.keyboard.type('98-104')
  await page.keyboard.press('Enter')
  await expect(page.getByRole('button', { name: '52° full, believed 98 to 104 yd' })).toBeVisible()

  // What is no carry stays where it was typed, with what is wrong.
  await cell('58° full').click()
  await page.getByLabel('58° full, believed').fill('80 to far')
  await page.getByRole('button', { name: 'Done', exact: true }).click()
  await expect(page.getByText('"80 to far" is not possible: 1 to 400 yd is allowed, or a span')).toBeVisible()
  await expect(page.getByLabel('58° full, believed')).toHaveValue('80 to far')
  await page.getByLabel('58° full, believed').fill('84')
  await page.keyboard.press('Enter')
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect(page.getByRole('button', { name: '58° full, nothing believed' })).toBeVisible()

  // Not saved yet: kept over a reload, and in metres it is the same length.
  await page.reload()
  await expect(page.getByText('Changes from before are still here')).toBeVisible()
  await page.getByRole('button', { name: 'Save the bag' }).click()
  await expect(page.getByText('Bag saved').first()).toBeVisible()
  await expect(page.getByText('12 stock shots in use, 2 numbers believed.')).toBeVisible()
  await page.goto(page.url().replace(/bag$/, 'chart/believed'))
  await expect(page.getByLabel('52° full, believed')).toHaveValue('98 to 104')
  await expect(page.getByLabel('46° full, believed')).toHaveValue('118')
})

test('another school keeps the balls of the old one @long', async ({ page }) => {
  await atTheRange(page)
  await hit(page, '52° 9:00', [78])
  await page.getByRole('link', { name: /^Bag/ }).click()
  await page.getByRole('button', { name: 'Change school' }).click()
  await page.getByRole('button', { name: /^Thirds/ }).click()
  await expect(page.getByText('9:00 is retired, its ball is kept.')).toBeVisible()
  await page.getByRole('button', { name: 'Save the bag' }).click()
  await expect(page.getByText('Bag saved').first()).toBeVisible()
  await page.getByRole('link', { name: /Carry chart/ }).click()
  await expect(page.getByRole('rowheader', { name: /two thirds/ })).toBeVisible()
  // The ball of the retired swing length still tells of the player: all of the new grid is predicted from it.
  await expect(page.getByRole('button', { name: /predicted$/ })).toHaveCount(9)
})

test('a ball is left out with a reason, put back, mended, moved and deleted', async ({ page }) => {
  await atTheRange(page)
  await hit(page, '52° full', [101, 103, 60])
  await page.getByRole('button', { name: '52° full, 60 yd' }).click()
  await page.getByRole('button', { name: 'heavy', exact: true }).click()
  await expect(page.getByText('2 balls count, 1 left out')).toBeVisible()
  await page.getByRole('button', { name: '52° full, 60 yd, left out: heavy' }).click()
  await page.getByRole('button', { name: 'Put it back' }).click()
  await expect(page.getByText('3 balls count')).toBeVisible()

  await page.getByRole('button', { name: '52° full, 60 yd' }).click()
  await page.getByLabel('Carry, yards').last().fill('abc')
  await page.getByRole('button', { name: 'Save', exact: true }).click()
  await expect(page.getByText('"abc" is not a number: type 1 to 400 yd.')).toBeVisible()
  await page.getByLabel('Carry, yards').last().fill('68.5')
  await page.getByRole('combobox', { name: 'Swing length' }).click()
  await page.getByRole('option', { name: '9:00' }).click()
  await page.getByRole('button', { name: 'Save', exact: true }).click()
  await expect(page.getByRole('button', { name: '52° at 9:00, 68.5 yd' })).toBeVisible()
  await expect(page.getByText('2 balls count')).toBeVisible()
  await page.getByRole('button', { name: '52° at 9:00, 68.5 yd' }).click()
  await page.getByRole('button', { name: 'Delete' }).click()
  await expect(page.getByRole('button', { name: '52° at 9:00, 68.5 yd' })).toHaveCount(0)
  await page.locator('body').press('u')
  await expect(page.getByRole('button', { name: '52° at 9:00, 68.5 yd' })).toBeVisible()

  await page.getByRole('link', { name: /Carry chart/ }).click()
  await page.getByRole('button', { name: /^52° full, 10[0-3] ± \d yd, 2 balls$/ }).click()
  await expect(page.getByText('Plain middle of the pile: 102 yd.')).toBeVisible()
  await expect(page.getByText(/^\s*It leans on its own balls \(\d in 10\)/)).toBeVisible()
})

test('a session ends, can be undone, and gone on with later @long', async ({ page }) => {
  await atTheRange(page)
  await hit(page, '52° full', [101])
  await page.getByRole('button', { name: 'End the session' }).click()
  await expect(page.getByRole('heading', { name: 'Session ended today' })).toBeVisible()
  await page.getByRole('button', { name: 'Undo' }).last().click()
  await expect(page.locator('#carry')).toBeVisible()
  await page.getByRole('link', { name: /Range session/ }).click()
  await page.getByRole('button', { name: 'Go on' }).click()
  await expect(page.getByText('1 ball this session')).toBeVisible()
})

test("thresholds of the flags are the player's own, and go back to usual", async ({ page }) => {
  await atTheRange(page)
  await hit(page, '58° full', [80])
  await hit(page, '52° full', [90])
  await page.getByRole('link', { name: /Gaps/ }).click()
  await expect(page.getByRole('heading', { name: 'No open flags' })).toBeVisible()
  await page.getByRole('button', { name: 'What counts' }).click()
  await page.getByLabel('Widest step, yd').fill('0')
  await page.getByRole('button', { name: 'Use these' }).click()
  await expect(page.getByText('"0" is not possible: 1 to 40 yd is allowed.')).toBeVisible()
  // What is typed while an answer is awaited stays when it comes.
  await page.route('**/api/players/*', async route => {
    await new Promise(done => setTimeout(done, 1000))
    await route.continue()
  })
  await page.getByLabel('Widest step, yd').fill('4')
  await page.getByRole('button', { name: 'Use these' }).click()
  await page.getByLabel('Known within ±, yd').fill('25')
  await expect(page.getByText(/too wide\?/).nth(1)).toBeAttached()
  await page.unrouteAll({ behavior: 'wait' })
  await page.getByRole('button', { name: 'Use these' }).click()
  await expect(page.getByText('"25" is not possible: 1 to 20 yd is allowed.')).toBeVisible()
  await page.getByLabel('Known within ±, yd').fill('20')
  await page.getByRole('button', { name: 'Use these' }).click()
  // The rail lies under the panel, where no role reaches it.
  await expect(page.getByText('good enough')).toBeAttached()
  await page.getByRole('button', { name: 'Back to usual' }).click()
  await expect(page.getByLabel('Widest step, yd')).toHaveValue('12')
  await page.keyboard.press('Escape')
  await expect(page.getByRole('link', { name: /Carry chart/ })).toContainText('known')
})
