import type { Page } from '@playwright/test'
import { expect, openLoop, saved, test } from '../fixtures'

test.use({ demo: true })

/** The loops of the job that was found badly done, one of each kind, and how many remedies there are at least to follow. */
const found = [
  ['Hatchling floor', 1],
  ['Clinic boiler', 0],
  ['Seal pool', 1],
  ['Quarantine room', 2],
  ['Filtration cabinet', 0],
  ['Isolation room', 0],
  ['Fish store', 0],
  ['Penguin slab chiller', 1],
  ['Plaster cabinet', 1],
  ['Rescue van', 0],
] as const
const steps = ['Survey', 'Match', 'Wire', 'Set'] as const
/** More than this many taps would be going round in circles: the worst loop has nine findings. */
const MOST_TAPS = 24

/** What is offered on this page, once all of it was tried. */
async function offered(page: Page) {
  await expect(page.locator('.step-page')).toBeVisible()
  await expect(page.locator('[data-remedy="trying"]')).toHaveCount(0, { timeout: 60_000 })
  return page.locator('[data-remedy="ready"] button:visible')
}

/** What can be seen to be wrong on this page: heads of its findings. */
const heads = (page: Page) => page.locator('[role="listitem"].finding b:not(.whitespace-nowrap)').allInnerTexts()

/** The findings of this page, whole. */
const rows = (page: Page) => page.locator('[role="listitem"].finding > p').allInnerTexts()

/** Taps what is offered on this page until nothing is; each tap makes what it stood at go. */
async function follow(page: Page): Promise<string[]> {
  const taps: string[] = []
  for (;;) {
    const remedies = await offered(page)
    if ((await remedies.count()) === 0) return taps
    const remedy = remedies.first()
    const say = await remedy.innerText()
    const row = remedy.locator('xpath=ancestor::*[@role="listitem"]')
    const told = (await row.count()) > 0 ? await row.locator('p').innerText() : undefined
    await remedy.click()
    await saved(page)
    await expect(page.getByRole('alert')).toHaveCount(0)
    if (told !== undefined) await expect.poll(() => rows(page), { message: say }).not.toContain(told)
    taps.push(say)
    expect(taps.length, taps.join(', ')).toBeLessThanOrEqual(MOST_TAPS)
  }
}

for (const [loop, least] of found)
  test(`every piece of advice is followed to its end: ${loop}`, async ({ page, server }) => {
    await openLoop(page, server.url, loop, 'survey', 'Otterholm, as found')
    const go = async (step: string) => {
      const link = page
        .getByRole('navigation', { name: 'Steps' })
        .getByRole('link', { name: new RegExp(`\\b${step}\\b`) })
      await link.click()
      await expect(link).toHaveAttribute('aria-current', 'step')
    }
    const taps: string[] = []
    const round = async () => {
      const made: string[] = []
      for (const step of steps) {
        await go(step)
        made.push(...(await follow(page)))
      }
      taps.push(...made)
      return made.length
    }
    while ((await round()) > 0) expect(taps.length, taps.join(', ')).toBeLessThanOrEqual(MOST_TAPS)
    expect(taps.length, taps.join(', ')).toBeGreaterThanOrEqual(least)
    const left = await heads(page)

    await test.step('what a setting costs: what is offered there is kept, and meets everything', async () => {
      await go('Set')
      if ((await page.getByRole('link', { name: 'Trade-off', exact: true }).count()) === 0) return
      await page.getByRole('link', { name: 'Trade-off', exact: true }).click()
      const says = page.locator('[data-trade]')
      await expect(says).toBeVisible({ timeout: 90_000 })
      const plan = says.getByRole('button', { name: /^Plan / })
      if ((await plan.count()) === 0) return
      await plan.click()
      await saved(page)
      await expect(says.locator('.finding.fits')).toBeVisible()
      await expect(plan).toHaveCount(0)
      // It leaves nothing to look at that was not there before.
      await go('Set')
      for (const head of await heads(page)) expect(left).toContain(head)
    })

    await test.step('a run: what is advised is set, and then nothing is advised', async () => {
      await go('Try')
      await expect(page.locator('[data-result="starts"]').or(page.getByText('Not enough to run')).first()).toBeVisible({
        timeout: 60_000,
      })
      await expect(page.locator('[data-advice="trying"]')).toHaveCount(0, { timeout: 120_000 })
      const advice = page.locator('[data-advice="holds"]')
      if ((await advice.count()) === 0) return
      await advice.getByRole('button').click()
      await saved(page)
      await expect(page.locator('[data-advice]')).toHaveCount(0, { timeout: 120_000 })
      for (const code of ['strays', 'droop', 'starts', 'strays-line'])
        await expect(page.locator(`[data-sentence="${code}"][data-verdict="look"]`)).toHaveCount(0)
    })

    expect(await round(), 'nothing more is offered after a run').toBe(0)
  })
