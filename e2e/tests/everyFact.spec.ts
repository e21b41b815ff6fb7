import type { Page } from '@playwright/test'
import { factsOfKind, type LoopKind, loopKinds } from '@nachtigal/core/kinds/kinds'
import type { Answer } from '@nachtigal/core/kinds/answers'
import { kindSign } from '@nachtigal/core/kinds/kindSigns'
import { isAsked, type Question } from '@nachtigal/core/kinds/question'
import { sampleOf } from '@nachtigal/core/testing/sampleOf'
import { formatValue } from '@nachtigal/core/units/quantity'
import { addLoop, expect, fill, part, saved, startJob, test } from '../fixtures'

const ways = [
  { unit: '°C', system: 'metric', preferences: { temperatureUnit: 'C', system: 'metric' } },
  { unit: '°F', system: 'US customary', preferences: { temperatureUnit: 'F', system: 'us' } },
] as const
type Way = (typeof ways)[number]

/** Of the sizes of the sample: a place of one's own, somewhat larger, with its load. */
const LARGER = 1.15
const sizes = new Set(['floorArea', 'volume', 'heat', 'batteryAh'])

/** Answers what the sample of a kind answers, part by part, in the units of the job. */
async function answer(page: Page, kind: LoopKind, { preferences, system }: Way) {
  const given: Record<string, Answer> = {
    ...sampleOf(kind).answers,
    ...(system === 'metric' ? {} : { mainsAtHand: '240' }),
  }
  const { questions } = factsOfKind(kind)
  const asked = (question: Question) => isAsked(question, given) && given[question.id] !== undefined
  for (const group of [...new Set(questions.filter(asked).map((question) => question.group))]) {
    await part(page, group)
    for (const question of questions.filter((each) => each.group === group && asked(each))) {
      const said = given[question.id]!
      if (question.ask === 'number') {
        const value = Number(said) * (sizes.has(question.id) ? LARGER : 1)
        await fill(page, question.title, formatValue(value, question.quantity, preferences))
      } else if (question.school) await page.locator(`input[name="${question.id}"][value="${said}"]`).check()
      else await page.getByLabel(question.title, { exact: true }).selectOption(String(said))
    }
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
  for (const kind of loopKinds)
    test(`${kind} in ${way.unit}: from an empty job to the end of Try every figure is the same wherever it stands`, async ({
      page,
      server,
    }) => {
      await startJob(page, server.url, way)
      await addLoop(page, 'Of my own', kindSign(kind).word)
      await answer(page, kind, way)
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
        // A line of the weather and a fan have other figures in Set.
        await expect(page.locator(place === 'set' ? '.panel' : '[data-fact]').first()).toBeAttached()
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
