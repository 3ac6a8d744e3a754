import { execFileSync } from 'node:child_process'
import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { setTimeout as wait } from 'node:timers/promises'
import { chromium, expect, type BrowserContext, type Page } from '@playwright/test'
import mysql from 'mysql2/promise'
import config from '../../playwright.config'
import { makeDice, type Dice } from '../../devices/dice'
import { MOODS, type Gateway } from './gateway'

/** What the storm may do to what stands behind the gateway. */
export interface Machines {
  gateway: Gateway
  databaseUrl: string
  restartServer: () => Promise<void>
  restartDatabase: () => Promise<void>
  freezeDatabase: (ms: number) => Promise<void>
  restartStore: () => Promise<void>
  freezeStore: (ms: number) => Promise<void>
}

export interface StormReport {
  steps: number
  acknowledged: number
  lost: string[]
  doubled: string[]
  strange: string[]
  events: Record<string, number>
  refusedShown: number
}

const FIRST_YD = 40
const DAY_MS = 86_400_000
/**
 * Chromium writes what a page kept to its files within this; a ball that was shown and kept is then safe from a kill.
 */
const WRITTEN_MS = 400

/** One tablet: a browser with a profile of its own, that can be killed and opened again. */
class Device {
  page!: Page
  #context!: BrowserContext
  readonly #profile = mkdtempSync(join(tmpdir(), 'uzzet-storm-'))
  typed: string[] = []
  storeFails = false

  constructor(
    readonly name: string,
    readonly gateway: Gateway,
    readonly place: number,
  ) {}

  get url(): string {
    return this.gateway.url
  }

