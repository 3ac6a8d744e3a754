import type { Page } from '@playwright/test'
import {
  addPlayer,
  atTheRange,
  ballsInDatabase,
  expect,
  expectOnBoard,
  hit,
  onBoard,
  packBag,
  startSession,
  test,
} from './coach'

/** A session measured in this way, of a fresh coach. */
async function measuring(page: Page, signUp: () => Promise<void>, method: string, before?: () => Promise<void>) {
  await signUp()
  await addPlayer(page, 'Pip Marlow')
  await packBag(page)
  await page
    .getByRole('link', { name: /Range session/ })
    .first()
    .click()
  await page.getByRole('button', { name: method, exact: true }).click()
  await before?.()
  await page.getByRole('button', { name: 'Start the session' }).click()
  await expect(page.locator('#carry')).toBeVisible()
}
const rows = (page: Page) => page.locator('#balls-title').locator('xpath=ancestor::section').getByRole('listitem')

test('keypad: side and total with the carry, marks with it or after it, and what was swung long is counted', async ({
  page,
}) => {
  await atTheRange(page)
  await (await onBoard(page, '52° full')).click()
  await page.locator('#carry').fill('101 4r t103')
  await expect(page.getByText('4 yd right, total 103 yd')).toBeVisible()
  await page.locator('#carry').press('Enter')
  await expect(rows(page).first()).toContainText('4 yd right')
  await page.locator('#carry').fill('72 4q')
  await page.locator('#carry').press('Enter')
  await expect(page.getByRole('alert')).toContainText('"4q" is not understood')
  // Typed with a mark: the ball goes in marked, and out of the number.
  await page.locator('#carry').fill('109')
  await page.getByRole('button', { name: 'Other mark' }).click()
  await page.getByRole('menuitem', { name: 'Swung long' }).click()
  await expect(rows(page).first()).toContainText('left out: swung long')
  await hit(page, '52° full', [100, 88])
  // Marked after it.
  await page.locator('#carry').press('m')
  await expect(rows(page).first()).toContainText('mishit, weighs little')
  await expect(page.getByText('Asked for full, went past it 1 of the last 4.')).toBeVisible()
  // Where the watcher saw how far it went, it counts for that, and what was asked stays beside it.
  await page.getByRole('button', { name: 'Other mark' }).click()
  await page.getByRole('menuitem', { name: 'Swung 10:00' }).click()
  await expect(rows(page).first()).toContainText('52° at 10:00')
  await expect(rows(page).first()).toContainText('asked full')
  await expect(page.getByText('Asked for full, went past it 1 and stopped short of it 1 of the last 4.')).toBeVisible()
  await page.locator('body').press('u')
  await expect(rows(page).first()).not.toContainText('asked')
  await page.getByRole('button', { name: 'Other mark' }).click()
  await page.getByRole('menuitem', { name: 'Heel' }).click()
  await expect(rows(page).first()).toContainText('heel, weighs little')
  await page.locator('body').press('u')
  await page.locator('body').press('u')
  await expect(rows(page).first()).not.toContainText('weighs little')
  await expect(page.getByText('4 balls this session')).toBeVisible()
})

test(
  "a ball of another club is put there with one tap; the coach's own lock-in habits stand beside the certainty @long",
  { tag: '@desk' },
  async ({ page, signUp }) => {
    await signUp()
    await page.goto('/account')
    const habits = page.getByRole('form', { name: 'Lock-in habits' })
    await habits.getByRole('checkbox', { name: 'Mark alike' }).click()
    await habits.getByLabel('How many alike').fill('1')
    await habits.getByRole('button', { name: 'Save habits' }).click()
    await expect(habits.getByText('Balls 1 is not possible: 2 to 30 is allowed.')).toBeVisible()
    await habits.getByLabel('How many alike').fill('3')
    await habits.getByRole('button', { name: 'Save habits' }).click()
    await expect(page.getByText('Lock-in habits saved').first()).toBeVisible()
    await page.goto('/players')
    await addPlayer(page, 'Pip Marlow')
    await packBag(page)
    await startSession(page)
    await hit(page, '58° full', [80, 81])
    await expect(page.getByText('2 of 3 alike')).toBeVisible()
    await hit(page, '58° full', [79, 80, 82])
    await expect(
      page.getByRole('list', { name: 'Your lock-in habits' }).getByText('3 alike', { exact: true }),
    ).toBeVisible()
    await hit(page, '52° full', [100, 101, 99, 100, 102, 81])
    const question = page.getByRole('status').filter({ hasText: '52° full: 81 yd stands out' })
    await expect(question).toContainText('It is an ordinary 58° full: another club?')
    await question.getByRole('button', { name: 'It was the 58°' }).click()
    await expect(rows(page).first()).toContainText('58° full')
    await page.locator('body').press('u')
    await expect(rows(page).first()).toContainText('52° full')
  },
)

