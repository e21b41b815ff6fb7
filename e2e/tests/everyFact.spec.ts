import type { Page } from '@playwright/test'
import { ownAnswers, walkedKinds } from '@nachtigal/core/testing/ownAnswers'
import { addLoop, expect, fill, part, saved, startJob, test } from '../fixtures'

const ways = [
  { unit: '°C', system: 'metric', preferences: { temperatureUnit: 'C', system: 'metric' } },
  { unit: '°F', system: 'US customary', preferences: { temperatureUnit: 'F', system: 'us' } },
] as const

/** Answers a survey part by part, as one walks through the place. */
async function answer(page: Page, groups: ReturnType<typeof ownAnswers>) {
  for (const { group, answers } of groups) {
    await part(page, group)
    for (const { id, title, by, text } of answers)
      if (by === 'field') await fill(page, title, text)
      else if (by === 'school') await page.locator(`input[name="${id}"][value="${text}"]`).check()
      else await page.getByLabel(title, { exact: true }).selectOption(text)
  }
  await saved(page)
}

/** Each place that tells a fact: where, which, and what it shows. */
async function tell(page: Page, where: string, told: Map<string, { where: string; says: string }[]>) {
  const here = await page.locator('[data-fact]').evaluateAll((places) =>
    places.map((place) => {
      const fact = place.getAttribute('data-fact')!
      return place instanceof HTMLInputElement
        ? { fact, says: place.value || place.placeholder }
        : { fact, says: (place as HTMLElement).innerText }
    }),
  )
  for (const { fact, says } of here) told.set(fact, [...(told.get(fact) ?? []), { where, says: says.trim() }])
}

/** A figure without its unit: a field has that beside it. */
const bare = (says: string) => says.split('\u00a0')[0]!

test.describe.configure({ mode: 'parallel' })

for (const way of ways)
  for (const { kind, word } of walkedKinds)
    test(`${kind} in ${way.unit}: from an empty job to the end of Try every figure is the same wherever it stands`, async ({
      page,
      server,
    }) => {
      await startJob(page, server.url, way)
      await addLoop(page, 'Of my own', word)
      await answer(page, ownAnswers(kind, way.preferences))
      await part(page, 'Proposal')
      await page.getByRole('button', { name: 'Start with this chain' }).click()
      await page.waitForURL(/\/match$/, { timeout: 90_000 })
      await saved(page)
      const loop = page.url().replace(/\/match$/, '')
      const told = new Map<string, { where: string; says: string }[]>()
      for (const place of ['survey/proposal', 'match/load', 'set', 'try', 'try/plant']) {
        await page.goto(`${loop}/${place}`)
        await expect(page.locator('.step-page')).toBeVisible()
        if (place === 'try') await expect(page.locator('[data-run="done"]').first()).toBeVisible({ timeout: 90_000 })
        if (place === 'survey/proposal') {
          await tell(page, place, told)
          await page.getByRole('button', { name: 'Every figure, and what it is made from' }).click()
          await expect(page.getByRole('table', { name: 'Every figure of this loop' })).toBeVisible()
        }
        // A line of the weather and a fan have other figures in Set and in a run.
        await expect(page.locator(place === 'set' || place === 'try' ? '.panel' : '[data-fact]').first()).toBeAttached()
        await tell(page, place, told)
      }
      const contrary = [...told].flatMap(([fact, places]) => {
        const [first] = places
        return places
          .filter(({ says }) => says !== first!.says && bare(says) !== bare(first!.says))
          .map(({ where, says }) => `${fact}: ${first!.says} on ${first!.where}, ${says} on ${where}`)
      })
      expect(contrary).toEqual([])
      // Steps really tell the same things.
      expect(
        [...told.values()].filter((places) => new Set(places.map(({ where }) => where)).size > 1).length,
      ).toBeGreaterThan(2)
    })
