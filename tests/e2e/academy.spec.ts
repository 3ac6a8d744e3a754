import type { Browser, Page } from '@playwright/test'
import { mkdtempSync, readdirSync, readFileSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import mysql from 'mysql2/promise'
import { Secret, TOTP } from 'otpauth'
import { addPlayer, atTheRange, expect, hit, newLink, packBag, playersPhone, provokes, test } from './coach'
import { serve } from './stack'

/** Hands an invitation to a new browser, which joins by it. */
async function invited(page: Page, browser: Browser, role: string) {
  await page.goto('/academy')
  await page.getByLabel('For whom').fill(`Bo the ${role}`)
  await page.getByLabel('As which role').selectOption({ label: role })
  await page.getByRole('button', { name: 'Make an invitation' }).click()
  const address = await page.locator('code').innerText()
  const context = await browser.newContext({ baseURL: new URL(page.url()).origin, locale: 'en-GB' })
  const theirs = await context.newPage()
  await theirs.goto(address)
  await expect(theirs.getByRole('heading', { name: 'Join Test Links' })).toBeVisible()
  await expect(theirs.getByLabel('Your name')).toHaveValue(`Bo the ${role}`)
  await theirs.getByLabel('E-mail').fill(`bo-${Date.now()}-${role.toLowerCase()}@saltmarsh.example`)
  await theirs.getByLabel('Password').fill('marram and sand')
  await theirs.getByRole('button', { name: 'Join', exact: true }).click()
  await expect(theirs.getByRole('heading', { name: 'Players', exact: true })).toBeVisible()
  return theirs
}

test('somebody is invited as an assistant, logs a ball and packs no bag, becomes a coach, leaves, and comes back @long', async ({
  page,
  browser,
}) => {
  provokes('401|403')
  await atTheRange(page)
  await hit(page, '52° full', [101])
  const bo = await invited(page, browser, 'Assistant')
  await expect(bo.getByRole('button', { name: 'Add a player' })).toHaveCount(0)
  await bo.getByText('Pip Marlow').click()
  await bo
    .getByRole('link', { name: /Range session/ })
    .first()
    .click()
  await bo.getByRole('button', { name: 'Go on' }).click()
  await hit(bo, '52° full', [103])
  await expect(bo.getByText('2 balls count')).toBeVisible()

  await bo.getByRole('link', { name: /^Bag/ }).first().click()
  await bo.getByRole('button', { name: /^58° full,/ }).click()
  await bo.getByRole('button', { name: 'Not used', exact: true }).click()
  await bo.getByRole('button', { name: 'Save the bag' }).click()
  await expect(bo.getByText('You are here as an assistant: this is for a coach.')).toBeVisible()

  await page.reload()
  await page.getByLabel('Role of Bo the Assistant').selectOption({ label: 'Coach' })
  await expect(page.getByText('Bo the Assistant: coach').first()).toBeVisible()
  // What was refused is still there, and goes now.
  await bo.getByRole('button', { name: 'Save the bag' }).click()
  await expect(bo.getByText('Bag saved').first()).toBeVisible()

  await page.getByRole('button', { name: 'Mark Bo the Assistant as left' }).click()
  await expect(page.getByText('Bo the Assistant has left; what they did stays.')).toBeVisible()
  await bo.goto('/players')
  await expect(bo.getByRole('heading', { name: 'Sign in' })).toBeVisible()
  await page.getByRole('button', { name: 'Bring back' }).click()
  await expect(page.getByLabel('Role of Bo the Assistant')).toBeVisible()
  await bo.context().close()
})

test('a player is handed to a colleague, who alone sees them where coaches see their own @long', async ({
  page,
  browser,
  signUp,
}) => {
  await signUp()
  await addPlayer(page, 'Pip Marlow')
  await packBag(page)
  const bo = await invited(page, browser, 'Coach')
  await page.getByLabel('A coach sees').selectOption({ label: 'their own players alone' })
  await bo.reload()
  await expect(bo.getByRole('heading', { name: 'No players yet.' })).toBeVisible()

  await page.goto('/players')
  const handOver = async () => {
    await page.getByRole('button', { name: 'More for Pip Marlow' }).click()
    await page.getByRole('menuitem', { name: 'Edit' }).click()
    await page.getByRole('dialog').getByLabel('Coach', { exact: true }).selectOption({ label: 'Bo the Coach' })
    await page.getByRole('button', { name: 'Save', exact: true }).click()
    await expect(page.getByText('Pip Marlow is handed over', { exact: true })).toBeVisible()
  }
  await handOver()
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect(page.getByText('Pip Marlow is handed over', { exact: true })).toHaveCount(0)
  await bo.reload()
  await expect(bo.getByRole('heading', { name: 'No players yet.' })).toBeVisible()
  await handOver()
  await bo.reload()
  await expect(bo.getByText('Pip Marlow')).toBeVisible()
  await bo.context().close()
})

test('a whole record goes as a file and comes in from it, is told, and is taken back @long', async ({
  page,
  signUp,
}) => {
  await signUp()
  await addPlayer(page, 'Pip Marlow')
  await packBag(page)
  await page.goto('/players')
  await page.getByRole('button', { name: 'More for Pip Marlow' }).click()
  await page.getByRole('menuitem', { name: 'To another academy' }).click()
  const saving = page.waitForEvent('download')
  await page.getByRole('link', { name: 'Save the record' }).click()
  const file = await (await saving).path()
  await page.getByRole('button', { name: 'Archive here' }).click()
  await expect(page.getByText('Pip Marlow is archived', { exact: true })).toBeVisible()

  await page.getByRole('button', { name: 'Bring players in' }).click()
  const dialog = page.getByRole('dialog', { name: 'Bring players in' })
  const input = dialog.getByLabel('Zip of a player or an academy')
  await input.setInputFiles({ name: 'photo.zip', mimeType: 'application/zip', buffer: Buffer.from('no zip') })
  await expect(dialog.getByText('photo.zip is no zip file, or it is damaged.')).toBeVisible()
  await input.setInputFiles(file)
  await expect(dialog.getByText('there is one here')).toBeVisible()
  await dialog.getByRole('button', { name: 'Bring in 1 player' }).click()
  await expect(page.getByText('Pip Marlow is here', { exact: true })).toBeVisible()
  const line = page.getByRole('link', { name: 'Pip Marlow' })
  await expect(line).toBeVisible()
  await page
    .getByRole('listitem')
    .filter({ hasText: 'Pip Marlow is here' })
    .getByRole('button', { name: 'Undo' })
    .click()
  await expect(line).toHaveCount(0)
})

test('a program gets a key that opens what its scope says, until it is revoked @long', async ({ page, signUp }) => {
  provokes('401|403')
  await signUp()
  await addPlayer(page, 'Pip Marlow')
  await page.goto('/account')
  const programs = page.getByRole('region', { name: 'Programs' })
  await programs.getByRole('button', { name: 'Make a key' }).click()
  await expect(programs.getByText('Name is empty')).toBeVisible()
  await programs.getByLabel('New program').fill('Report for parents')
  // Pressed twice in a hurry it is one key.
  await programs.getByRole('button', { name: 'Make a key' }).dblclick()
  const key = await programs.locator('code').innerText()
  await expect(programs.getByRole('button', { name: /^Revoke the key of/ })).toHaveCount(1)
  // From a context without the cookie.
  const ask = (method: 'GET' | 'POST') =>
    fetch(new URL('/api/players', page.url()), {
      method,
      headers: { 'authorization': `Bearer ${key}`, 'content-type': 'application/json' },
      ...(method === 'POST' && { body: '{}' }),
    })
  expect(JSON.stringify(await (await ask('GET')).json())).toContain('Pip Marlow')
  expect((await ask('POST')).status).toBe(403)

  await programs.getByRole('link', { name: 'What it can ask for' }).click()
  const path = page.getByText('/api/players/{playerId}/shots', { exact: true })
  await path.click()
  const route = page.getByRole('listitem').filter({ has: path })
  await expect(route.getByText('assistants and coaches; key: log')).toBeVisible()
  await page.goto('/account')
  await programs.getByRole('button', { name: 'Revoke the key of Report for parents' }).click()
  await page.getByRole('dialog').getByRole('button', { name: 'Revoke it' }).click()
  // Behind an open dialog nothing has a role: the region itself would be counted as gone.
  await expect(page.getByText('The key of Report for parents is revoked', { exact: true })).toBeVisible()
  await expect(programs.getByText('Report for parents', { exact: true })).toHaveCount(0)
  expect((await ask('GET')).status).toBe(401)
})

test('the place where one is signed in is told; who is not long in the archive is not erased @long', async ({
  page,
  signUp,
}) => {
  provokes('422')
  await signUp()
  await addPlayer(page, 'Pip Marlow')
  await page.goto('/account')
  const places = page.getByRole('region', { name: 'Where you are signed in' })
  await expect(places.getByText('here, now')).toBeVisible()
  await expect(places.getByRole('listitem')).toHaveCount(1)
  await expect(places.getByRole('button', { name: /^Sign out there/ })).toHaveCount(0)

  await page.goto('/players')
  await page.getByRole('button', { name: 'More for Pip Marlow' }).click()
  await page.getByRole('menuitem', { name: 'Archive' }).click()
  await page.getByRole('button', { name: '1 archived' }).click()
  await page.getByRole('button', { name: 'More for Pip Marlow' }).click()
  await page.getByRole('menuitem', { name: 'Erase for good…' }).click()
  const dialog = page.getByRole('dialog', { name: 'Erase Pip Marlow for good?' })
  await expect(dialog.getByRole('button', { name: 'Erase for good' })).toBeDisabled()
  await dialog.getByLabel('Type Pip Marlow to be sure').fill('Pip Marlow')
  await dialog.getByRole('button', { name: 'Erase for good' }).click()
  await expect(dialog.getByText(/can be erased 30 days after being archived, from 20/)).toBeVisible()
  await dialog.getByRole('button', { name: 'Cancel' }).click()
  await expect(page.getByRole('link', { name: 'Pip Marlow' })).toBeVisible()

  // How long the archive keeps anybody is the owner's, and it is still so after a reload.
  await page.goto('/academy')
  await page.getByLabel('Archived players are kept').selectOption({ label: 'for 12 months' })
  await expect(page.getByText('Then they are erased for good.')).toBeVisible()
  await page.reload()
  await expect(page.getByLabel('Archived players are kept')).toHaveValue('12')
})

/** A player with two balls, a published chart, and a link to it. */
async function published(page: Page) {
  await atTheRange(page)
  await hit(page, '52° full', [101, 103])
  await page.getByRole('link', { name: /Carry chart/ }).click()
  await page.getByRole('link', { name: 'Publish' }).click()
  await page.getByRole('button', { name: 'Publish as No. 1' }).click()
  await expect(page.getByText('Published as No. 1').first()).toBeVisible()
  return { playerId: page.url().split('/')[4]!, link: await newLink(page, 'Link to read') }
}

test('who was archived 31 days ago is erased for good, with their link @long', async ({ page, browser, baseURL }) => {
  provokes('401')
  const { playerId, link } = await published(page)
  await page.goto('/players')
  await page.getByRole('button', { name: 'More for Pip Marlow' }).click()
  await page.getByRole('menuitem', { name: 'Archive' }).click()
  await expect(page.getByText('Pip Marlow is archived', { exact: true })).toBeVisible()
  const connection = await mysql.createConnection(process.env.E2E_DATABASE_URL!)
  await connection.query('update players set archived_at = archived_at - interval 31 day where id = ?', [playerId])

  await page.getByRole('button', { name: '1 archived' }).click()
  await page.getByRole('button', { name: 'More for Pip Marlow' }).click()
  await page.getByRole('menuitem', { name: 'Erase for good…' }).click()
  const dialog = page.getByRole('dialog', { name: 'Erase Pip Marlow for good?' })
  const saving = page.waitForEvent('download')
  await dialog.getByRole('link', { name: 'the whole record as a file' }).click()
  expect((await saving).suggestedFilename()).toMatch(/\.zip$/)
  await dialog.getByLabel('Type Pip Marlow to be sure').fill('Pip Marlow')
  await dialog.getByRole('button', { name: 'Erase for good' }).click()
  await expect(page.getByText('Pip Marlow is erased', { exact: true })).toBeVisible()
  const [rows] = await connection.query('select count(*) as n from shots where player_id = ?', [playerId])
  expect(rows).toEqual([{ n: 0 }])
  await connection.end()
  const { page: phone } = await playersPhone(browser, baseURL!)
  await phone.goto(link)
  await expect(phone.getByText('This link does not open anything any more')).toBeVisible()
  await phone.context().close()
})

test('a child’s link waits until a guardian has agreed, and opens nothing once it is taken back @long', async ({
  page,
  browser,
  baseURL,
}) => {
  provokes('401|422')
  const { link } = await published(page)
  const { page: phone } = await playersPhone(browser, baseURL!)
  await phone.goto(link)
  await expect(phone.getByText('Pip Marlow').first()).toBeVisible()

  await page.goto('/players')
  const edit = async () => {
    await page.getByRole('button', { name: 'More for Pip Marlow' }).click()
    await page.getByRole('menuitem', { name: 'Edit' }).click()
  }
  const form = page.getByRole('dialog')
  await edit()
  await form.getByRole('checkbox', { name: /Under age/ }).check()
  await form.getByRole('button', { name: 'Save', exact: true }).click()
  await expect(page.getByText('a guardian has not agreed yet')).toBeVisible()
  await phone.goto('about:blank')
  await phone.goto(link)
  await expect(phone.getByText(/needs the word of a parent or guardian first/)).toBeVisible()

  await edit()
  await form.getByLabel('Who agreed').fill('Rowan Sorrel')
  await form.getByLabel('On', { exact: true }).fill(new Date(Date.now() - 86_400_000).toISOString().slice(0, 10))
  await form.getByRole('button', { name: 'Save', exact: true }).click()
  await expect(page.getByText('a guardian has not agreed yet')).toHaveCount(0)
  await phone.goto('about:blank')
  await phone.goto(link)
  await expect(phone.getByText('Pip Marlow').first()).toBeVisible()
  await phone.context().close()
})

test('an account is opened by the address in the mail, and a second time it opens nothing @long', async ({ page }) => {
  provokes('409|404')
  const mails = mkdtempSync(join(tmpdir(), 'uzzet-mails-'))
  const server = await serve(process.env.E2E_DATABASE_URL!, undefined, {
    UZZET_SIGN_UP: 'mail',
    UZZET_MAIL: `folder:${mails}`,
    UZZET_MAIL_FROM: 'uzzet@tests.example',
    UZZET_URL: 'http://uzzet.tests.example',
  })
  provokes(`left the machine: ${server.url}`)
  try {
    await page.goto(`${server.url}/sign-up`)
    await page.getByLabel('Your name').fill('Ada Marl')
    await page.getByLabel('E-mail').fill(`ada-${Date.now()}@saltmarsh.example`)
    await page.getByLabel('Password').fill('marram and sand')
    await page.getByLabel('Academy').fill('Marram Links')
    await page.getByRole('button', { name: 'Open the account' }).click()
    await expect(page.getByText('Check your mail.')).toBeVisible()
    const written = () => readdirSync(mails).filter(name => name.endsWith('.eml') && !name.startsWith('.'))
    await expect.poll(written).toHaveLength(1)
    const mail = readFileSync(join(mails, written()[0]!), 'utf8').replace(/=\r?\n/g, '')
    const token = /sign-up#(\S+)/.exec(mail.replaceAll('=3D', '='))![1]!
    await page.goto(`${server.url}/sign-in`)
    await page.goto(`${server.url}/sign-up#${token}`)
    await expect(page.getByRole('heading', { name: 'No players yet.' })).toBeVisible()
    await page.goto(`${server.url}/what-is-kept`)
    await page.goto(`${server.url}/sign-up#${token}`)
    await expect(page.getByText(/There is an account for ada-.* already/)).toBeVisible()
    await page.goto(`${server.url}/what-is-kept`)
    await page.goto(`${server.url}/sign-up#${token.slice(0, 50)}`)
    await expect(page.getByText('This link opens nothing any more')).toBeVisible()
  } finally {
    await server.stop()
    rmSync(mails, { recursive: true })
  }
})

test('a lost password is set anew by the address that the owner makes, and the history tells who logged what @long', async ({
  page,
  browser,
}) => {
  provokes('401')
  await atTheRange(page)
  const bo = await invited(page, browser, 'Assistant')
  await bo.getByText('Pip Marlow').click()
  await bo
    .getByRole('link', { name: /Range session/ })
    .first()
    .click()
  await bo.getByRole('button', { name: 'Go on' }).click()
  await hit(bo, '52° full', [103, 99])
  await expect(bo.getByText('2 balls count')).toBeVisible()

  await page.reload()
  await page.getByRole('button', { name: 'A new password for Bo the Assistant' }).click()
  const address = await page.locator('code').innerText()
  const elsewhere = await (await browser.newContext({ baseURL: new URL(page.url()).origin })).newPage()
  await elsewhere.goto(address)
  await expect(elsewhere.getByText('For Bo the Assistant of Test Links')).toBeVisible()
  await elsewhere.getByLabel('New password').fill('short')
  await elsewhere.getByRole('button', { name: 'Set it and go in' }).click()
  await expect(elsewhere.getByText(/Password is too short/)).toBeVisible()
  await elsewhere.getByLabel('New password').fill('heather and gorse')
  await elsewhere.getByRole('button', { name: 'Set it and go in' }).click()
  await expect(elsewhere.getByRole('heading', { name: 'Players', exact: true })).toBeVisible()
  await bo.goto('/players')
  await expect(bo.getByRole('heading', { name: 'Sign in' })).toBeVisible()

  await page.goto('/players')
  await page.getByRole('button', { name: 'More for Pip Marlow' }).click()
  await page.getByRole('menuitem', { name: 'Who changed what' }).click()
  await expect(page.getByText('Bo the Assistant logged or changed 2 balls')).toBeVisible()
  await expect(page.getByText('Ada Vane added the player')).toBeVisible()
  await page.getByLabel('Find in the history').fill('bo balls')
  await expect(page.getByText('Ada Vane added the player')).toHaveCount(0)
  await page.getByLabel('Find in the history').fill('nobody')
  await expect(page.getByText('Nothing here says "nobody".')).toBeVisible()
  await bo.context().close()
  await elsewhere.context().close()
})

test('a second step: set up by an app, asked for at the next sign-in, and by a spare code without the phone @long', async ({
  page,
}) => {
  provokes('401')
  await atTheRange(page)
  await page.goto('/account')
  const address = (await page.getByText(/, .+@/).first().innerText()).split(', ').at(-1)!
  const part = page.getByRole('region', { name: 'A second step at sign-in' })
  await part.getByLabel('Current password').fill('links and wind')
  await part.getByRole('button', { name: 'Set it up' }).click()
  await expect(part.getByRole('img')).toBeVisible()
  const secret = (await part.getByText(/^([A-Z2-7]{4} ?){8}$/).innerText()).replaceAll(' ', '')
  const phone = new TOTP({ secret: Secret.fromBase32(secret) })
  await part.getByLabel('The six digits it shows').fill(phone.generate({ timestamp: Date.now() - 30_000 }))
  await part.getByRole('button', { name: 'Switch it on' }).click()
  const spare = await part.getByRole('listitem').first().innerText()
  await part.getByRole('button', { name: 'I have kept them' }).click()
  await expect(part.getByText('8 spare codes left.')).toBeVisible()

  for (const code of [() => phone.generate(), () => spare]) {
    await page.context().clearCookies()
    await page.goto('/sign-in')
    await page.getByLabel('E-mail').fill(address)
    await page.getByLabel('Password', { exact: true }).fill('links and wind')
    await page.getByRole('button', { name: 'Sign in', exact: true }).click()
    await page.getByLabel('Code').fill(code())
    await page.getByRole('button', { name: 'Sign in', exact: true }).click()
    await expect(page.getByRole('heading', { name: 'Players', exact: true })).toBeVisible()
  }
})
