import { PDFParse } from 'pdf-parse'
import AxeBuilder from '@axe-core/playwright'
import { expect, type Locator, type Page, test as base } from '@playwright/test'
import { freshFolder, removeFolder, type RunningServer, startServer } from './server'

/** Each test has its own server on an empty database, and fails when a page reports an error. */
export const test = base.extend<{ server: RunningServer; demo: boolean; watch: void }>({
  demo: [false, { option: true }],
  server: async ({ demo }, use) => {
    const folder = freshFolder(demo ? 'demo' : 'empty')
    const server = await startServer(folder)
    await use(server)
    await server.stop()
    removeFolder(folder)
  },
  watch: [
    async ({ page }, use) => {
      const errors: string[] = []
      page.on('pageerror', (error) => errors.push(String(error)))
      page.on('console', (message) => {
        if (message.type() === 'error' && /Content Security Policy|Minified React|Warning:/.test(message.text()))
          errors.push(message.text())
      })
      await use()
      expect(errors).toEqual([])
    },
    { auto: true },
  ],
})

export { expect }

/** No serious or critical fault on what is shown now. */
export async function expectAccessible(page: Page, where: string) {
  const { violations } = await new AxeBuilder({ page }).analyze()
  const grave = violations.filter(({ impact }) => impact === 'serious' || impact === 'critical')
  expect(
    grave.map(
      ({ id, nodes }) =>
        `${where}: ${id}: ${nodes
          .slice(0, 3)
          .map(({ html, failureSummary }) => `${html.slice(0, 140)} ${failureSummary?.split('\n')[1] ?? ''}`)
          .join(' | ')}`,
    ),
  ).toEqual([])
}

/** On a phone: every field is at least 48 px high, and nothing is wider than the screen. */
export async function expectThumbs(page: Page, where: string) {
  if ((page.viewportSize()?.width ?? 0) >= 768) return
  const faults = await page.evaluate(() => {
    const low = [...document.querySelectorAll('main .comb')]
      .map((field) => ({ field, height: field.getBoundingClientRect().height }))
      .filter(({ height }) => height > 0 && height < 48)
      .map(({ field, height }) => `${height} px: ${field.outerHTML.slice(0, 120)}`)
    const wide =
      document.documentElement.scrollWidth > innerWidth
        ? [`page is ${document.documentElement.scrollWidth} px wide`]
        : []
    const spread = [...document.querySelectorAll('main, main > div')]
      .filter((part) => part.scrollWidth > part.clientWidth + 1)
      .map((part) => `${part.className} is ${part.scrollWidth} px wide in ${part.clientWidth}`)
    return [...low, ...wide, ...spread]
  })
  expect(faults, where).toEqual([])
}

export const saved = (page: Page) => expect(page.locator('[data-saved="true"]')).toBeVisible()

/** Types into a field by its label and leaves it. */
export async function fill(scope: Page | Locator, label: string, text: string) {
  const field = scope.getByRole('textbox', { name: label, exact: true })
  await field.fill(text)
  await field.press('Enter')
}

export async function startJob(
  page: Page,
  url: string,
  {
    name = 'Hatchling house',
    unit = '°C',
    system = 'metric',
    practice,
  }: { readonly name?: string; readonly unit?: string; readonly system?: string; readonly practice?: string } = {},
) {
  await page.goto(url)
  // Where no job is yet the form lies open.
  const start = page.getByRole('button', { name: 'Start an empty job' })
  const form = page.getByRole('form', { name: 'New job' })
  await expect(start.or(form)).toBeVisible()
  if (await start.isVisible()) await start.click()
  await form.getByLabel('Name', { exact: true }).fill(name)
  await form.getByLabel('Place').fill('Otterholm')
  await form
    .getByLabel('Practice')
    .selectOption({ label: practice ?? (system === 'metric' ? 'Europe' : 'United States and Canada') })
  await form.getByLabel('Temperature').selectOption({ label: unit })
  await form.getByLabel('Measures').selectOption({ label: system })
  await form.getByLabel('Your name, for the log').fill('Ilse Farn')
  await form.getByRole('button', { name: 'Start the job' }).click()
  await expect(page.getByRole('heading', { name: 'No loop yet' })).toBeVisible()
}

