import { randomUUID } from 'node:crypto'
import type { Page } from '@playwright/test'
import type { SchoolId } from '../../core/swing/schools'
import { atTheRange, ballsInDatabase, expect, onBoard, provokes, test } from './coach'
import { listen, sender, tokenOf } from './device'
import { serve } from './stack'

/** Balls of one stock shot, as a line of the keypad has them, and the number that was written of them. */
interface Pile {
  club: string
  length: string
  balls: readonly string[]
  written: number
}
interface MeasuredGrid {
  what: string
  lofts: readonly number[]
  school: SchoolId
  lengths: readonly { label: string; fraction?: number }[]
  piles: readonly Pile[]
}

/** Grids that coaches measured, with the lofts they told (common practice). */
const GRIDS: readonly MeasuredGrid[] = [
  {
    what: 'a half swing of three clubs, three balls each, with their totals',
    lofts: [50, 54, 58],
    school: 'custom',
    lengths: [{ label: 'half', fraction: 0.6 }],
    piles: [
      { club: '50°', length: 'half', balls: ['73 t77', '77 t78', '72 t74'], written: 74 },
      { club: '54°', length: 'half', balls: ['58 t58', '54 t55', '55 t56'], written: 55.7 },
      { club: '58°', length: 'half', balls: ['44 t45', '47 t48', '48 t50'], written: 46 },
    ],
  },
  {
    what: 'hands to the waist, four clubs, a ball each',
    lofts: [45, 50, 56, 60],
    school: 'custom',
    lengths: [{ label: 'half', fraction: 0.6 }],
    piles: [
      { club: '45°', length: 'half', balls: ['80'], written: 80 },
      { club: '50°', length: 'half', balls: ['74'], written: 74 },
      { club: '56°', length: 'half', balls: ['58'], written: 58 },
      { club: '60°', length: 'half', balls: ['47'], written: 47 },
    ],
  },
  {
    what: 'nine tenths by feel, with a flyer',
    lofts: [50, 54, 58],
    school: 'feel',
    lengths: [{ label: '90 %', fraction: 0.9 }],
    piles: [
      { club: '58°', length: '90 %', balls: ['89.7'], written: 89.7 },
      { club: '54°', length: '90 %', balls: ['104', '103.5'], written: 103.8 },
      { club: '50°', length: '90 %', balls: ['111', '122 s6200', '112'], written: 111.5 },
    ],
  },
  {
    what: 'the clock face with the most lofted club',
    lofts: [60],
    school: 'clock',
    lengths: [{ label: '7:00' }, { label: '8:00' }, { label: '9:00' }, { label: '10:00' }],
    piles: [
      { club: '60°', length: '7:00', balls: ['30'], written: 30 },
      { club: '60°', length: '8:00', balls: ['40'], written: 40 },
      { club: '60°', length: '9:00', balls: ['50'], written: 50 },
      { club: '60°', length: '10:00', balls: ['60'], written: 60 },
    ],
  },
]

/** Counts what a hand does on this page from now on: keys pressed, and things clicked by mouse or finger. */
async function countHands(page: Page) {
  await page.evaluate(() => {
    Reflect.set(window, 'hands', { keys: 0, clicks: 0 })
    const count = (what: 'keys' | 'clicks') => () => {
      Reflect.get(window, 'hands')[what]++
    }
    addEventListener('keydown', count('keys'), true)
    // A click that the keyboard makes has no pointer behind it.
    addEventListener('click', event => event.detail > 0 && count('clicks')(), true)
  })
  return () => page.evaluate(() => Reflect.get(window, 'hands') as { keys: number; clicks: number })
}

const cellOf = ({ club, length }: Pile) => `${club} ${length}`

async function choose(page: Page, pile: Pile) {
  const cell = await onBoard(page, cellOf(pile))
  if ((await cell.getAttribute('aria-pressed')) !== 'true') await cell.click()
}