test(
  'pile: laser and paces go together by their errors, the run is taken out, and the pace is kept',
  { tag: '@desk' },
  async ({ page, signUp }) => {
    await measuring(page, signUp, 'Laser')
    await hit(page, '52° 9:00', [])
    await page.locator('body').press('p')
    await expect(page.getByText('Do not walk out while anyone hits')).toBeVisible()
    await page.getByRole('button', { name: 'Log the pile' }).click()
    await expect(page.getByText('How many balls lie in the pile?')).toBeVisible()
    for (const [label, value] of [
      ['Balls in the pile', '8'],
      ['Mishits left out', '1'],
      ['Laser, yd', '74'],
      ['Steps', '70'],
      ['One pace, yd', '1.1'],
      ['Front ball, yd', '68'],
      ['Back ball, yd', '80'],
      ['Width, yd', '9'],
    ] as const)
      await page.getByLabel(label).fill(value)
    await expect(page.getByText(/Together 75 yd, ± \d yd/)).toBeVisible()
    await page.getByRole('button', { name: 'Log the pile' }).click()
    await expect(rows(page).first()).toContainText('8 balls')
    // What lies at 75 pitched some two yards before.
    await expectOnBoard(page, '52° 9:00', /7[1-4]/)
    await expect(page.getByText('Grouping of the last pile: 9 yd side to side.')).toBeVisible()
    await rows(page).first().getByRole('button').click()
    await expect(
      page.getByText(
        'a pile of 8 balls, 1 mishit not in it, lasered 74.0 yd, 70 steps of 1.1 yd, from 68 to 80 yd, 9 yd wide',
      ),
    ).toBeVisible()
    await page.getByLabel('Carry, yards').last().fill('76')
    await page.getByRole('button', { name: 'Save' }).click()
    await rows(page).first().getByRole('button').click()
    await expect(page.getByText(/^\s*was 74\.\d until /)).toBeVisible()
    await page.keyboard.press('Escape')
    // The pace is there for the next pile, and on any device.
    await page.reload()
    await expect(page.locator('#carry')).toBeVisible()
    await page.locator('body').press('p')
    await expect(page.getByLabel('One pace, yd')).toHaveValue('1.1')
  },
)

test(
  'position: start to ball by this device, refused when the fix tells nothing @long',
  { tag: '@desk' },
  async ({ page, context, signUp }) => {
    await measuring(page, signUp, 'Watch')
    await context.grantPermissions(['geolocation'])
    const at = (metres: number, accuracy: number) =>
      context.setGeolocation({ latitude: 51 + metres / 111_195, longitude: 0, accuracy })
    await at(0, 3)
    await page.getByRole('button', { name: 'Position' }).click()
    await page.getByRole('button', { name: 'I stand on the tee' }).click()
    await expect(page.getByText(/Tee known, good to 3\.3 yd/)).toBeVisible()
    await at(80, 60)
    await page.getByRole('button', { name: 'I stand beside the ball' }).click()
    await expect(page.getByText(/it would tell nothing/)).toBeVisible({ timeout: 20_000 })
    await expect(page.getByRole('button', { name: 'Log it' })).toBeDisabled()
    await at(80, 3)
    await page.getByRole('button', { name: 'I stand beside the ball' }).click()
    await expect(page.getByText('± 2 yd')).toBeVisible()
    await page.getByRole('button', { name: 'Log it' }).click()
    await expect(rows(page).first()).toContainText('87.5')
  },
)