export async function addLoop(page: Page, name = 'Hatchling floor', kind = 'warm floor') {
  // On a board without a loop the form lies open.
  const more = page.getByRole('button', { name: 'Add a loop' })
  const form = page.getByRole('form', { name: 'New loop' })
  await expect(more.or(form)).toBeVisible()
  if (await more.isVisible()) await more.click()
  await form.getByRole('radio', { name: kind, exact: true }).click()
  await form.getByLabel('Name', { exact: true }).fill(name)
  await form.getByRole('button', { name: 'Add the loop' }).click()
  await expect(form).toHaveCount(0)
  await expect(page.getByRole('navigation', { name: 'Parts of the survey' })).toBeVisible()
}

/** To a part of the survey, by its name. */
export async function part(page: Page, name: string) {
  await page
    .getByRole('navigation', { name: 'Parts of the survey' })
    .getByRole('button', { name: new RegExp(`^${name},`) })
    .click()
  await expect(page.getByRole('heading', { name, exact: true })).toBeVisible()
  await openAssumed(page)
}

/** What estimates stand in for is folded: a test that answers it opens it. */
export async function openAssumed(page: Page) {
  const folded = page.locator('details.assumed:not([open]) > summary')
  if (await folded.isVisible()) await folded.click()
}

/** Where the figures of a warm floor are asked. */
const floorParts: Readonly<Record<string, string>> = {
  Target: 'What it must hold',
  'May stray by': 'What it must hold',
  'Design outdoor': 'The room',
  'Floor area': 'The room',
  'Heat loss': 'The room',
  'Heat stored': 'The room',
  'Supply water': 'The floor',
  'Supply to return': 'The floor',
  'Screed thickness': 'The floor',
}

/** To a step, the way this viewport offers. */
export async function toStep(page: Page, name: string) {
  const phone = (page.viewportSize()?.width ?? 0) < 768
  if (phone) await page.getByRole('button', { name: 'Steps' }).click()
  await page
    .getByRole('navigation', { name: 'Steps' })
    .getByRole('link', { name: new RegExp(name) })
    .click()
}

/** A device of the shelf's list in Match; the first that is called so. */
export const onShelf = (page: Page, device: string) => page.getByRole('radio', { name: new RegExp(device) }).first()

export async function choose(page: Page, link: string, device: string) {
  await page
    .getByRole('list', { name: 'Links of the chain' })
    .getByRole('button', { name: new RegExp(`^${link}`) })
    .click()
  await page.getByLabel(/^Find an? .* on the shelf/).fill(device)
  await onShelf(page, device).click()
  const radio = onShelf(page, device)
  await expect(radio).toHaveAttribute('aria-checked', 'true')
}

/** A floor surveyed with figures in °C and metric. */
export async function survey(page: Page, figures: Readonly<Record<string, string>>, { safety = true } = {}) {
  await page.getByRole('radio', { name: /Screed, probe in the floor/ }).check()
  await page.getByLabel('Covering and use').selectOption({ label: 'Edge strip, nobody stays' })
  await part(page, 'The room')
  await page.getByLabel('Insulation', { exact: true }).selectOption({ label: 'Fair' })
  for (const [label, text] of Object.entries(figures)) {
    await part(page, floorParts[label] ?? 'The room')
    await fill(page, label, text)
  }
  if (safety) await safetyAnswers(page)
}

/** The safety questions of a floor: first live and signing wait for them. */
export async function safetyAnswers(page: Page) {
  await part(page, 'The floor')
  await page.getByLabel('Kind of screed', { exact: true }).selectOption({ label: 'Cement' })
  await fill(page, 'Screed laid, days ago', '1000')
  await siteSafety(page)
}

/** The safety questions that every kind of loop asks of its place. */
export async function siteSafety(page: Page) {
  await part(page, 'Supplies and surroundings')
  await page.getByLabel('Water about', { exact: true }).selectOption({ label: 'Dry' })
  await page.getByLabel('Explosive atmosphere or solvent', { exact: true }).selectOption({ label: 'No' })
}

export const celsius = {
  Target: '28',
  'May stray by': '1',
  'Design outdoor': '-10',
  'Floor area': '38',
  'Supply water': '43',
}

export async function wholeChain(page: Page) {
  await choose(page, 'Probe', 'Floor probe')
  await choose(page, 'Controller', 'Dipper')
  await choose(page, 'Load', 'Circulator')
  await choose(page, 'Limiter', 'Shrike')
  await choose(page, 'Supply', 'Circuit 10 A')
}