  async open(): Promise<void> {
    this.#context = await chromium.launchPersistentContext(this.#profile, {
      ...(config.use!.launchOptions as object),
      viewport: { width: 1280, height: 800 },
      serviceWorkers: 'allow',
    })
    // A clock that can be turned while the page lives, and storage that can be made to refuse.
    await this.#context.addInitScript(() => {
      const now = Date.now.bind(Date)
      Object.assign(window, { turned: 0 })
      Date.now = () => now() + (window as unknown as { turned: number }).turned
      const put = Reflect.get(IDBObjectStore.prototype, 'put') as (...values: unknown[]) => IDBRequest
      IDBObjectStore.prototype.put = function (...values: unknown[]) {
        if ((window as unknown as { refuses?: boolean }).refuses)
          throw new DOMException('no room', 'QuotaExceededError')
        return put.apply(this, values)
      }
    })
    this.page = this.#context.pages()[0] ?? (await this.#context.newPage())
    this.page.setDefaultTimeout(120_000)
    this.storeFails = false
  }

  /** To the session, however often it takes while nothing answers. */
  async toSession(path: string): Promise<void> {
    const carry = this.page.locator('#carry')
    const enter = this.page.getByRole('button', { name: 'Enter the demo' })
    for (let i = 0; ; i++) {
      await this.page.goto(this.url + path).catch(() => {})
      await carry
        .or(enter)
        .first()
        .waitFor({ timeout: 8000 })
        .catch(() => {})
      // A cookie that was set a moment before a kill may be gone: then the coach signs in again.
      if (await enter.isVisible()) {
        await enter.click()
        await carry.waitFor({ timeout: 8000 }).catch(() => {})
      }
      if (await carry.isVisible()) return
      // Nobody opens a page for the first time through a portal for ever: the network comes back.
      if (i === 3) this.gateway.mood = 'clear'
      if (i > 30)
        throw new Error(
          `${this.name}: the session does not open: ${(await this.page.locator('body').innerText()).slice(0, 300)}`,
        )
    }
  }

  kill(): void {
    // All processes of this profile: its name is on the command line of each.
    execFileSync('pkill', ['-KILL', '-f', this.#profile])
  }

  async close(): Promise<void> {
    await this.#context.close().catch(() => {})
    rmSync(this.#profile, { recursive: true, force: true })
  }

  set = (name: 'turned' | 'refuses', value: number | boolean) =>
    this.page.evaluate(([key, to]) => void Object.assign(window, { [key as string]: to }), [name, value] as const)

  setOffline = (offline: boolean) => this.#context.setOffline(offline)

  /** A ball is acknowledged when the list shows it. Every ball has a carry of its own. */
  async hit(): Promise<void> {
    const yd = (FIRST_YD + this.place + 0.2 * this.typed.length).toFixed(1)
    const shown = String(Number(yd))
    await this.page.locator('#carry').fill(yd)
    await this.page.locator('#carry').press('Enter')
    // By a clock that was turned back it may stand far down the list.
    const all = this.page.getByRole('button', { name: /^Show all \d+ balls$/ })
    if (await all.isVisible()) await all.click()
    await expect(
      this.page.getByRole('button', { name: new RegExp(`, ${shown.replace('.', '\\.')} yd`) }).first(),
    ).toBeVisible()
    this.typed.push(yd)
  }
}

async function counts(databaseUrl: string, playerId: string): Promise<Map<string, number>> {
  const connection = await mysql.createConnection(databaseUrl)
  const [rows] = await connection.query(
    'select round(carry_m / 0.9144, 1) as yd, count(*) as n from ' +
      'shots where player_id = ? and deleted_at is null group by 1',
    [playerId],
  )
  await connection.end()
  return new Map((rows as { yd: number; n: number }[]).map(({ yd, n }) => [Number(yd).toFixed(1), Number(n)]))
}

/** A player, a bag and a running session, through the pages. @returns the path of the session */
async function begin(device: Device): Promise<string> {
  const { page, url } = device
  await page.goto(`${url}/sign-in`)
  await page.getByRole('button', { name: 'Enter the demo' }).click()
  await page.getByText('Jory Quill').click()
  await page.getByRole('link', { name: /Range session/ }).click()
  await page.getByRole('button', { name: 'Start the session' }).click()
  await page.locator('#carry').waitFor()
  return new URL(page.url()).pathname
}

/** What can befall; each ends by itself, and leaves things so that a coach could go on. */
function events(
  machines: Machines,
  devices: readonly Device[],
  session: string,
  dice: Dice,
): Record<string, () => Promise<void>> {
  const device = () => dice.pick(devices)
  const kept = (one: Device) =>
    one.storeFails
      ? one
          .set('refuses', false)
          .then(() => one.hit())
          .then(() => void (one.storeFails = false))
      : Promise.resolve()
  return {
    hit: async () => {
      const one = device()
      const n = 1 + Math.floor(dice.uniform() * 4)
      for (let i = 0; i < n; i++) await one.hit()
    },
    mood: async () => void (machines.gateway.mood = dice.pick(MOODS)),
    clear: async () => void (machines.gateway.mood = 'clear'),
    offline: async () => {
      const one = device()
      await one.setOffline(true)
      for (let i = 0; i < 2; i++) await one.hit()
      await one.setOffline(false)
    },
    reload: async () => {
      const one = device()
      await kept(one)
      await wait(WRITTEN_MS)
      await one.toSession(session)
    },
    killBrowser: async () => {
      const one = device()
      await kept(one)
      await wait(WRITTEN_MS)
      one.kill()
      await wait(200)
      await one.open()
      await one.toSession(session)
    },
    killServer: machines.restartServer,
    killDatabase: machines.restartDatabase,
    freezeDatabase: () => machines.freezeDatabase(500 + 4000 * dice.uniform()),
    killStore: machines.restartStore,
    // While it hangs balls are hit: it must not be felt.
    freezeStore: async () => {
      const frozen = machines.freezeStore(500 + 4000 * dice.uniform())
      await device().hit()
      await frozen
    },
    storeFails: async () => {
      const one = device()
      await one.set('refuses', true)
      one.storeFails = true
      await one.hit()
    },
    storeMended: async () => {
      for (const one of devices) await kept(one)
    },
    turnClock: () => device().set('turned', dice.pick([0, DAY_MS, -DAY_MS, 400 * DAY_MS, 3_600_000])),
  }
}

const WEIGHTS: Record<string, number> = {
  hit: 30,
  mood: 9,
  clear: 5,
  offline: 3,
  reload: 3,
  killBrowser: 2,
  killServer: 2,
  killDatabase: 1,
  freezeDatabase: 1,
  killStore: 1,
  freezeStore: 1,
  storeFails: 2,
  storeMended: 2,
  turnClock: 2,
}

function draw(dice: Dice): string {
  const sum = Object.values(WEIGHTS).reduce((total, weight) => total + weight, 0)
  let at = dice.uniform() * sum
  for (const [name, weight] of Object.entries(WEIGHTS)) {
    at -= weight
    if (at < 0) return name
  }
  return 'hit'
}

/**
 * Two tablets on one session, through whatever befalls, seeded; then everything is well again, and what each was shown
 * is held against the database.
 * @param steps how many things happen
 */
export async function storm(
  machines: Machines,
  steps: number,
  seed: number,
  say: (text: string) => void = () => {},
): Promise<StormReport> {
  const dice = makeDice(seed)
  const devices = [new Device('first', machines.gateway, 0), new Device('second', machines.gateway, 0.1)]
  const report: StormReport = {
    steps,
    acknowledged: 0,
    lost: [],
    doubled: [],
    strange: [],
    events: {},
    refusedShown: 0,
  }
  try {
    await devices[0]!.open()
    const session = await begin(devices[0]!)
    const playerId = session.split('/')[2]!
    const before = await counts(machines.databaseUrl, playerId)
    await devices[1]!.open()
    await devices[1]!.page.goto(`${machines.gateway.url}/sign-in`)
    await devices[1]!.page.getByRole('button', { name: 'Enter the demo' }).click()
    await devices[1]!.page.getByText('Jory Quill').waitFor()
    await devices[1]!.toSession(session)
    // The shell of the pages is kept by now, so that they open without a network.
    for (const { page } of devices) await page.evaluate(() => navigator.serviceWorker.ready.then(() => true))
    const happen = events(machines, devices, session, dice)
    for (let step = 0; step < steps; step++) {
      const name = draw(dice)
      report.events[name] = (report.events[name] ?? 0) + 1
      say(`${step + 1}/${steps} ${name} (${machines.gateway.mood})`)
      await happen[name]!()
    }
    machines.gateway.mood = 'clear'
    await happen.storeMended!()
    for (const one of devices) {
      await wait(WRITTEN_MS)
      await one.toSession(session)
      await one.set('turned', 0)
    }
    const typed = devices.flatMap(one => one.typed)
    report.acknowledged = typed.length
    let found = new Map<string, number>()
    // What waits goes by itself; back-off takes half a minute at most.
    for (let i = 0; i < 90; i++) {
      found = await counts(machines.databaseUrl, playerId)
      if (typed.every(yd => (found.get(yd) ?? 0) > (before.get(yd) ?? 0))) break
      await wait(1000)
    }
    for (const { page } of devices)
      report.refusedShown += await page.getByRole('button', { name: /refused|not sent/ }).count()
    for (const yd of typed) {
      const n = (found.get(yd) ?? 0) - (before.get(yd) ?? 0)
      if (n < 1) report.lost.push(yd)
      if (n > 1) report.doubled.push(yd)
    }
    for (const [yd, n] of found) if (!typed.includes(yd) && n !== (before.get(yd) ?? 0)) report.strange.push(yd)
    return report
  } finally {
    for (const one of devices) await one.close()
  }
}
