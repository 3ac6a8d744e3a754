/** One coach's way through the program, the same in every engine. @returns what stood on the screens */
import { setTimeout as wait } from 'node:timers/promises'

const PATIENCE_MS = 20_000

/** Runs in the page: what can be seen and chosen, by what it is called. */
const inPage = {
  text: () => document.body.innerText,
  click: name => {
    const seen = element => element.getClientRects().length > 0
    const called = element => (element.getAttribute('aria-label') ?? element.innerText).trim()
    const all = [...document.querySelectorAll('button, a[href], [role="menuitem"], [role="option"], summary')]
    const found = all.filter(element => seen(element) && !element.disabled)
    const one =
      found.find(element => called(element) === name) ?? found.find(element => called(element).startsWith(name))
    if (!one) return false
    one.click()
    return true
  },
  fill: (label, value) => {
    const field = [...document.querySelectorAll('input')].find(
      input =>
        input.getClientRects().length > 0 &&
        [...(input.labels ?? [])].some(one => one.innerText.trim().startsWith(label)),
    )
    if (!field) return false
    field.focus()
    Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, 'value').set.call(field, value)
    field.dispatchEvent(new Event('input', { bubbles: true }))
    return true
  },
  focus: selector => {
    const field = document.querySelector(selector)
    field?.focus()
    return document.activeElement === field && field !== null
  },
  cells: () =>
    [...document.querySelectorAll('main table td button[aria-label]')].map(cell => cell.getAttribute('aria-label')),
  has: selector => document.querySelector(selector) !== null,
  link: async () => {
    const player = location.pathname.split('/')[2]
    const reply = await fetch(`/api/players/${player}/links`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ id: crypto.randomUUID(), strength: 'read' }),
    })
    return (await reply.json()).token
  },
  overflow: () => document.documentElement.scrollWidth - document.documentElement.clientWidth,
}

export async function walk(engine, { url, csv, serverAway, picture }) {
  const seen = {}
  const until = async (what, work) => {
    const end = Date.now() + PATIENCE_MS
    for (;;) {
      const found = await work()
      if (found) return found
      if (Date.now() > end) throw new Error(`${engine.name}: ${what} did not come`)
      await wait(100)
    }
  }
  const click = name => until(`"${name}"`, () => engine.run(inPage.click, name))
  const fill = (label, value) => until(`the field "${label}"`, () => engine.run(inPage.fill, label, value))
  const sees = text => until(`"${text}"`, async () => (await engine.run(inPage.text)).includes(text))
  const focus = selector => until(selector, () => engine.run(inPage.focus, selector))
  const looks = async name => {
    const wide = await engine.run(inPage.overflow)
    if (wide > 0) throw new Error(`${engine.name}: ${name} is ${wide} px wider than the window`)
    await picture(name)
  }
  const balls = async carries => {
    for (const carry of carries) {
      await focus('#carry')
      await engine.keys(String(carry))
      await engine.enter()
    }
  }

  await engine.open(`${url}/sign-up`)
  await sees('Open an account')
  await fill('Your name', 'Ada Vane')
  await fill('Academy', 'Test Links')
  await fill('E-mail', `ada-${Date.now()}@saltmarsh.example`)
  await fill('Password', 'links and wind')
  await click('yards')
  await click('Open the account')
  await sees('No players yet.')
  await click('Add a player')
  await fill('Name', 'Pip Marlow')
  await click('Add player')
  await sees('Which wedges does the player carry?')
  await click('46°, 52°, 58°')
  await click('Clock')
  await click('Save the bag')
  await sees('Bag saved')
  await looks('bag')

  await click('To the range')
  await click('Start the session')
  await focus('#carry')
  await click('52° full')
  await balls([101, 103, 99])
  await looks('session')
  // The network goes; balls are logged on, and are sent when it is back.
  await serverAway(async () => {
    await click('58° full')
    await balls([82, 80, 83])
    await click('46° full')
    await balls([118, 121])
  })
  await click('52° 9:00')
  await balls([77, 75, 78])
  await until('everything sent', async () => !/waiting|not sent/.test(await engine.run(inPage.text)))

  // A pile, measured as one.
  await click('46° 9:00')
  await click('Pile')
  await fill('Balls in the pile', '6')
  await fill('Laser', '88')
  await click('Log the pile')
  await sees('6 balls')

  await click('Carry chart')
  await until('the chart', async () => (await engine.run(inPage.cells)).filter(cell => /±/.test(cell)).length >= 5)
  seen.chart = await engine.run(inPage.cells)
  await looks('chart')
  await click('Gaps')
  const verdictOf = text => text.split('\n').find(line => /^(Sound from|No stretch is sound)/.test(line))
  seen.verdict = await until('the verdict', async () => verdictOf(await engine.run(inPage.text)))
  await looks('gaps')

  await click('Carry chart')
  await click('Publish')
  await click('Publish as No. 1')
  await sees('Publish as No. 2')
  await looks('published')

  // A file of a monitor, through its columns to its balls.
  await click('Range session')
  await click('Shots from a file')
  await until('the file', () => engine.run(inPage.has, 'input[type=file]'))
  await engine.file('input[type=file]', csv)
  await sees('4 rows')
  await looks('file')

  // The player's phone, which nobody is signed in on.
  const token = await engine.run(inPage.link)
  await engine.open(`${url}/card#${token}`)
  await sees('Pip Marlow')
  await until('the numbers of the card', async () => /\d{2,3}/.test(await engine.run(inPage.text)))
  seen.card = (await engine.run(inPage.text)).split('\n').filter(line => /^\d{2,3}$/.test(line.trim()))
  await looks('card')
  if (engine.errors.length > 0) throw new Error(`${engine.name}: the page said ${engine.errors.join('; ')}`)
  return seen
}
