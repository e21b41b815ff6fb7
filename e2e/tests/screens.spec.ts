import AxeBuilder from '@axe-core/playwright'
import type { Page } from '@playwright/test'
import { bannedIn } from '@nachtigal/core/testing/bannedWords'
import { cutTexts, goWithin } from '../cut'
import { demoJob, expect, pdfText, test } from '../fixtures'

test.use({ demo: true })

const steps = [
  ...['survey', 'survey/found', 'survey/hazards', 'survey/proposal', 'match', 'match/controller', 'wire', 'wire/logic'],
  ...[
    'wire/places',
    'wire/conductors',
    'wire/box',
    'wire/dead',
    'wire/live',
    'set',
    'set/offset',
    'set/fault',
    'set/keying',
  ],
  ...['try', 'try/ways', 'try/kept', 'prove', 'prove/find', 'prove/instruments', 'hand-over'],
]
const pages = ['', '/log', '/shelf', '/calculators', '/calculators/probe.temperature']

/** Whatever axe finds, grave or not; by night only what another theme can change. */
async function faults(page: Page, theme: 'day' | 'night'): Promise<string[]> {
  await page.evaluate((name) => {
    document.documentElement.dataset['theme'] = name
  }, theme)
  // Long tables have the same row many times over: the first ones speak for all.
  const axe = new AxeBuilder({ page }).exclude('tbody tr:nth-child(n+6)')
  if (theme === 'night') axe.withRules(['color-contrast'])
  const { violations } = await axe.analyze()
  return violations.flatMap(({ id, nodes }) => nodes.slice(0, 2).map(({ html }) => `${id}: ${html.slice(0, 140)}`))
}

test('every screen by day and by night has nothing that keeps somebody out', async ({ page, server }) => {
  test.setTimeout(420_000)
  const { id, loops } = await demoJob(server.url, 'Otterholm Wildlife Hospital')
  const desk = (page.viewportSize()?.width ?? 0) >= 768
  // One loop of the simple sort and one with a defrost and a fan: each is walked once.
  const loop = loops.find(({ name }) => name === (desk ? 'Fish store' : 'Hatchling floor'))!
  await page.goto(`${server.url}/jobs/${id}`)
  await expect(page.getByRole('heading', { name: '10 loops' })).toBeVisible()
  const found: Record<string, string[]> = {}
  const look = async (where: string) => {
    await page.waitForTimeout(150)
    for (const theme of ['day', 'night'] as const) {
      const wrong = await faults(page, theme)
      if (wrong.length > 0) found[`${where}, ${theme}`] = wrong
    }
  }
  for (const path of pages) {
    await goWithin(page, `/jobs/${id}${path}`)
    await look(path || 'board')
  }
  for (const step of steps) {
    await goWithin(page, `/jobs/${id}/loops/${loop.id}/${step}`)
    await look(step)
  }
  expect(found).toEqual({})
})

test('every dialog by day and by night has nothing that keeps somebody out', async ({ page, server }) => {
  const { id, loops } = await demoJob(server.url, 'Otterholm Wildlife Hospital')
  const [loop] = loops
  const found: Record<string, string[]> = {}
  const look = async (where: string) => {
    await expect(page.getByRole('dialog')).toBeVisible()
    for (const each of ['day', 'night'] as const) {
      const wrong = await faults(page, each)
      if (wrong.length > 0) found[`${where}, ${each}`] = wrong
    }
    await page.keyboard.press('Escape')
    await expect(page.getByRole('dialog')).toHaveCount(0)
  }
  await page.goto(`${server.url}/jobs/${id}`)
  await page.getByRole('button', { name: 'Add a loop' }).click()
  await look('a new loop')
  await page.getByRole('button', { name: /Job details/ }).click()
  await look('details of the job')
  if ((page.viewportSize()?.width ?? 0) >= 768) {
    await page
      .getByRole('button', { name: /who are you|^At work/ })
      .first()
      .click()
    await look('who is at work')
  }
  await page.keyboard.press('Control+k')
  await look('find')
  await page.keyboard.press('?')
  await look('all keys')
  await goWithin(page, `/jobs/${id}/loops/${loop!.id}/prove/instruments`)
  await page
    .getByRole('button', { name: /calendar/ })
    .first()
    .click()
  await look('a day')
  await goWithin(page, `/jobs/${id}/log`)
  await page.getByRole('button', { name: 'Columns' }).first().click()
  await look('columns of a table')
  expect(found).toEqual({})
})

test('every word of every sheet is one of the trade', async ({ page, server }) => {
  test.skip((page.viewportSize()?.width ?? 0) < 768, 'sheets are the same on a phone')
  test.setTimeout(240_000)
  const { id, loops } = await demoJob(server.url, 'Otterholm Wildlife Hospital')
  // What a controller's own display calls a parameter stays as it is there.
  const { profiles } = (await (await page.request.get(`${server.url}/api/shelf`)).json()) as {
    profiles: { controller?: { parameters?: Readonly<Record<string, unknown>> } }[]
  }
  const codes = new Set(profiles.flatMap(({ controller }) => Object.keys(controller?.parameters ?? {})))
  expect(codes.size).toBeGreaterThan(50)
  const wrong: string[] = []
  // The sorts of sheets are the same for all; these four have the most of their own to say.
  for (const loop of loops.filter(({ kind }) => ['floor', 'boiler', 'coldroom', 'vehicle'].includes(kind))) {
    await page.goto(`${server.url}/jobs/${id}/loops/${loop.id}/hand-over`)
    const links = page.getByRole('main').locator('a[href$=".pdf"]')
    await expect(links.first()).toBeVisible()
    for (const href of await links.evaluateAll((all) => all.map((link) => link.getAttribute('href')!))) {
      const text = await pdfText(page, server.url, href)
      for (const line of text.split(/(?<=[.!?:])\s+/)) {
        const word = bannedIn(line)
        if (word !== undefined && !codes.has(word.toLowerCase()))
          wrong.push(`${href.split('/').at(-1)}: ${word} in “${line.slice(0, 80)}”`)
      }
    }
  }
  expect([...new Set(wrong)]).toEqual([])
})

test('at 200 % nothing is lost, and nothing moves where motion is to be reduced', async ({ page, server }) => {
  test.skip((page.viewportSize()?.width ?? 0) < 768, 'zoom belongs to the desk')
  test.setTimeout(240_000)
  // A window of 1280 by 800 at 200 % shows what one of 640 by 400 does.
  await page.setViewportSize({ width: 640, height: 400 })
  await page.emulateMedia({ reducedMotion: 'reduce' })
  const { id, loops } = await demoJob(server.url, 'Otterholm Wildlife Hospital')
  const loop = loops.find(({ name }) => name === 'Fish store')!
  const lost: Record<string, string[]> = {}
  await page.goto(`${server.url}/jobs/${id}`)
  for (const path of [...pages, ...steps.map((step) => `/loops/${loop.id}/${step}`)]) {
    await goWithin(page, `/jobs/${id}${path}`)
    await page.waitForTimeout(400)
    const cut = await cutTexts(page)
    const [wide, moving] = await page.evaluate(() => [
      document.documentElement.scrollWidth - innerWidth,
      document.getAnimations().filter(({ playState }) => playState === 'running').length,
    ])
    if (wide! > 1) cut.push(`the page is ${wide} px wider than the window`)
    if (moving! > 0) cut.push(`${moving} things move`)
    if (cut.length > 0) lost[path] = cut
  }
  expect(lost).toEqual({})
})