test('a target of a range is dragged on its plan, moved with the arrow keys, or typed, and all three agree', async ({
  page,
  signUp,
}) => {
  await signUp()
  await page.goto('/ranges')
  await page.getByRole('button', { name: 'Add a range' }).first().click()
  await page.getByLabel('Name', { exact: true }).first().fill('Marsh Range')
  await page.getByRole('button', { name: 'Add a sign or target' }).click()
  await page.getByLabel('Name of target 1').fill('red flag')
  await page.getByLabel('Distance of target 1').fill('100')
  await page.getByRole('button', { name: 'Add a sign or target' }).click()
  await page.getByLabel('Name of target 2').fill('far post')
  await page.getByLabel('Distance of target 2').fill('150')
  const flag = page.getByRole('button', { name: /^Move red flag/ })
  await expect(flag).toHaveAccessibleName('Move red flag, 100 yd, straight')
  await flag.focus()
  for (const key of ['ArrowUp', 'ArrowUp', 'ArrowRight', 'Shift+ArrowRight']) await page.keyboard.press(key)
  await expect(page.getByLabel('Distance of target 1')).toHaveValue('102')
  await expect(page.getByLabel('Degrees right of target 1')).toHaveValue('6')

  const from = (await flag.boundingBox())!
  const post = (await page.getByRole('button', { name: /^Move far post/ }).boundingBox())!
  const grip = { x: from.x + 22, y: from.y + 22 }
  await page.mouse.move(grip.x, grip.y)
  await page.mouse.down()
  await page.mouse.move(grip.x, (grip.y + post.y) / 2, { steps: 4 })
  await page.mouse.up()
  const distance = Number(await page.getByLabel('Distance of target 1').inputValue())
  expect(distance).toBeGreaterThan(110)
  expect(distance).toBeLessThan(150)
  await expect(flag).toHaveAccessibleName(new RegExp(`^Move red flag, ${distance} yd, \\d° right`))
  await page.getByRole('button', { name: 'Save' }).click()
  await expect(page.getByRole('row', { name: /red flag/ })).toContainText(String(distance))
})

