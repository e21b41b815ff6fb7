import type { Page } from '@playwright/test'
import { celsius, expect, saved, test } from '../fixtures'

/** Goes on with Tab until what is wanted holds the focus, as somebody without a mouse does. */
async function tabTo(page: Page, name: RegExp, most = 80) {
  for (let i = 0; i < most; i++) {
    await page.keyboard.press('Tab')
    const found = await page.evaluate(() => {
      const here = document.activeElement
      const labels =
        here instanceof HTMLInputElement || here instanceof HTMLSelectElement ? [...(here.labels ?? [])] : []
      return [here?.getAttribute('aria-label'), ...labels.map((label) => label.textContent), here?.textContent]
        .filter(Boolean)
        .join(' | ')
    })
    if (name.test(found)) return
  }
  throw new Error(`${name} is not reached by ${most} tabs`)
}

async function type(page: Page, label: string, text: string) {
  await tabTo(page, new RegExp(`^${label}( \\||$)`))
  await page.keyboard.type(text)
  await page.keyboard.press('Enter')
}

test('from an empty job to a wire that is tested and points that are set, without a mouse', async ({
  page,
  server,
}) => {
  await page.goto(server.url)
  await tabTo(page, /Start an empty job/)
  await page.keyboard.press('Enter')
  await type(page, 'Name', 'By hand')
  // The form says what is missing and keeps the rest.
  await expect(page.getByRole('alert')).toContainText('Your name is empty')
  await type(page, 'Your name, for the log', 'Ilse Farn')
  await expect(page.getByRole('heading', { name: 'No loop yet' })).toBeVisible()
  await tabTo(page, /^Add a loop/)
  await page.keyboard.press('Enter')
  await type(page, 'Name', 'Hatchling floor')

  await test.step('survey', async () => {
    await expect(page.getByLabel('What is controlled')).toBeVisible()
    await tabTo(page, /^What is controlled/)
    await page.keyboard.press('ArrowDown')
    await type(page, 'Target', celsius.Target)
    await type(page, 'May stray by', celsius['May stray by'])
    await type(page, 'Design outdoor', celsius['Design outdoor'])
    await type(page, 'Floor area', celsius['Floor area'])
    await tabTo(page, /^Insulation/)
    await page.keyboard.press('ArrowDown')
    await type(page, 'Supply water', celsius['Supply water'])
    await tabTo(page, /Mains in the box/)
    await page.keyboard.press('Space')
    await expect(page.getByRole('complementary')).toContainText('Heat loss')
    // The sum opens, is left by Escape, and the focus comes back to the number.
    await tabTo(page, /^Heat loss .* open the sum/)
    await page.keyboard.press('Enter')
    await expect(page.getByRole('dialog')).toContainText('Formula')
    await page.keyboard.press('Escape')
    await expect(page.locator(':focus')).toHaveAttribute('aria-label', /^Heat loss/)
  })
  await test.step('match', async () => {
    await tabTo(page, /^Match the chain/)
    await page.keyboard.press('Enter')
    for (const [link, device] of [
      ['Probe', 'Floor probe'],
      ['Controller', 'Dipper'],
      ['Load', 'Circulator'],
      ['Limiter', 'Shrike'],
      ['Supply', 'Circuit 10 A'],
    ] as const) {
      await page
        .getByRole('navigation', { name: 'Chain' })
        .focus()
        .catch(() => undefined)
      await tabTo(page, new RegExp(`^${link}(?!:)`), 120)
      await page.keyboard.press('Enter')
      await expect(page.getByRole('radiogroup', { name: link })).toBeVisible()
      await tabTo(page, new RegExp(device), 120)
      await page.keyboard.press('Enter')
      await expect(page.getByRole('radio', { name: new RegExp(device) })).toHaveAttribute('aria-checked', 'true')
    }
    await expect(page.getByText('Nothing to look at.')).toBeVisible()
  })
  await test.step('wire', async () => {
    await page.keyboard.press('3')
    await tabTo(page, /^Wire 1 landed/, 120)
    await page.keyboard.press('Space')
    await type(page, 'Meter reads', '0.2')
    await expect(page.getByRole('img', { name: 'Wire 1 tested' })).toBeVisible()
  })
  await test.step('set', async () => {
    await page.locator('body').press('Escape')
    await tabTo(page, /^4 Set/, 120)
    await page.keyboard.press('Enter')
    await tabTo(page, /^Cut-in/, 120)
    await page.keyboard.press('ArrowDown')
    await page.keyboard.press('ArrowDown')
    await expect(page.locator('[data-consequence="on"]')).toContainText('26.8')
    await saved(page)
  })
})
