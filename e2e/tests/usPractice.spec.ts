import { FOREIGN_WORDS } from '@nachtigal/core/testing/foreignWords'
import { METRIC_FIGURE } from '@nachtigal/core/testing/metricFigure'
import type { Page } from '@playwright/test'
import { expect, saved, startJob, test } from '../fixtures'

/** Every kind of loop by its word, and what it must hold, °F: enough to begin it with its chain. */
const kinds = [
  ['warm floor', '82'],
  ['boiler', '70'],
  ['pool, tank', '80'],
  ['fan', '72'],
  ['panel, enclosure', '95'],
  ['room', '70'],
  ['cold room', '36'],
  ['chiller', '40'],
  ['heated cabinet', '113'],
  ['cabin heater', '68'],
] as const

const places = [
  ...['survey', 'survey/found', 'survey/hazards', 'survey/proposal', 'match', 'match/load', 'match/supply'],
  ...['wire', 'wire/logic', 'wire/places', 'wire/conductors', 'wire/box', 'wire/dead', 'wire/live'],
  ...['set', 'set/keying', 'try', 'prove', 'prove/finder', 'hand-over'],
]

/** What of this page is in metric units, or in words of another practice, each with what stands around it. */
async function foreignOn(page: Page, place: string): Promise<string[]> {
  await expect(page.locator('main').first()).toBeVisible()
  await expect(page.getByText(/^(?:Opening|Reading the job)$/)).toHaveCount(0)
  const lines = (await page.locator('body').innerText()).split('\n')
  const options = await page
    .locator('option, [aria-label]')
    .evaluateAll((all) => all.map((each) => each.getAttribute('aria-label') ?? each.textContent ?? ''))
  return [...lines, ...options]
    .filter((line) => METRIC_FIGURE.test(line) || FOREIGN_WORDS.us.test(line))
    .map((line) => `${place}: ${line.trim().slice(0, 160)}`)
}

test.setTimeout(240_000)
for (const [kind, target] of kinds)
  test(`from an empty job in US practice: ${kind}`, async ({ page, server }) => {
    await startJob(page, server.url, { name: 'Juniper Hollow', unit: '°F', system: 'US customary' })
    const form = page.getByRole('form', { name: 'New loop' })
    await form.getByRole('radio', { name: kind, exact: true }).click()
    const fields = form.getByRole('textbox')
    await fields.first().fill(target)
    await fields.first().press('Tab')
    await form.getByRole('button', { name: 'Add it with its chain' }).click()
    await expect(form).toHaveCount(0, { timeout: 120_000 })
    await saved(page)
    const loop = page.url().split('/').slice(0, 7).join('/')
    const found: string[] = []
    for (const place of places) {
      await page.goto(`${loop}/${place}`)
      await page.waitForTimeout(150)
      found.push(...(await foreignOn(page, place)))
    }
    expect([...new Set(found)]).toEqual([])
  })