/** An empty job with the floor surveyed and its whole chain chosen, at Match. */
export async function matchedFloor(page: Page, url: string, { safety = true } = {}) {
  await startJob(page, url)
  await addLoop(page)
  await survey(page, celsius, { safety })
  await toStep(page, 'Match')
  await wholeChain(page)
}

/** To a part of Wire, by its name; it is there when this returns. */
export async function wirePart(page: Page, name: string) {
  const link = page.getByRole('navigation', { name: 'Parts of wiring' }).getByRole('link', { name, exact: true })
  await link.click()
  await expect(link).toHaveAttribute('aria-current', 'step')
}

/** What sound work reads at a step that says what it should read; null for a meter over its range. */
function soundReading(title: string, should: string): string | null {
  const told = /([\d.]+)\s(kohm|Mohm|ohm|V)/.exec(should)
  const unit = { kohm: 1000, Mohm: 1e6 }[told?.[2] ?? ''] ?? 1
  const figure = told ? Number(told[1]) * unit : 1
  if (/^Dead/.test(should) || /counts as dead/.test(should)) return '0'
  if (/^(Insulation|Mains against)|to earth$/.test(title) && /Mohm/.test(should)) return '200'
  if (/over-range/.test(should)) return null
  if (/^Some ohms/.test(should)) return '24'
  if (/^(Earth|Neutral)/.test(title)) return /Under .* V/.test(should) ? '1' : '0.05'
  if (/^Temperature/.test(title)) return '20'
  if (/^Across/.test(title) && !/^About/.test(should)) return '300'
  return String(figure)
}

/** Goes through every step of a part of Wire that waits, as sound work goes. */
export async function proveSteps(page: Page, name: 'Dead tests' | 'First live') {
  await wirePart(page, name)
  for (let i = 0; i < 120; i++) {
    const waiting = page.locator('main button[data-verdict="waiting"]').first()
    if ((await waiting.count()) === 0) return
    await waiting.click()
    const title = await page.locator('#safety-title').innerText()
    const field = page.getByRole('textbox', { name: 'Reads', exact: true })
    if ((await field.count()) === 0) {
      await page.locator('.foot .btn:not(.second)').click()
      await expect(page.locator('main button[data-verdict]', { hasText: title }).first()).not.toHaveAttribute(
        'data-verdict',
        'waiting',
      )
      continue
    }
    const should = await page.getByText(/^Should:/).innerText()
    const text = soundReading(title, should.replace('Should: ', ''))
    if (text === null) {
      const phone = (page.viewportSize()?.width ?? 0) < 768
      await page.getByRole('button', { name: phone ? 'over-range' : 'Meter shows over-range', exact: true }).click()
    } else {
      await field.fill(text)
      await field.press('Enter')
    }
    await expect(page.locator('[aria-label="Verdict"]')).not.toHaveAttribute('data-verdict', 'waiting')
  }
}

/** A demo job by its name, with its loops. */
export async function demoJob(url: string, name: string) {
  const jobs = (await (await fetch(`${url}/api/jobs`)).json()) as { id: string; name: string }[]
  const { id } = jobs.find((job) => job.name === name)!
  const state = (await (await fetch(`${url}/api/jobs/${id}`)).json()) as {
    loops: Record<string, { id: string; name: string; kind: string }>
  }
  return { id, loops: Object.values(state.loops) }
}

/** To a place of a demo loop, by its name. */
export async function openLoop(
  page: Page,
  url: string,
  name: string,
  place: string,
  of = 'Otterholm Wildlife Hospital',
) {
  const jobs = (await (await page.request.get(`${url}/api/jobs`)).json()) as { id: string; name: string }[]
  const job = jobs.find((each) => each.name === of)!
  const { loops } = (await (await page.request.get(`${url}/api/jobs/${job.id}`)).json()) as {
    loops: Record<string, { name: string }>
  }
  const [id] = Object.entries(loops).find(([, loop]) => loop.name === name)!
  await page.goto(`${url}/jobs/${job.id}/loops/${id}/${place}`)
  await expect(page.locator('.step-page')).toBeVisible()
}

