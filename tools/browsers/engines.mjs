/**
 * Three engines behind one small door: open an address, run a function in the page, press keys, look. Chromium by
 * Playwright, Firefox by WebDriver BiDi (Puppeteer), WebKit by its own driver under Xvfb (Selenium).
 */
import { spawn } from 'node:child_process'
import { writeFileSync } from 'node:fs'
import { setTimeout as wait } from 'node:timers/promises'

const SIZE = { width: 1280, height: 900 }

async function chromium() {
  const { chromium: engine } = await import('@playwright/test')
  const browser = await engine.launch({ executablePath: '/usr/bin/chromium', args: ['--no-sandbox', '--disable-gpu'] })
  const page = await browser.newPage({ viewport: SIZE, locale: 'en-GB' })
  const errors = []
  page.on('pageerror', error => errors.push(error.message))
  return {
    name: 'Chromium',
    errors,
    open: url => page.goto(url),
    run: (work, ...given) => page.evaluate(`(${work})(${given.map(one => JSON.stringify(one)).join()})`),
    keys: text => page.keyboard.type(text),
    enter: () => page.keyboard.press('Enter'),
    file: (selector, path) => page.setInputFiles(selector, path),
    picture: path => page.screenshot({ path }),
    close: () => browser.close(),
  }
}

async function firefox() {
  const { default: puppeteer } = await import('puppeteer-core')
  const browser = await puppeteer.launch({
    browser: 'firefox',
    executablePath: '/usr/bin/firefox-esr',
    headless: true,
    defaultViewport: SIZE,
    extraPrefsFirefox: { 'intl.accept_languages': 'en-GB' },
  })
  const page = await browser.newPage()
  const errors = []
  page.on('pageerror', error => errors.push(error.message))
  return {
    name: `Firefox ${(await browser.version()).replace(/^\D+/, '')}`,
    errors,
    open: url => page.goto(url),
    run: (work, ...given) => page.evaluate(`(${work})(${given.map(one => JSON.stringify(one)).join()})`),
    keys: text => page.keyboard.type(text),
    enter: () => page.keyboard.press('Enter'),
    file: async (selector, path) => (await page.$(selector)).uploadFile(path),
    picture: path => page.screenshot({ path }),
    close: () => browser.close(),
  }
}

const MINI_BROWSER = '/usr/lib/x86_64-linux-gnu/webkit2gtk-4.1/MiniBrowser'
const DISPLAY = ':79'
const DRIVER_PORT = 4879

/** A program of Debian's that runs beside the walk. */
function beside(program, ...args) {
  const child = spawn(program, args, { stdio: 'ignore', env: { ...process.env, DISPLAY } })
  return () => child.kill()
}

async function webkit() {
  const { Builder, By, Capabilities, Key } = (await import('selenium-webdriver')).default
  const ends = [beside('Xvfb', DISPLAY, '-screen', '0', '1400x1000x24')]
  await wait(800)
  ends.unshift(beside('WebKitWebDriver', `--port=${DRIVER_PORT}`))
  await wait(800)
  const driver = await new Builder()
    .usingServer(`http://127.0.0.1:${DRIVER_PORT}`)
    .withCapabilities(
      new Capabilities({
        'browserName': 'MiniBrowser',
        'webkitgtk:browserOptions': { binary: MINI_BROWSER, args: ['--automation'] },
      }),
    )
    .build()
  await driver.manage().window().setRect(SIZE)
  const errors = []
  const active = () => driver.switchTo().activeElement()
  return {
    name: `WebKit ${(await driver.getCapabilities()).get('browserVersion') ?? ''}`.trim(),
    errors,
    open: url => driver.get(url),
    // A promise in the page is waited for; what it says is the last argument.
    run: async (work, ...given) => {
      const reply = await driver.executeAsyncScript(
        `const done = arguments[arguments.length - 1];
         Promise.resolve().then(() => (${work})(${given.map(one => JSON.stringify(one)).join()}))
           .then(value => done({ value }), error => done({ error: String(error) }))`,
      )
      if (reply.error) throw new Error(reply.error)
      return reply.value
    },
    keys: async text => (await active()).sendKeys(text),
    enter: async () => (await active()).sendKeys(Key.ENTER),
    file: (selector, path) => driver.findElement(By.css(selector)).sendKeys(path),
    picture: async path => writeFileSync(path, await driver.takeScreenshot(), 'base64'),
    close: async () => {
      await driver.quit()
      for (const end of ends) end()
    },
  }
}

export const ENGINES = { chromium, firefox, webkit }