test(
  'guess against a sign of a kept range; a sign that stands elsewhere offers to count anew',
  { tag: '@long' },
  async ({ page, signUp }) => {
    await signUp()
    await page.goto('/ranges')
    await page.getByRole('button', { name: 'Add a range' }).first().click()
    await page.getByLabel('Name', { exact: true }).first().fill('Marsh Range')
    await page.getByRole('button', { name: 'Add a sign or target' }).click()
    await page.getByLabel('Name of target 1').fill('the 100')
    await page.getByLabel('Distance of target 1').fill('0')
    await page.getByRole('button', { name: 'Save' }).click()
    await expect(page.getByText('Distance 0 m is not possible')).toBeVisible()
    await page.getByLabel('Distance of target 1').fill('100')
    await page.getByRole('button', { name: 'Add a sign or target' }).click()
    await page.getByLabel('Name of target 2').fill('far green')
    await page.getByLabel('Distance of target 2').fill('120')
    await page.getByLabel('Height of target 2').fill('6')
    await page.getByLabel('Degrees right of target 2').fill('30')
    await page.getByRole('button', { name: 'Save' }).click()
    await expect(page.getByRole('row', { name: /the 100/ })).toContainText('100straight')
    // The plan says what the table says.
    const plan = page.getByRole('img', { name: /^Marsh Range from above/ })
    await expect(plan).toHaveAccessibleName(/far green, 120 yd, 30° right, 6 up; the 100, 100 yd, straight/)
    await page.goto('/players')
    await addPlayer(page, 'Pip Marlow')
    await packBag(page)
    await page
      .getByRole('link', { name: /Range session/ })
      .first()
      .click()
    await page.getByRole('button', { name: 'Guess by the signs' }).click()
    await page.getByLabel('Range', { exact: true }).selectOption('Marsh Range')
    await page.getByRole('button', { name: 'Start the session' }).click()
    await page.getByRole('button', { name: 'Sign…' }).click()
    await page.getByRole('dialog').getByRole('button', { name: 'the 100 100 yd' }).click()
    await page.getByRole('button', { name: '−5' }).click()
    await expect(page.getByRole('dialog').getByText('a guess')).toBeVisible()
    await page.getByRole('button', { name: 'Log it' }).click()
    await expect(rows(page).first()).toContainText('95yd')
    // Another target turns the wind, as far as the line turned.
    await page.getByRole('button', { name: 'Take the air' }).click()
    const air = page.getByRole('dialog', { name: 'The air' })
    await air.getByRole('textbox', { name: 'Wind', exact: true }).fill('3')
    await air.getByRole('button', { name: 'From now on' }).click()
    await expect(page.getByText(/3 mph into the face/)).toBeVisible()
    await page.getByLabel('Target', { exact: true }).selectOption('far green, 120 yd, 6 yd above')
    await expect(page.getByText("New line: wind from 11 o'clock now").first()).toBeVisible()
    await expect(page.getByText(/3 mph from 11/)).toBeVisible()
    await page
      .getByRole('region', { name: /Notifications/ })
      .getByRole('button', { name: 'Undo' })
      .first()
      .click()
    await expect(page.getByText(/3 mph into the face/)).toBeVisible()
    await page.getByLabel('Target', { exact: true }).selectOption('far green, 120 yd, 6 yd above')
    await expect(page.getByText(/3 mph from 11/)).toBeVisible()
    // The ground rises to it, and a ball at two thirds of the way pitched two thirds of it up.
    await page.getByLabel('Carry, yards').fill('80')
    await page.getByLabel('Carry, yards').press('Enter')
    await rows(page).first().click()
    await expect(page.getByRole('dialog').getByText('4 yd above the tee')).toBeVisible()
    await page.keyboard.press('Escape')
    await page.keyboard.press('u')
    await expect(rows(page)).toHaveCount(1)
    const session = page.url()
    await expect.poll(() => ballsInDatabase(session.split('/')[4]!)).toEqual([95])
    await page.goto('/ranges')
    await page.getByRole('button', { name: 'Change', exact: true }).click()
    await page.getByLabel('Distance of target 1').fill('94')
    await page.getByRole('button', { name: 'Save' }).click()
    await page.getByRole('button', { name: 'Count them anew' }).click()
    await expect(page.getByText('1 guess counted anew').first()).toBeVisible()
    await page.goto(session)
    await expect(rows(page).first()).toContainText('89yd')
  },
)

test(
  'the order proposes, the bucket limits, and the end says what was learned @long',
  { tag: '@desk' },
  async ({ page, signUp, isMobile }) => {
    await measuring(page, signUp, 'Launch monitor', async () => {
      await page.getByLabel('Order of work').selectOption('One club through its lengths')
      await page.getByLabel('Balls in the bucket').fill('none')
      await page.getByRole('button', { name: 'Start the session' }).click()
      await expect(page.getByText('"none" balls are not possible: 1 to 500, or empty.')).toBeVisible()
      await page.getByLabel('Balls in the bucket').fill('6')
    })
    // One line on a phone, which has no key for it.
    const next = isMobile
      ? page.getByRole('button', { name: /^(Hit next|Then|This is what)/ })
      : page.getByRole('region', { name: /Hit next|Then, after/ })
    // Six balls for twelve stock shots: one each.
    await expect(next).toContainText('58° at 7:30, 1 ball')
    await expect(next).toContainText('6 balls left in the bucket.')
    await (isMobile ? next.click() : page.locator('body').press('n'))
    await page.locator('#carry').fill('45')
    await page.locator('#carry').press('Enter')
    await expect(next).toContainText('58° at 9:00')
    await hit(page, '58° 9:00', [60, 61, 62, 60, 61])
    await expect(page.getByText('The bucket is empty: end the session, or take more balls.').first()).toBeVisible()
    await page.getByLabel('Order of work').selectOption('Free')
    await page.getByRole('button', { name: 'End the session', exact: true }).click()
    const summary = page.getByRole('region', { name: /Session ended today/ })
    await expect(summary).toContainText('6 balls in 1 min, 2 stock shots.')
    await expect(summary).toContainText(
      /New numbers: 58° at 9:00 6\d ± \d+; 58° at 7:30|New numbers: 58° at 7:30 4\d ± \d+; 58° at 9:00/,
    )
    await expect(summary).toContainText('Begin next time with')
  },
)

