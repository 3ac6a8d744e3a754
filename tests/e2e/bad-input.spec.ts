import { addPlayer, changeInBag, doneInBag, atTheRange, expect, packBag, provokes, test } from './coach'

test('an impossible carry is told beside the field, and what was typed stays', async ({ page }) => {
  await atTheRange(page)
  for (const [typed, words] of [
    ['', 'No carry yet: type 1 to 400 yd.'],
    ['0', '0 yd is not possible: type 1 to 400 yd.'],
    ['-5', '-5 yd is not possible: type 1 to 400 yd.'],
    ['401', '401 yd is not possible: type 1 to 400 yd.'],
    ['abc', '"abc" is not a number: type 1 to 400 yd.'],
  ] as const) {
    await page.locator('#carry').fill(typed)
    await page.locator('#carry').press('Enter')
    await expect(page.getByRole('alert').filter({ hasText: words })).toBeVisible()
    await expect(page.locator('#carry')).toHaveValue(typed)
  }
  await expect(page.getByText('None yet.')).toBeVisible()
})

test('a bag with a loft of 95 and two rungs of one name is refused beside its fields, and nothing typed is lost', async ({
  page,
  signUp,
}) => {
  await signUp()
  await addPlayer(page, 'Pip Marlow')
  await packBag(page)
  await changeInBag(page, '46°')
  await page.getByLabel('Loft of club 1, degrees').fill('95')
  await doneInBag(page)
  await changeInBag(page, '52°')
  await page.getByLabel('Loft of club 2, degrees').fill('steep')
  await doneInBag(page)
  await changeInBag(page, '10:00')
  await page.getByLabel('Name of swing length 10:00').fill('9:00')
  await doneInBag(page)
  await page.getByRole('button', { name: 'Save the bag' }).click()
  // All of it is named; the first thing to mend opens by itself, its fault beside the field.
  await expect(page.getByText('Loft 95° is not possible: 8 to 70° is allowed.').first()).toBeVisible()
  await expect(page.getByText('Loft "steep" is not possible: 8 to 70° is allowed.')).toBeVisible()
  await expect(page.getByText('Swing length "9:00" is there twice: each needs a name of its own.')).toBeVisible()
  await expect(page.getByLabel('Loft of club 1, degrees')).toHaveValue('95')
  await expect(page.getByLabel('Loft of club 1, degrees')).toHaveAttribute('aria-invalid', 'true')

  // It is all still there after a reload, and can be undone to the last state that was saved.
  await page.reload()
  await expect(page.getByText('Changes from before are still here')).toBeVisible()
  await changeInBag(page, 'steep°')
  await expect(page.getByLabel('Loft of club 2, degrees')).toHaveValue('steep')
  await doneInBag(page)
  await page.getByRole('button', { name: 'Discard changes' }).click()
  await changeInBag(page, '46°')
  await expect(page.getByLabel('Loft of club 1, degrees')).toHaveValue('46')
})

test('a name of 10,000 characters is refused, and one with script is text and no more @long', async ({
  page,
  signUp,
}) => {
  await signUp()
  await page.getByRole('button', { name: 'Add a player' }).first().click()
  await page.getByLabel('Name', { exact: true }).fill('n'.repeat(10_000))
  await page.getByRole('button', { name: 'Add player' }).click()
  await expect(page.getByText(/has 10000 characters: at most 80 are allowed/)).toBeVisible()
  const script = '<img src=x onerror=alert(1)>'
  await page.getByLabel('Name', { exact: true }).fill(script)
  page.on('dialog', () => expect(false, 'the script ran').toBe(true))
  await page.getByRole('dialog').getByRole('button', { name: 'Add player' }).click()
  await expect(page.getByRole('heading', { name: 'Bag', exact: true })).toBeVisible()
  await page.goto('/players')
  await expect(page.getByText(script)).toBeVisible()
})

