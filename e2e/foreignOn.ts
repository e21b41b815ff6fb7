import { FOREIGN_WORDS } from '@nachtigal/core/testing/foreignWords'
import { METRIC_FIGURE } from '@nachtigal/core/testing/metricFigure'
import type { Page } from '@playwright/test'
import { expect } from './fixtures'

/** Every place of a loop, by its address within it. */
export const loopPlaces = [
  ...['survey', 'survey/found', 'survey/hazards', 'survey/proposal', 'match', 'match/load', 'match/supply'],
  ...['wire', 'wire/logic', 'wire/places', 'wire/conductors', 'wire/box', 'wire/dead', 'wire/live'],
  ...['set', 'set/keying', 'try', 'prove', 'prove/find', 'hand-over'],
]

/** What of a page in US practice is in metric units, or in words of another practice, each with what stands around it. */
export async function foreignOn(page: Page, place: string): Promise<string[]> {
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
