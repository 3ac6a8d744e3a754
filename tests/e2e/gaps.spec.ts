import { addPlayer, expect, hit, packBag, startSession, test } from './coach'

test("lanes and cover are read by keys and by hand, a flag is answered and taken back, and the figures are the coach's own @long", async ({
  page,
  signUp,
}) => {
  await signUp()
  await addPlayer(page, 'Pip Marlow')
  await packBag(page)
  await startSession(page)
  await hit(page, '52° full', [99, 101, 100, 102, 98, 100])
  await hit(page, '58° full', [70, 72, 71, 69, 70, 71])
  await page.getByRole('link', { name: /Gaps/ }).click()

  // By keys: from the shortest yard on, and from stock shot to stock shot.
  await page.getByRole('application', { name: /Lanes and cover/ }).focus()
  await page.keyboard.press('End')
  await expect(
    page.getByText(/^\s*\d+ yd: best .+, leaves \d+ yd on average, one ball in ten more than \d+ yd\.\s*$/),
  ).toBeVisible()
  await page.keyboard.press('ArrowUp')
  await expect(page.getByText(/8 in 10 from \d+ to \d+ yd, (predicted|\d+ balls?)\.\s*$/)).toBeVisible()
  const first = await page.getByText(/: best /).textContent()
  await page.keyboard.press('ArrowRight')
  await expect(page.getByText(/: best /)).not.toHaveText(first!)
  await page.keyboard.press('Escape')
  await expect(page.getByText(/Point at a yardage/)).toBeVisible()
  // By hand: the same line.
  await page.getByRole('application').locator('canvas').last().hover()
  await expect(page.getByText(/: best /)).toBeVisible()
  // And as tables.
  await page.getByRole('button', { name: 'As a table' }).click()
  await expect(page.getByRole('table', { name: 'Cover, target by target' }).getByRole('row')).not.toHaveCount(0)
  await page.getByRole('button', { name: 'As lanes' }).click()

  // Counting only what was hit, nothing serves the yards between the two: the coach is working on it.
  await page.getByRole('button', { name: 'What counts' }).click()
  await page.getByRole('switch', { name: 'Count only stock shots that were hit' }).click()
  await page.keyboard.press('Escape')
  const step = page
    .getByRole('article')
    .filter({ hasText: /Hole|Wide step/ })
    .first()
  await expect(step).toBeVisible()
  const title = (await step.getByRole('heading').textContent())!
    .replace(/^\s*\d+/, '')
    .trim()
    .split(/ {2,}|Nearly|Sure|Likely/)[0]!
    .trim()
  // Its place in the picture has its number, and each leads to the other.
  const mark = page.getByRole('button', { name: `: ${title}` })
  await expect(mark).toHaveAttribute('aria-pressed', 'false')
  await step.getByRole('heading').getByRole('button').click()
  await expect(mark).toHaveAttribute('aria-pressed', 'true')
  const open = Number((await page.getByRole('heading', { name: /open flags?$/ }).textContent())!.match(/\d+/)![0])
  await step.getByRole('button', { name: 'Answer' }).click()
  await page.getByRole('menuitem', { name: 'Working on it' }).click()
  await step.getByLabel('Why').fill('more balls at 10:00')
  await step.getByRole('button', { name: '4 weeks' }).click()
  await expect(
    page.getByRole('heading', { name: open === 1 ? 'No open flags' : new RegExp(`^${open - 1} open flags?$`) }),
  ).toBeVisible()
  await page.getByText('Settled: 1').click()
  await expect(
    page
      .getByRole('article')
      .filter({ hasText: title })
      .getByText(/Being worked on until .+, said on .+: more balls at 10:00\.\s*$/),
  ).toBeVisible()
  // It is kept.
  await page.reload()
  await expect(page.getByText('Settled: 1')).toBeVisible()
  await page.getByText('Settled: 1').click()
  await page.getByRole('button', { name: 'Take the answer back' }).click()
  await expect(page.getByRole('heading', { name: new RegExp(`^${open} open flags?$`) })).toBeVisible()

  // What would help is worked out, and goes on to What if.
  const hole = page.getByRole('article').filter({ hasText: title }).first()
  await hole.getByRole('heading').getByRole('button').click()
  await hole.getByRole('button', { name: 'What would help' }).click()
  const panel = page.getByRole('dialog')
  await expect(panel.getByText(/Add a club of \d+°\./)).toBeVisible()
  await expect(panel.getByText(/covered \d+ → \d+/).first()).toBeVisible()
  await panel
    .getByRole('listitem')
    .filter({ hasText: 'Add a club' })
    .getByRole('link', { name: 'Look at it in What if' })
    .click()
  await expect(page.getByRole('heading', { name: 'What if' })).toBeVisible()
  await expect(page.getByText('not owned: predicted')).toBeVisible()

  // A figure of the academy: refused when it cannot be, kept when it can.
  await page.getByRole('link', { name: 'Gaps' }).last().click()
  await page.getByRole('button', { name: 'What counts' }).click()
  await page.getByRole('radio', { name: 'For all players of the academy' }).click()
  await page.getByLabel('Old after, days').fill('3')
  await page.getByRole('button', { name: 'Use these' }).click()
  await expect(page.getByText('"3" is not possible: 7 to 730 days is allowed.')).toBeVisible()
  await page.getByLabel('Old after, days').fill('45')
  await page.getByRole('button', { name: 'Use these' }).click()
  await page.getByRole('radio', { name: 'For this player' }).click()
  await expect(page.getByText(/^\s*The academy's 45\./)).toBeVisible()
})

test('what if: change, undo, search, stop, keep and look again @long', async ({ page, demo }) => {
  await demo()
  await page.getByRole('link', { name: /Odile Harrow/ }).click()
  await page.getByRole('link', { name: /Gaps/ }).click()
  await page.getByRole('link', { name: 'What if…' }).click()
  const clubs = page.getByRole('row', { name: /^Clubs/ })
  await expect(clubs).toContainText('60° 56° 51° 46°')
  await page.getByRole('button', { name: '51°: one degree more' }).click()
  await page.getByRole('button', { name: '51°: one degree more' }).click()
  await expect(clubs).toContainText('60° 56° 53° 46°')
  await expect(page.getByText(/club maker bends it/)).toBeVisible()
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect(clubs).toContainText('60° 56° 52° 46°')
  await page.getByRole('button', { name: 'Leave the 60° at home' }).click()
  await expect(clubs).not.toContainText('60° 56° 52°')
  await page.getByLabel('Name of this bag').fill('Without the lob wedge')
  await page.getByRole('button', { name: 'Keep it' }).click()
  await expect(page.getByText('Without the lob wedge')).toBeVisible()
  await page.getByRole('button', { name: 'As it is' }).click()
  await expect(clubs).toContainText(/60° 56° 51° 46°.*60° 56° 51° 46°/)
  await page
    .getByRole('listitem')
    .filter({ hasText: 'Without the lob wedge' })
    .getByRole('button', { name: 'Look at it' })
    .click()
  await expect(clubs).toContainText(/60° 56° 51° 46° .*56° 52° 46°/)

  // Handed over it stands on the player's phone, in figures, until it is taken back.
  await page.getByRole('button', { name: 'Hand to the player' }).click()
  await expect(page.getByText("Without the lob wedge is on the player's phone").first()).toBeVisible()
  const links = `/api/players/${page.url().split('/')[4]}/links`
  const link = await page.evaluate(async path => {
    const made = await fetch(path, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ id: crypto.randomUUID(), strength: 'read' }),
    })
    return (await made.json()) as { id: string; token: string }
  }, links)
  const phone = await page.context().newPage()
  await phone.goto(`/card#${link.token}`)
  await phone.locator('summary').filter({ hasText: 'Without the lob wedge' }).click()
  await expect(
    phone.getByText(
      'With the 51° bent from 51° to 52°, the 60° left at home. Nothing of it is done: talk it over first.',
    ),
  ).toBeVisible()
  await expect(phone.getByRole('rowheader', { name: 'Left on average' })).toBeVisible()
  await expect(
    phone
      .getByRole('list', { name: 'Its stock shots, longest first' })
      .getByRole('listitem')
      .filter({ hasText: '51° full' }),
  ).toContainText('predicted')
  await phone.close()
  // The demo's player has no link again.
  expect(
    await page.evaluate(path => fetch(path, { method: 'DELETE' }).then(reply => reply.status), `${links}/${link.id}`),
  ).toBe(200)
  await page.getByRole('button', { name: 'Take back from the player' }).click()
  await expect(page.getByRole('button', { name: 'Hand to the player' })).toBeVisible()

  // Two thought-of bags beside each other, and back to today's.
  await page.getByRole('button', { name: 'As it is' }).click()
  await page.getByRole('button', { name: 'Compare with it' }).click()
  await expect(clubs).toContainText(/56° 52° 46° .*60° 56° 51° 46°/)
  await expect(page.getByRole('columnheader', { name: 'Without the lob wedge' })).toBeVisible()
  await page.getByRole('button', { name: 'Compare with today instead' }).click()
  await expect(page.getByRole('columnheader', { name: 'Today' })).toBeVisible()

  await page.getByRole('button', { name: 'Look', exact: true }).click()
  await expect(page.getByText(/^\s*The best of all [\d,]+ bags, in [\d.]+ s:\s*$/)).toBeVisible({ timeout: 20_000 })
  const best = page.getByRole('listitem').filter({ hasText: /Leaves [\d.]+ yd on average/ })
  await expect(best).toHaveCount(3)
  await best.first().getByRole('button', { name: 'Look at it' }).click()
  await expect(best.first().getByRole('button', { name: 'Shown' })).toBeVisible()
  // Four changes at once are many bags: it can be stopped. The button stands only while it looks, so it is not waited
  // for to come to rest.
  await page.getByLabel('Wedges and short irons, at most').fill('8')
  await page.getByLabel('Changes at once, at most').fill('4')
  await page.getByRole('button', { name: 'Look', exact: true }).click()
  await page.getByRole('button', { name: 'Stop' }).dispatchEvent('click')
  await expect(page.getByText(/^\s*(Stopped: the best of|The best of all) [\d,]+ bags/)).toBeVisible({
    timeout: 20_000,
  })
  await page.getByRole('button', { name: 'Let Without the lob wedge go' }).click()
  await expect(page.getByText('Nothing kept yet.')).toBeVisible()
  await page
    .getByRole('region', { name: /Notifications/ })
    .getByRole('button', { name: 'Undo' })
    .first()
    .click()
  await expect(page.getByRole('button', { name: 'Let Without the lob wedge go' })).toBeVisible()

  // All players' flags, worst first; each leads to its player.
  await page.goto('/players')
  await page.getByRole('link', { name: /\d+ open flags/ }).click()
  await expect(page.getByRole('heading', { name: 'Open flags' })).toBeVisible()
  await page.getByRole('main').getByRole('listitem').first().getByRole('link').click()
  await expect(page.getByRole('heading', { name: 'Gaps' })).toBeVisible()
})