test('a stale page that edits a player or a bag that another page changed is told so, and loses nothing @long', async ({
  page,
  signUp,
  context,
}) => {
  provokes('409')
  await signUp()
  await addPlayer(page, 'Pip Marlow')
  await packBag(page)
  const other = await context.newPage()
  await other.goto(page.url())
  await changeInBag(other, '46°')
  await other.getByLabel('Name of club 1').fill('pitch')
  await doneInBag(other)
  await other.getByRole('button', { name: 'Save the bag' }).click()
  await expect(other.getByText('Bag saved').first()).toBeVisible()

  await changeInBag(page, '46°')
  await page.getByLabel('Loft of club 1, degrees').fill('47')
  await page.getByLabel('Label of club 1').fill('46°')
  await doneInBag(page)
  await page.getByRole('button', { name: 'Save the bag' }).click()
  await expect(page.getByText('This bag was changed on another page while this one was open.')).toBeVisible()
  await expect(page.getByText('46°: name is "pitch" there, "pitching wedge" here.')).toBeVisible()
  await page.getByRole('button', { name: 'Save mine over it' }).click()
  await expect(page.getByText('Bag saved').first()).toBeVisible()
  await page.reload()
  await changeInBag(page, '46°')
  await expect(page.getByLabel('Loft of club 1, degrees')).toHaveValue('47')

  await page.goto('/players')
  await other.goto('/players')
  for (const p of [page, other]) {
    await p.getByRole('button', { name: 'More for Pip Marlow' }).click()
    await p.getByRole('menuitem', { name: 'Edit' }).click()
  }
  await other.getByLabel('Name', { exact: true }).fill('Pip Marlowe')
  await other.getByRole('button', { name: 'Save', exact: true }).click()
  await expect(other.getByText('Pip Marlowe')).toBeVisible()
  await page.getByLabel('Note').fill('left-handed')
  await page.getByRole('button', { name: 'Save', exact: true }).click()
  await expect(page.getByText('The other page says "Pip Marlowe".')).toBeVisible()
  await page.getByRole('button', { name: 'Take theirs' }).click()
  await expect(page.getByText('Pip Marlowe')).toBeVisible()
})

test('a club with balls is retired, not lost, and comes back; without balls it goes; undo brings all back @long', async ({
  page,
}) => {
  await atTheRange(page)
  await page.locator('#carry').fill('80')
  await page.locator('#carry').press('Enter')
  await page.getByRole('link', { name: /^Bag/ }).click()
  await changeInBag(page, '46°')
  await page.getByRole('button', { name: 'Remove 46°' }).click()
  await changeInBag(page, '58°')
  await page.getByRole('button', { name: 'Retire 58°' }).click()
  await expect(page.getByText('58° is retired, its ball is kept.')).toBeVisible()
  await page.getByRole('button', { name: 'Undo' }).click()
  await page.getByRole('button', { name: 'Undo' }).click()
  await changeInBag(page, '58°')
  await expect(page.getByLabel('Label of club 3')).toHaveValue('58°')
  await page.getByRole('button', { name: 'Retire 58°' }).click()
  await page.getByRole('button', { name: 'Save the bag' }).click()
  await expect(page.getByText('Bag saved').first()).toBeVisible()
  await page.getByRole('button', { name: 'Bring back' }).click()
  await page.getByRole('button', { name: 'Save the bag' }).click()
  await page.getByRole('link', { name: /Carry chart/ }).click()
  await expect(page.getByRole('button', { name: /^58° full, \d+ ± \d+ yd, 1 ball$/ })).toBeVisible()
})

test('archiving a player can be undone', async ({ page, signUp }) => {
  await signUp()
  await addPlayer(page, 'Pip Marlow')
  await page.goto('/players')
  await page.getByRole('button', { name: 'More for Pip Marlow' }).click()
  await page.getByRole('menuitem', { name: 'Archive' }).click()
  await expect(page.getByText('Everybody is archived.')).toBeVisible()
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect(page.getByRole('link', { name: 'Pip Marlow' })).toBeVisible()
})

test('a wrong password is told beside its field, and the address stays', async ({ page }) => {
  provokes('401')
  await page.goto('/sign-in')
  await page.getByLabel('E-mail').fill('ada@saltmarsh.example')
  await page.getByLabel('Password').fill('not this')
  await page.getByRole('button', { name: 'Sign in' }).click()
  await expect(page.getByText('E-mail or password is not right.')).toBeVisible()
  await expect(page.getByLabel('E-mail')).toHaveValue('ada@saltmarsh.example')
})
