import type { Page } from '@playwright/test'
import { expect, fill, openLoop, part, saved, test } from '../fixtures'

test.use({ demo: true })

/** Figure that stands beside a label, on whichever step is open. */
const beside = (page: Page, label: string) =>
  page.getByText(label, { exact: true }).first().locator('xpath=following-sibling::dd[1]')

test('how often a heater starts is one figure in Survey, Set and Try, and so is what is allowed', async ({
  page,
  server,
}) => {
  const said: Record<string, string[]> = { 'Starts, worst half load': [], 'Starts, allowed': [] }
  for (const place of ['survey/proposal', 'set', 'try']) {
    await openLoop(page, server.url, 'Rescue van', place)
    for (const [label, texts] of Object.entries(said)) {
      await expect(beside(page, label)).toBeVisible({ timeout: 30_000 })
      texts.push(await beside(page, label).innerText())
    }
  }
  for (const texts of Object.values(said)) {
    expect(texts[0]).toMatch(/^\d.*an hour$/)
    expect(new Set(texts).size).toBe(1)
  }
})

test('the power that the survey answers is on the plate, in the contact and in the run; another one read there is settled by a tap', async ({
  page,
  server,
}) => {
  await openLoop(page, server.url, 'Plaster cabinet', 'survey')
  await part(page, 'What it must hold')
  await fill(page, 'Power of the plant', '3000')
  await saved(page)
  await openLoop(page, server.url, 'Plaster cabinet', 'match/load')
  const takes = page.getByRole('textbox', { name: 'Takes' })
  await expect(takes).toHaveValue('3000')
  await expect(page.getByText(/carries 13\.04\sA for E1/).first()).toBeVisible()
  await fill(page, 'Takes', '4000')
  await saved(page)
  const finding = page
    .getByRole('listitem')
    .filter({ hasText: /The survey says 3000\sW, the plates 4000\sW\./ })
    .first()
  await expect(finding).toBeVisible()
  await finding.getByRole('button', { name: /Take 4000\sW into the survey/ }).click()
  await saved(page)
  await expect(page.getByText(/The survey says/)).toHaveCount(0)
  await openLoop(page, server.url, 'Plaster cabinet', 'survey')
  await part(page, 'What it must hold')
  await expect(page.getByRole('textbox', { name: 'Power of the plant' })).toHaveValue('4000')
  await openLoop(page, server.url, 'Plaster cabinet', 'try/plant')
  await expect(page.locator('[data-value="power"]').getByRole('textbox')).toHaveValue('4000')
})

test('a load of another sort than was answered is named with both, and a tap settles it; the proposal takes the one that was answered', async ({
  page,
  server,
}) => {
  await openLoop(page, server.url, 'Filtration cabinet', 'survey')
  await part(page, 'The plant')
  await page.getByLabel('Cooled by').selectOption('Cooling unit')
  await saved(page)
  await openLoop(page, server.url, 'Filtration cabinet', 'match/load')
  const finding = page.getByRole('listitem').filter({ hasText: 'Cooled by: Cooling unit in the survey' }).first()
  await expect(finding).toContainText('goes with Compressed-air cooler and a valve')
  await finding.getByRole('button', { name: 'Answer Compressed-air cooler and a valve' }).click()
  await saved(page)
  await expect(page.getByText('Cooled by: Cooling unit in the survey')).toHaveCount(0)
  await page.keyboard.press('Control+z')
  await expect(page.getByText('Cooled by: Cooling unit in the survey').first()).toBeVisible()
  await openLoop(page, server.url, 'Filtration cabinet', 'survey/proposal')
  await page.getByRole('button', { name: 'Start over with this chain' }).click()
  await page.waitForURL(/\/match$/, { timeout: 60_000 })
  const links = page.getByRole('list', { name: 'Links of the chain' })
  await expect(links).toContainText('Cabinet cooling unit')
  await expect(page.getByText('is another sort than was answered')).toHaveCount(0)
  // What was proposed was tried on the design day first.
  await openLoop(page, server.url, 'Filtration cabinet', 'try')
  await expect(page.locator('[data-run="done"]').first()).toBeVisible({ timeout: 60_000 })
  await expect(page.locator('[data-sentence="holds"]')).toBeVisible()
})
