import type { Page } from '@playwright/test'
import { atTheRange, expect, test } from './coach'

const rows = (page: Page) => page.locator('#balls-title').locator('xpath=ancestor::section').getByRole('listitem')

test(
  'between the balls: readings in one line, marks, the bag from the board, a number said, a shot called @long',
  { tag: '@desk' },
  async ({ page }) => {
    await atTheRange(page)
    const carry = page.locator('#carry')
    await carry.fill('81 4r s9800 c68 f90')
    await expect(page.getByText('4 yd right, spin 9,800 rpm, club 68 mph, felt 90 %')).toBeVisible()
    await carry.press('Enter')
    await expect(rows(page).first()).toContainText('felt 90 %')
    // A letter behind a figure is the ball's; with nothing typed it is a mark.
    await carry.pressSequentially('82c70')
    await expect(carry).toHaveValue('82c70')
    await carry.press('Enter')
    await carry.press('o')
    await expect(rows(page).first()).toContainText('face open')
    await carry.press('u')
    await expect(rows(page).first()).not.toContainText('face open')
    await carry.press('f')
    await expect(rows(page).first()).toContainText('flyer, weighs little')

    // The readings can be mended, and what stood there is kept.
    await rows(page).first().click()
    const ball = page.getByRole('dialog', { name: /82 yd/ })
    await ball.getByLabel('Club speed, mph').fill('71')
    await ball.getByRole('button', { name: 'Save' }).click()
    await rows(page).first().click()
    await expect(ball.getByText(/was 82, club 70 mph until/)).toBeVisible()
    await page.keyboard.press('Escape')

    // The bag from the board.
    await page.getByRole('button', { name: /^Change 58° full/ }).click()
    await page.getByRole('menuitem', { name: 'Stop using it' }).click()
    await expect(page.getByText('58° full is not used now').first()).toBeVisible()
    await page
      .getByRole('region', { name: /Notifications/ })
      .getByRole('button', { name: 'Undo' })
      .first()
      .click()
    await page.getByRole('button', { name: '58° full', exact: true }).click()
    await page.getByRole('button', { name: /^Change 58° full/ }).click()
    await page.getByRole('menuitem', { name: /Add a length shorter than full/ }).click()
    await page.getByLabel('Name', { exact: true }).fill('eleven')
    await page.getByRole('button', { name: 'Save' }).click()
    await page.getByRole('button', { name: '58° eleven', exact: true }).click()
    await expect(page.getByRole('heading', { name: /58° at eleven|58° eleven/ })).toBeVisible()
    await carry.fill('77')
    await carry.press('Enter')
    await page.getByRole('button', { name: "That's the number" }).click()
    await expect(page.getByText(/written as \d+ yd/).first()).toBeVisible()

    // Called and hit.
    await page.getByRole('button', { name: 'Call', exact: true }).click()
    await page.getByLabel('Target, yards').fill('75')
    await page.getByRole('button', { name: 'One yd less' }).click()
    await carry.fill('74')
    await carry.press('Enter')
    await expect(page.getByText(/Called 75 yd with 58°.*eleven, minus 1: 1 yd short\./).first()).toBeVisible()
    await expect(rows(page).first()).toContainText('called 75, 1 yd short')
  },
)
