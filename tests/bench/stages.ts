/**
 * What opening each stage costs a visitor: first words, largest paint, and how much shifts, of the demo's largest
 * player, plain and slowed four times, beside a bare page of the same run: "What is kept", plain text drawn by the same
 * framework and interface library, without data and without a frame that comes before the script. Needs the demo:
 * `npm run demo`, then `UZZET_AT=http://127.0.0.1:3000 npx tsx tests/bench/stages.ts [--write]`.
 */
import { chromium, type Browser } from '@playwright/test'
import { median, report } from './report'

const SLOWER = 4
const GOES = 3
/** Paints and shifts of an open page come within so long, slowed or not. */
const SETTLED_MS = 2500
/** What was worked out is kept for the next visit after so long at most. */
const KEPT_MS = 3500
const SHIFT_GOAL = 0.05
const baseURL = process.env.UZZET_AT ?? 'http://127.0.0.1:3000'

interface Opened {
  firstMs: number
  paintMs: number
  shift: number
  /** Longest stretch in which a tap would not be heard. */
  taskMs: number
}
interface How {
  slower: number
  /** Signed in with a cookie. */
  state?: object
  /** The device was here before, and knows what it saw last; else everything is fresh. */
  again?: boolean
}

async function opened(browser: Browser, path: string, { slower, state, again }: How): Promise<Opened> {
  const context = await browser.newContext({
    viewport: { width: 1280, height: 800 },
    baseURL,
    serviceWorkers: 'block',
    ...(state && { storageState: state as never }),
  })
  const page = await context.newPage()
  if (again) {
    await page.goto(path, { waitUntil: 'networkidle' })
    await page.waitForTimeout(KEPT_MS)
  }
  await page.addInitScript(() => {
    const seen = { firstMs: 0, paintMs: 0, shift: 0, taskMs: 0 }
    Object.assign(globalThis, { seen })
    new PerformanceObserver(list => {
      for (const entry of list.getEntriesByName('first-contentful-paint')) seen.firstMs = entry.startTime
    }).observe({ type: 'paint', buffered: true })
    new PerformanceObserver(list => {
      for (const entry of list.getEntries()) seen.paintMs = entry.startTime
    }).observe({ type: 'largest-contentful-paint', buffered: true })
    new PerformanceObserver(list => {
      for (const entry of list.getEntries() as (PerformanceEntry & { value: number; hadRecentInput: boolean })[])
        if (!entry.hadRecentInput) seen.shift += entry.value
    }).observe({ type: 'layout-shift', buffered: true })
    new PerformanceObserver(list => {
      for (const entry of list.getEntries()) seen.taskMs = Math.max(seen.taskMs, entry.duration)
    }).observe({ type: 'longtask', buffered: true })
  })
  if (slower > 1) await (await context.newCDPSession(page)).send('Emulation.setCPUThrottlingRate', { rate: slower })
  await page.goto(path, { waitUntil: 'networkidle' })
  await page.waitForFunction(() => (globalThis as unknown as { seen: Opened }).seen.paintMs > 0)
  await page.waitForTimeout(SETTLED_MS)
  const seen = await page.evaluate(() => (globalThis as unknown as { seen: Opened }).seen)
  await context.close()
  return seen
}

const browser = await chromium.launch({ executablePath: '/usr/bin/chromium', args: ['--no-sandbox'] })
const context = await browser.newContext({ baseURL })
const page = await context.newPage()
await page.goto('/sign-in')
await page.getByRole('button', { name: 'Enter the demo' }).click()
await page.getByText('Odile Harrow').first().click()
await page.waitForURL('**/chart')
const player = new URL(page.url()).pathname.replace(/\/chart$/, '')
const state = await context.storageState()
await context.close()

const STAGES = ['bag', 'session', 'chart', 'gaps', 'pick', 'practice', 'rounds'].map(
  stage => [stage, `${player}/${stage}`, stage === 'gaps' ? 'up to 1.5×' : 'up to 2×'] as const,
)
const { tell, note, done } = report('stages')
let most = { shift: 0, where: '' }
for (const slower of [1, SLOWER]) {
  const tasks = new Map<string, number>()
  const firsts = new Map<string, number>()
  const middle = async (path: string, how: Omit<How, 'slower'> = {}) => {
    const all: Opened[] = []
    for (let i = 0; i < GOES; i++) all.push(await opened(browser, path, { slower, ...how }))
    const shift = Math.max(...all.map(one => one.shift))
    if (shift > most.shift) most = { shift, where: path.split('/').at(-1)! }
    if (!how.again) firsts.set(path, median(all.map(one => one.firstMs)))
    tasks.set(path, Math.max(tasks.get(path) ?? 0, median(all.map(one => one.taskMs))))
    return median(all.map(one => one.paintMs))
  }
  const bare = await middle('/what-is-kept')
  const how = slower === 1 ? '' : `, slowed ${slower} times`
  const door = await middle('/sign-in')
  tell(`largest paint of sign-in${how}`, door, `of a bare page${how}`, bare, 'up to 1.3×')
  for (const [name, path, goal] of [['players', '/players', 'up to 1.3×'] as const, ...STAGES])
    for (const again of [false, true])
      tell(
        `largest paint of ${name}${again ? ', seen here before' : ''}${how}`,
        await middle(path, { state, again }),
        `of a bare page${how}`,
        bare,
        goal,
      )
  for (const [path, firstMs] of firsts)
    note(`first words of ${path.split('/').at(-1)!}${how}`, `${firstMs.toFixed(0)} ms`, '')
  for (const [path, taskMs] of tasks)
    note(
      `longest task of ${path.split('/').at(-1)!}${how}`,
      `${taskMs.toFixed(0)} ms`,
      slower > 1 ? 'up to 200 ms' : '',
    )
}
note('most that any of them shifted', `${most.shift.toFixed(3)} ${most.where}`, `below ${SHIFT_GOAL}`)
await browser.close()
done()