/** What the board says of each stock shot, once it says the same twice. */
async function board(page: Page, grid: MeasuredGrid): Promise<string[]> {
  const read = () =>
    Promise.all(grid.piles.map(async pile => (await onBoard(page, cellOf(pile))).locator('span').first().innerText()))
  let last: string[] = []
  await expect(async () => {
    const before = last
    last = await read()
    expect(last).toEqual(before)
    expect(last.every(text => /^\d/.test(text))).toBe(true)
  }).toPass({ intervals: [800] })
  return last
}

const readings = { t: 'total_yd', s: 'spin_rpm' } as const
/** A line of the keypad as a device sends it. */
function sent(line: string): object {
  const [carry, ...more] = line.split(' ')
  const also = more.map(one => [readings[one[0] as keyof typeof readings], Number(one.slice(1))] as const)
  // With its time, so that it need not wait until what was chosen is surely what is hit.
  const ball = { id: randomUUID(), carry_yd: Number(carry), time: new Date().toISOString() }
  return { ...ball, ...Object.fromEntries(also) }
}

/** How far a number may lie from what the coach wrote: three balls leave it no surer. */
const WITHIN_YD = 2.5

for (const [i, grid] of GRIDS.entries())
  test(
    `typed and sent come to one chart with the fewest taps: ${grid.what}`,
    // One of them with each change, the others where there is time.
    { tag: i === 0 ? '@desk' : '@long' },
    async ({ page, baseURL }) => {
      const { lofts, school, lengths } = grid
      await atTheRange(page, 'By hand', { lofts, school, lengths })
      const hands = await countHands(page)
      for (const pile of grid.piles) {
        await choose(page, pile)
        for (const line of pile.balls) {
          await page.keyboard.type(line)
          await page.keyboard.press('Enter')
        }
      }
      const lines = grid.piles.flatMap(pile => pile.balls)
      await expect(page.getByText(new RegExp(`^${lines.length} balls this session`))).toBeVisible()
      const typed = await hands()
      // A ball is its figures and Enter, a stock shot is one click; nothing else.
      expect(typed.keys).toBe(lines.reduce((sum, line) => sum + line.length + 1, 0))
      expect(typed.clicks).toBeLessThanOrEqual(grid.piles.length)
      const byHand = await board(page, grid)
      for (const [i, pile] of grid.piles.entries()) {
        const number = Number(byHand[i])
        expect(Math.abs(number - pile.written), `${cellOf(pile)} reads ${number}`).toBeLessThanOrEqual(WITHIN_YD)
      }

      await page.context().clearCookies()
      await atTheRange(page, 'By device', { lofts, school, lengths })
      const session = page.url()
      const send = sender(baseURL!, await tokenOf(page))
      await page.goto(session)
      await listen(page)
      const clicks = await countHands(page)
      let hit = 0
      for (const pile of grid.piles) {
        const cell = await onBoard(page, cellOf(pile))
        if ((await cell.getAttribute('aria-pressed')) !== 'true') {
          const aimed = page.waitForRequest(request => request.url().endsWith('/aim'))
          await cell.click()
          expect((await (await aimed).response())?.ok()).toBe(true)
        }
        for (const line of pile.balls) {
          expect(await send(sent(line))).toBe(202)
          hit++
          await expect(page.getByText(new RegExp(`^${hit} balls? this session`))).toBeVisible()
        }
      }
      const done = await clicks()
      expect(done.keys).toBe(0)
      expect(done.clicks).toBeLessThanOrEqual(grid.piles.length)
      expect(await board(page, grid)).toEqual(byHand)
    },
  )

