import { addPlayer, expect, hit, packBag, test } from './coach'

test('the air of a session is taken out of what was measured, said in words, changed back to the start, and switched off', async ({
  page,
  signUp,
}) => {
  await signUp()
  await addPlayer(page, 'Pip Marlow')
  await packBag(page)
  await page
    .getByRole('link', { name: /Range session/ })
    .first()
    .click()
  await expect(page.getByText('not taken, the numbers stay as measured')).toBeVisible()
  await page.getByRole('button', { name: 'Take the air' }).click()
  const dialog = page.getByRole('dialog', { name: 'The air' })
  // Whoever reads yards reads mph and feet, until another unit is chosen.
  await dialog.getByRole('combobox', { name: 'Unit of wind' }).click()
  await page.getByRole('option', { name: 'm/s' }).click()
  await dialog.getByRole('textbox', { name: 'Temperature' }).fill('-80')
  await dialog.getByRole('textbox', { name: 'Wind', exact: true }).fill('3')
  await dialog.getByRole('button', { name: 'Use this air' }).click()
  await expect(dialog.getByText('Temperature "-80" is not possible: -20 to 50 °C is allowed.')).toBeVisible()
  await dialog.getByRole('textbox', { name: 'Temperature' }).fill('20')
  // A wind that blows is felt until another way is said.
  await expect(dialog.getByRole('combobox', { name: 'Judged by' })).toContainText('Felt')
  await dialog.getByRole('button', { name: 'Use this air' }).click()
  await expect(page.getByText('20 °C, 3 m/s into the face, 0 ft')).toBeVisible()
  await page.getByRole('button', { name: 'Start the session' }).click()
  await hit(page, '58° full', [80, 82, 81])
  await expect(
    page.getByText(/into 3 m\/s: 81 measured, (8[7-9]|9[0-4]) in neutral air, ± \d\.\d for the air\./),
  ).toBeVisible()
  await expect(page.getByText(/calm, or downwind, helps more than more of these/)).toBeVisible()

  // It was from behind all along: back to the start.
  await page.getByRole('button', { name: 'It has changed' }).click()
  await dialog.getByRole('button', { name: "6 o'clock, from behind" }).click()
  await dialog.getByRole('button', { name: 'Since the start' }).click()
  await expect(page.getByText(/downwind 3 m\/s: 81 measured, 7\d in neutral air/)).toBeVisible()
  await page.locator('body').press('u')
  await expect(page.getByText(/into 3 m\/s: 81 measured/)).toBeVisible()

  await page.getByRole('link', { name: /Carry chart/ }).click()
  await expect(page.getByText(/^\s*Neutral air, 3 balls/)).toBeVisible()
  await page.getByRole('switch', { name: 'Neutral air' }).click()
  await expect(page.getByText(/^\s*As measured, 3 balls/)).toBeVisible()
  await expect(page.getByRole('button', { name: /^58° full, 8[0-2] ± / })).toBeVisible()
  await page.getByRole('switch', { name: 'Neutral air' }).click()
  await expect(page.getByText(/^\s*Neutral air, 3 balls/)).toBeVisible()
})

test('a METAR line fills the air in, and says what is missing in it @long', async ({ page, signUp }) => {
  await signUp()
  await page.keyboard.press('w')
  const dialog = page.getByRole('dialog', { name: 'Plays like' })
  await dialog.getByRole('button', { name: 'Change the air' }).click()
  await dialog.getByText('From a weather report (METAR)').click()
  await dialog.getByLabel('METAR line').fill('EGXX 251120Z 24008KT 9999 Q1021')
  await dialog.getByRole('button', { name: 'Take it' }).click()
  await expect(dialog.getByText(/has no temperature group, such as 12\/07/)).toBeVisible()
  await dialog.getByLabel('METAR line').fill('EGXX 251120Z 24008KT 9999 12/07 Q1021')
  await dialog.getByRole('button', { name: 'Take it' }).click()
  await expect(dialog.getByText(/The report's wind is from 240°: type where the target lies/)).toBeVisible()
  await dialog.getByLabel('Target lies at, °').fill('240')
  await dialog.getByRole('button', { name: 'Take it' }).click()
  await expect(dialog.getByText('Taken from the report of EGXX.')).toBeVisible()
  await expect(dialog.getByText('12 °C, 9.2 mph into the face, 0 ft')).toBeVisible()
  await dialog.getByLabel('Target, yards').fill('100')
  await expect(dialog.getByRole('status')).toContainText(/11[3-7]/)
  await expect(dialog.getByText('slope')).toBeVisible()
  // The units turn the figures, not the meaning.
  await dialog.getByRole('combobox', { name: 'Unit of temperature' }).click()
  await page.getByRole('option', { name: '°F' }).click()
  await expect(dialog.getByRole('textbox', { name: 'Temperature' })).toHaveValue('54')
  await dialog.getByLabel('Target, yards').fill('900')
  await expect(dialog.getByText('"900" is not possible: 1 to 400 yd.')).toBeVisible()
})

test("the range's weather station gives a line that can be taken, and its silence is told", async ({ page, demo }) => {
  await demo()
  await page.keyboard.press('w')
  const dialog = page.getByRole('dialog', { name: 'Plays like' })
  await dialog.getByRole('button', { name: 'Change the air' }).click()
  await dialog.getByText('From a weather report (METAR)').click()
  await dialog.getByRole('button', { name: "Ask the range's weather station" }).click()
  await expect(dialog.getByLabel('METAR line')).toHaveValue(
    /^METAR UZZX \d{6}Z \d{5}KT 9999 FEW025 \d\d\/\d\d Q\d{4}=$/,
  )
  await dialog.getByLabel('Target lies at, °').fill('90')
  await dialog.getByRole('button', { name: 'Take it' }).click()
  await expect(dialog.getByText('Taken from the report of UZZX.')).toBeVisible()
  await page.route('**/api/weather', route =>
    route.fulfill({ json: { station: true, line: null }, headers: { 'x-uzzet-now': String(Date.now()) } }),
  )
  await dialog.getByRole('button', { name: "Ask the range's weather station" }).click()
  await expect(dialog.getByText('The weather station does not answer: type the air, or paste a line.')).toBeVisible()
})