/** To a part of Set, by its name; it is there when this returns. */
export async function setPart(page: Page, name: string) {
  const link = page.getByRole('navigation', { name: 'Parts of setting' }).getByRole('link', { name, exact: true })
  await link.click()
  await expect(link).toHaveAttribute('aria-current', 'step')
}

/** What sound work answers where this should be read; `undefined` where it is written down only. */
function soundAnswer(should: string): string {
  const numbers = [...should.replace(/\u2212/g, '-').matchAll(/-?\d+(?:\.\d+)?/g)].map(([text]) => Number(text))
  if (numbers.length === 0) return '20'
  if (/ to /.test(should)) return ((numbers[0]! + numbers[1]!) / 2).toFixed(1)
  if (/at most/.test(should)) return (numbers[0]! * 0.8).toFixed(1)
  if (/at least/.test(should)) return (numbers[0]! * 1.2).toFixed(1)
  return String(numbers[0]!)
}

/** To the list of tests, from wherever in Prove. */
async function allTests(page: Page) {
  const parts = page.getByRole('navigation', { name: 'Parts of proving' })
  const before = page.getByRole('button', { name: 'Before the test' })
  await expect(parts.or(before)).toBeVisible()
  if (await parts.isVisible()) await parts.getByRole('link', { name: 'Tests' }).click()
  else {
    await before.click()
    await page.getByRole('link', { name: 'All tests' }).click()
  }
}

/** A phone shows what a test is for before its first step. */
async function firstStep(page: Page) {
  const first = page.getByRole('button', { name: 'First step' })
  await expect(page.locator('.asks').or(first)).toBeVisible()
  if (await first.isVisible()) await first.click()
  await expect(page.locator('.asks')).toBeVisible()
}

/** To a test of Prove by its title; the step that waits is open when this returns. */
export async function openTest(page: Page, title: string | RegExp) {
  await allTests(page)
  await page.getByRole('region', { name: 'Tests' }).getByRole('link', { name: title }).first().click()
  await firstStep(page)
}

/** Takes every step of the test in hand as sound work goes. */
export async function soundTest(page: Page) {
  const steps = page.getByRole('button', { name: /^Step \d+,/ })
  const count = await steps.count()
  for (let i = 0; i < count; i++) {
    await steps.nth(i).click()
    await expect(page.getByRole('heading', { name: `Step ${i + 1} of ${count}` })).toBeVisible()
    const asks = page.locator('.asks')
    const should = (await asks.getAttribute('data-should')) ?? ''
    const field = asks.locator('.main input')
    if ((await field.count()) > 0) {
      const typed = soundAnswer(should)
      await field.fill(typed)
      await field.press('Enter')
      const display = page.getByRole('textbox', { name: 'Display shows', exact: true })
      if (should === '' && (await display.count()) > 0) {
        await display.fill(typed)
        await display.press('Enter')
      }
      continue
    }
    const choices = asks.locator('fieldset').first()
    const lamps = await choices.getByRole('button', { name: 'none', exact: true }).count()
    const wanted = lamps > 0 && should !== 'none' ? should.split(', ') : [should]
    for (const each of wanted)
      await (
        each === '' ? choices.getByRole('button').first() : choices.getByRole('button', { name: each, exact: true })
      ).click()
  }
}

/** Every test that is to be made, as sound work goes. */
export async function soundTests(page: Page) {
  for (let n = 0; n < 40; n++) {
    await allTests(page)
    const list = page.getByRole('table', { name: /^Tests to be made/ })
    const waiting = list.locator('tr[data-test]:not([data-spare]):not([data-verdict="good"]) a').first()
    await expect(list).toBeVisible()
    if ((await waiting.count()) === 0) return
    await waiting.click()
    await firstStep(page)
    await soundTest(page)
    await expect(page.getByRole('status', { name: 'Verdict' })).toHaveAttribute('data-verdict', 'good')
  }
}

/** The text of a sheet that a link of Hand over opens, on one line. */
export async function pdfText(page: Page, url: string, link: RegExp | string): Promise<string> {
  const href = typeof link === 'string' ? link : await page.getByRole('link', { name: link }).getAttribute('href')
  const answer = await page.request.get(url + href)
  expect(answer.headers()['content-type']).toContain('application/pdf')
  const parser = new PDFParse({ data: await answer.body() })
  const { text } = await parser.getText()
  await parser.destroy()
  return text.replace(/[ \t]*\n[ \t]*/g, ' ')
}