test(
  'a press on the board while the numbers come chooses all the same',
  { tag: '@desk' },
  async ({ page, isMobile }) => {
    test.skip(isMobile, 'On a phone the board lies over the keypad: no ball is typed while it is open.')
    await atTheRange(page)
    await hit(page, '58° 9:00', [])
    const cell = await onBoard(page, '46° 9:00')
    await expect(cell).toContainText('–')
    await cell.locator('span').first().hover({ force: true })
    await page.mouse.down()
    await page.locator('#carry').fill('61')
    await page.locator('#carry').press('Enter')
    await expect(cell).toContainText(/\d/)
    await page.mouse.up()
    await expect(cell).toHaveAttribute('aria-pressed', 'true')
  },
)

test(
  'several balls are moved at once, sessions renamed and merged, all taken back @long',
  { tag: '@desk' },
  async ({ page }) => {
    await atTheRange(page)
    await hit(page, '52° full', [101, 102, 103])
    const first = page.url()
    await page.getByRole('button', { name: 'Choose several' }).click()
    await page.getByRole('button', { name: '52° full, 103 yd' }).click()
    await page.getByRole('button', { name: '52° full, 102 yd' }).click()
    await expect(page.getByText('2 balls chosen')).toBeVisible()
    await page.getByLabel('Move to club').click()
    await page.getByRole('option', { name: '46°' }).click()
    await page.getByLabel('Move to swing length').click()
    await page.getByRole('option', { name: '9:00' }).click()
    await page.getByRole('button', { name: 'Move there' }).click()
    await expect(page.getByRole('button', { name: '46° at 9:00, 103 yd' })).toBeVisible()
    await page
      .getByRole('region', { name: /Notifications/ })
      .getByRole('button', { name: 'Undo' })
      .click()
    await expect(page.getByRole('button', { name: '52° full, 103 yd' })).toBeVisible()

    await page.getByRole('button', { name: 'More about this session' }).click()
    await page.getByRole('menuitem', { name: 'Rename the session…' }).click()
    await page.getByRole('dialog').getByLabel('Name').fill('Before the match')
    await page.getByRole('dialog').getByRole('button', { name: 'Save' }).click()
    await page
      .getByRole('link', { name: /Range session/ })
      .first()
      .click()
    await expect(page.getByRole('heading', { name: /Before the match, running since/ })).toBeVisible()
    await page.getByText('Start another beside it').click()
    await page.getByRole('button', { name: 'Start the session' }).click()
    await hit(page, '46° full', [120])
    await page.getByRole('button', { name: 'More about this session' }).click()
    await page.getByRole('menuitem', { name: 'Merge into another session…' }).click()
    await page.getByRole('dialog').getByLabel('Into').click()
    await page.getByRole('option', { name: /Before the match/ }).click()
    await page.getByRole('dialog').getByRole('button', { name: 'Merge' }).click()
    await expect(page).toHaveURL(first)
    await expect(page.getByText('4 balls this session')).toBeVisible()
    await page
      .getByRole('link', { name: /Range session/ })
      .first()
      .click()
    await expect(page.getByRole('button', { name: 'Go on' })).toHaveCount(1)
  },
)

test(
  "two screens on one session see each other's balls within two seconds @long",
  { tag: '@desk' },
  async ({ page, context }) => {
    await atTheRange(page)
    const second = await context.newPage()
    await second.goto(page.url())
    await expect(second.locator('#carry')).toBeVisible()
    await page.bringToFront()
    await hit(page, '52° full', [101])
    await expect(second.getByRole('button', { name: '52° full, 101 yd' })).toBeVisible({ timeout: 2000 })
    await hit(second, '52° full', [99])
    await expect(page.getByRole('button', { name: '52° full, 99 yd' })).toBeVisible({ timeout: 2000 })
    await second.close()
  },
)