test(
  'a calibration from full swings down to 50 yd in one go, while the server is dead: nothing is lost',
  { tag: '@long' },
  async ({ browser }) => {
    let server = await serve(process.env.E2E_DATABASE_URL!)
    const context = await browser.newContext({ baseURL: server.url, viewport: { width: 1280, height: 800 } })
    const page = await context.newPage()
    provokes('ERR_|Failed to load resource|500')
    const log = async (cell: string, balls: readonly string[]) => {
      await (await onBoard(page, cell)).click()
      for (const ball of balls) {
        await page.locator('#carry').fill(ball)
        await page.locator('#carry').press('Enter')
      }
    }
    const rows = page.locator('#balls-title').locator('xpath=ancestor::section').getByRole('listitem')
    try {
      await atTheRange(page, 'Pip Marlow', {
        lofts: [46, 50, 56, 60],
        lengths: [{ label: '9:00' }, { label: 'full' }],
      })
      const player = page.url().split('/')[4]!
      // Full swings: an open face is marked, and counts.
      await log('46° full', ['136', '138', '137'])
      await log('50° full', ['126', '112'])
      await page.keyboard.press('o')
      await expect(rows.first()).toContainText('face open')
      await log('56° full', ['102', '101'])
      await expect.poll(() => ballsInDatabase(player)).toEqual([136, 138, 137, 126, 112, 102, 101])

      server.kill()
      await server.ended
      // The full lob wedge flies too high: not used. A length shorter than nine o'clock is added on the spot.
      await (await onBoard(page, '60° full')).click()
      await page.getByRole('button', { name: /^Change 60° full/ }).click()
      await page.getByRole('menuitem', { name: 'Stop using it' }).click()
      await expect(page.getByText('60° full is not used now').first()).toBeVisible()
      await (await onBoard(page, '46° 9:00')).click()
      await page.getByRole('button', { name: /^Change 46° at 9:00/ }).click()
      await page.getByRole('menuitem', { name: /Add a length shorter than 9:00/ }).click()
      await page.getByLabel('Name', { exact: true }).fill('8:00')
      await page.getByRole('button', { name: 'Save' }).click()
      await log('46° 9:00', ['107'])
      await log('50° 9:00', ['92'])
      await log('56° 9:00', ['74'])
      // Six of the lob wedge: the poor strikes are told, a pull is marked, and the coach writes a number.
      await log('60° 9:00', ['65', '61', '50'])
      await page.keyboard.press('m')
      await log('60° 9:00', ['55'])
      await page.keyboard.press('m')
      await log('60° 9:00', ['63', '60'])
      await page.keyboard.press('c')
      await expect(rows.first()).toContainText('face closed')
      await page.getByRole('button', { name: "That's the number" }).click()
      await expect(page.getByText(/written as 6\d yd/).first()).toBeVisible()
      await log('50° 8:00', ['70'])
      await log('56° 8:00', ['55', '56'])
      await log('60° 8:00', ['48', '44', '52', '51'])
      // Called and hit.
      await page.getByRole('button', { name: 'Call', exact: true }).click()
      for (const [target, carry] of [
        ['50', '51'],
        ['55', '49'],
      ]) {
        await page.getByLabel('Target, yards').fill(target!)
        await page.locator('#carry').fill(carry!)
        await page.locator('#carry').press('Enter')
      }
      await expect(rows.first()).toContainText('called 55, 6 yd short')
      await expect(page.getByRole('button', { name: /waiting/ })).toBeVisible()

      server = await serve(process.env.E2E_DATABASE_URL!, Number(new URL(server.url).port))
      await expect(page.getByRole('button', { name: /waiting/ })).toHaveCount(0)
      const all = [136, 138, 137, 126, 112, 102, 101, 107, 92, 74, 65, 61, 50, 55, 63, 60, 70, 55, 56, 48, 44, 52, 51]
      await expect.poll(() => ballsInDatabase(player)).toEqual([...all, 51, 49])
      // A page opened anew says the same.
      await page.reload()
      await expect(page.getByText('25 balls this session')).toBeVisible()
      await expect(page.getByRole('button', { name: '60° full', exact: true })).toHaveCount(0)
      await expect(await onBoard(page, '60° 9:00')).toHaveAttribute('aria-description', /written/)
      await expect(rows.first()).toContainText('called 55, 6 yd short')
      await page.getByRole('button', { name: 'Show all 25 balls' }).click()
      await expect(rows.filter({ hasText: 'face open' })).toHaveCount(1)
      await expect(rows.filter({ hasText: 'mishit' })).toHaveCount(2)
    } finally {
      await context.close()
      await server.stop()
    }
  },
)
