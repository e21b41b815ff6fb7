import type { Page } from '@playwright/test'
import { expect, expectAccessible, fill, openLoop, saved, test } from '../fixtures'

test.use({ demo: true })

const says = (page: Page) => page.locator('[data-trade]')
const thumb = (page: Page) => page.getByRole('slider', { name: 'Swing', exact: true })
const swingField = (page: Page) => page.getByRole('textbox', { name: 'Swing', exact: true })
const part = (page: Page, name: string) =>
  page
    .getByRole('navigation', { name: /Parts of/ })
    .getByRole('link', { name, exact: true })
    .click()
/** A number at the head of a text. */
const numberIn = (text: string) => Number(/-?[\d.]+/.exec(text)![0])

test('what a swing costs: the thumb is the setting, and Set, Try and the picture tell one figure', async ({
  page,
  server,
}) => {
  await openLoop(page, server.url, 'Fish store', 'set/trade')
  await expect(says(page)).toHaveAttribute('data-trade', 'meets', { timeout: 60_000 })
  await expectAccessible(page, 'what a swing costs')
  const lane = (id: string) => page.locator(`[data-lane="${id}"]`)
  await thumb(page).focus()
  await page.keyboard.press('Shift+ArrowRight')
  await expect(thumb(page)).toHaveAttribute('aria-valuetext', '1.7 K')
  await saved(page)
  await expect(lane('stray')).toHaveAttribute('data-keeps', 'false')
  // Once it is let go the value itself is run: no more about.
  await expect(lane('stray')).not.toContainText('about', { timeout: 20_000 })
  const shown = {
    starts: Number(await lane('starts').getAttribute('data-here')),
    stray: Number(await lane('stray').getAttribute('data-here')),
  }
  await part(page, 'Switching points')
  await expect(swingField(page)).toHaveValue('1.7')
  const told = numberIn(await page.locator('[data-fact^="starts.worst"]').first().innerText())
  expect(Math.abs(told - shown.starts)).toBeLessThan(0.006)
  await page.goto(page.url().replace(/\/set.*/, '/try'))
  const sentence = page.locator('[data-sentence="strays"]')
  await expect(sentence).toBeVisible({ timeout: 60_000 })
  const [, under, over] = /up to ([\d.]+)\sK under and ([\d.]+)\sK over/.exec(await sentence.innerText())!
  expect(Math.abs(Math.max(Number(under), Number(over)) - shown.stray)).toBeLessThan(0.051)
  await part(page, 'Trade-off')
  await expect(says(page)).toBeVisible({ timeout: 60_000 })
  expect(Number(await lane('stray').getAttribute('data-here'))).toBeCloseTo(shown.stray, 3)
})

test('what is offered is planned by a tap, and then meets everything; taken back it is offered again', async ({
  page,
  server,
}) => {
  await openLoop(page, server.url, 'Hatchling floor', 'set')
  await fill(page, 'Swing', '4')
  await saved(page)
  await part(page, 'Trade-off')
  const offer = says(page).getByRole('button', { name: /^Plan / })
  await expect(offer).toBeVisible({ timeout: 60_000 })
  const value = numberIn(await offer.innerText().then((text) => text.replace('Plan', '')))
  await offer.click()
  await saved(page)
  await expect(thumb(page)).toHaveAttribute('aria-valuetext', `${value.toFixed(1)} K`)
  await expect(says(page).locator('.finding.fits')).toBeVisible()
  await expect(offer).toHaveCount(0)
  await page.keyboard.press('Control+z')
  await expect(offer).toBeVisible()
})

test('it is dragged along its rule by hand, the lanes follow, and stopping it is one tap', async ({ page, server }) => {
  await openLoop(page, server.url, 'Hatchling floor', 'set/trade')
  await expect(says(page)).toBeVisible({ timeout: 60_000 })
  const here = () => page.locator('[data-lane="stray"]').getAttribute('data-here')
  const before = Number(await here())
  const box = (await thumb(page).boundingBox())!
  await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2)
  await page.mouse.down()
  await page.mouse.move(box.x + box.width / 2 + 160, box.y + box.height / 2, { steps: 6 })
  await expect.poll(async () => Number(await here())).toBeGreaterThan(before)
  await page.mouse.up()
  await saved(page)
  expect(numberIn((await thumb(page).getAttribute('aria-valuetext'))!)).toBeGreaterThan(1)
  await page.getByRole('button', { name: 'Minimum off time' }).click()
  await expect(page.getByRole('heading', { name: 'What a minimum off time costs' })).toBeVisible()
})
