import type { Page } from '@playwright/test'
import { claimText } from '../../words/door'
import { atTheRange, expect, provokes, test } from './coach'

/** Every text that is seen within an element: where it stands, and how it is set. */
const textsIn = (page: Page, selector: string) =>
  page.locator(selector).evaluate(root =>
    [...root.querySelectorAll('*')].flatMap(element => {
      const text = [...element.childNodes]
        .filter(node => node.nodeType === Node.TEXT_NODE)
        .map(node => node.textContent!.trim())
        .join('')
      const { x, y, width, height } = element.getBoundingClientRect()
      if (text === '' || width < 2 || height < 2) return []
      const { fontSize, fontWeight, color } = getComputedStyle(element)
      return [{ text, x: Math.round(x), y: Math.round(y), height: Math.round(height), fontSize, fontWeight, color }]
    }),
  )

/** Opens a page whose script is held back. @returns what stands on it, and what lets the script through */
async function openHeld(page: Page, path: string) {
  let letThrough = () => {}
  const gate = new Promise<void>(resolve => (letThrough = resolve))
  await page.route(/\/_nuxt\/.*\.js$/, async route => {
    await gate
    await route.continue()
  })
  await page.goto(path, { waitUntil: 'commit' })
  await page.locator('#first-frame').waitFor({ state: 'attached' })
  // Measured when it has its style and its face.
  await page.waitForFunction(() => getComputedStyle(document.querySelector('#first-frame')!).position === 'absolute')
  await page.evaluate(() => document.fonts.load('24px "Overpass Variable"').then(() => document.fonts.ready))
  return { frame: await textsIn(page, '#first-frame > [aria-hidden]'), letThrough }
}

for (const [width, height] of [
  [1280, 800],
  [390, 844],
] as const)
  test(`a page opens with its frame before its script, and the page stands where that stood, ${width} wide`, async ({
    page,
  }) => {
    await page.setViewportSize({ width, height })
    const opened = async (path: string, ...words: string[]) => {
      const { frame, letThrough } = await openHeld(page, path)
      expect(frame.map(({ text }) => text)).toEqual(expect.arrayContaining(words))
      letThrough()
      await expect(page.locator('#first-frame')).toHaveCount(0)
      await expect(page.getByText('uzzet', { exact: false }).first()).toBeVisible()
      await expect.poll(() => textsIn(page, '#__nuxt'), path).toEqual(expect.arrayContaining(frame))
      await page.unrouteAll({ behavior: 'ignoreErrors' })
    }
    await opened('/sign-in', 'uzzet', claimText)
    await atTheRange(page)
    const player = new URL(page.url()).pathname.split('/').slice(0, 3).join('/')
    await opened('/players', 'Players')
    for (const [stage, title] of [
      ['bag', 'Bag'],
      ['session', 'Range session'],
      ['chart', 'Carry chart'],
      ['gaps', 'Gaps'],
      ['pick', 'Pick'],
      ['practice', 'Practice'],
      ['rounds', 'Rounds'],
    ] as const)
      await opened(`${player}/${stage}`, title)
    await opened(`${player}/gaps/what-if`, 'uzzet')
    await opened('/ranges', 'uzzet')
  })

test('who has to sign in first sees the door, also at a player; a shell for every page has no frame', async ({
  page,
}) => {
  provokes('401')
  const { frame, letThrough } = await openHeld(page, '/players/01890000-0000-7000-8000-000000000001/chart')
  expect(frame.map(({ text }) => text)).not.toContain('Carry chart')
  // The script does not come: after a while the frame says what can be done.
  const late = page.getByRole('status').filter({ hasText: 'This page is slow to come' })
  await expect(late).toBeHidden()
  await page.evaluate(() => document.getAnimations().forEach(animation => animation.finish()))
  await expect(late).toBeVisible()
  letThrough()
  await expect(page.getByRole('heading', { name: 'Sign in' })).toBeVisible()
  await expect(page.locator('#first-frame')).toHaveCount(0)
  for (const [path, has] of [
    ['/', false],
    ['/what-is-kept', false],
    ['/nowhere', false],
    ['/card', true],
  ] as const)
    expect((await (await page.request.get(path)).text()).includes('first-frame'), path).toBe(has)
})
