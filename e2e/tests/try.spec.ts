import { readFileSync } from 'node:fs'
import type { Page } from '@playwright/test'
import { expect, expectAccessible, fill, openLoop, saved, test } from '../fixtures'

test.use({ demo: true })

const starts = (page: Page) => page.locator('[data-result="starts"]').first()
const startCount = async (page: Page) => Number(await starts(page).innerText())
const turn = async (page: Page) => Number(await page.locator('[data-turn]').first().getAttribute('data-turn'))
const done = (page: Page) =>
  // How it stands is told where it is not done: a lost worker, a click that was lost and a slow machine are three things.
  expect(page.locator('[data-run]').first()).toHaveAttribute('data-run', 'done', { timeout: 60_000 })
const part = (page: Page, name: string) =>
  page.getByRole('navigation', { name: 'Parts of trying' }).getByRole('link', { name, exact: true }).click()

async function openTry(page: Page, url: string, loop: string, place = 'try') {
  await openLoop(page, url, loop, place)
  await done(page)
}

/** Pixels of the strip that are not empty, as one number: it moves when the drawing does. */
const drawn = (page: Page) =>
  page.locator('.strip-box canvas').evaluate((canvas: HTMLCanvasElement) => {
    const { data } = canvas.getContext('2d')!.getImageData(0, 0, canvas.width, canvas.height)
    let sum = 0
    for (let i = 3; i < data.length; i += 4) sum = (sum * 31 + data[i]! * ((i >> 2) % 997)) % 1_000_000_007
    return sum
  })

test('a swing is dragged: the strip and the sentence follow under the hand, and let go it is kept', async ({
  page,
  server,
}) => {
  await openTry(page, server.url, 'Hatchling floor')
  await page.getByRole('button', { name: 'A week' }).click()
  await expect(page.getByRole('heading', { name: 'The hardest week' })).toBeVisible()
  await done(page)
  const [before, picture, said] = [
    await startCount(page),
    await drawn(page),
    await page.locator('[data-sentence]').first().innerText(),
  ]
  const thumb = page.locator('[data-setting="swingK"]').getByRole('slider')
  const box = (await thumb.boundingBox())!
  await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2)
  await page.mouse.down()
  await page.mouse.move(box.x - 60, box.y + box.height / 2, { steps: 8 })
  // The hand still holds it.
  await expect.poll(() => startCount(page)).toBeGreaterThan(before)
  await expect.poll(() => page.locator('[data-sentence]').first().innerText()).not.toBe(said)
  expect(await drawn(page)).not.toBe(picture)
  expect(await turn(page)).toBeGreaterThan(2)
  await page.mouse.move(box.x - 120, box.y + box.height / 2, { steps: 8 })
  await page.mouse.up()
  await saved(page)
  const swing = await page.getByRole('textbox', { name: 'Swing', exact: true }).inputValue()
  expect(Number(swing)).toBeLessThan(1)
  await page.keyboard.press('Control+z')
  await expect(page.getByRole('textbox', { name: 'Swing', exact: true })).toHaveValue('1.0')
})

test('the sentence says what is wrong; what would help is tried before it is said, and set so it holds', async ({
  page,
  server,
}) => {
  await openTry(page, server.url, 'Hatchling floor')
  await fill(page, 'Swing', '3')
  const sentence = page.locator('[data-sentence="strays"]')
  await expect(sentence).toBeVisible()
  // No sentence of a run names a value: that comes with what was tried.
  await expect(sentence).not.toContainText(/Raise|Lower|Narrow/)
  const advice = page.locator('[data-advice="holds"]')
  await expect(advice).toContainText('Tried: then it holds.', { timeout: 60_000 })
  await expectAccessible(page, 'try')
  await advice.getByRole('button', { name: /^Set |^Swing / }).click()
  await saved(page)
  await expect(page.locator('[data-sentence="holds"]')).toBeVisible({ timeout: 60_000 })
  await expect(page.locator('[data-advice]')).toHaveCount(0)
  await page.keyboard.press('Control+z')
  await expect(sentence).toBeVisible({ timeout: 60_000 })
  await part(page, 'The plant')
  await expect(page.locator('[data-value="loss"]')).toContainText('to')
  await part(page, 'The run')
  const energy = page.locator('.run-table td').nth(2)
  const cold = parseFloat(await energy.innerText())
  await page.getByRole('button', { name: 'Mild day' }).click()
  await expect.poll(async () => parseFloat(await energy.innerText())).toBeLessThan(cold)
})

test('where no setting helps the ways out stand, each with the figure that it was tried with', async ({
  page,
  server,
}) => {
  await openTry(page, server.url, 'Isolation room')
  await expect(page.locator('[data-sentence="strays"]')).toBeVisible()
  const advice = page.locator('[data-advice="fight"]')
  // A dial's own differential is as it was made: there is nothing to key.
  await expect(advice).toContainText('no setting keeps ±1.5', { timeout: 60_000 })
  await expect(advice.getByRole('button')).toHaveCount(0)
  await expect(page.getByRole('textbox', { name: 'Swing', exact: true })).toHaveCount(0)
  await expect(advice).toContainText(/Let it stray by \d\.\d\sK/)
  await expect(advice).toContainText('tried: none')
})

test('the strip by keys alone: cursor, zoom, along, all of it again', async ({ page, server }) => {
  await openTry(page, server.url, 'Fish store')
  const strip = page.getByRole('slider', { name: /Arrows move the cursor/ })
  const window = async () =>
    (await page.locator('[data-window]').getAttribute('data-window'))!.split(' ').map(Number) as [number, number]
  await strip.focus()
  await page.keyboard.press('ArrowRight')
  const values = page.locator('[data-cursor]')
  await expect(values).toContainText('coil')
  await expect(values).toContainText('°C')
  await expect(values).toContainText('M1')
  const at = await values.getAttribute('data-cursor')
  await page.keyboard.press('Shift+ArrowRight')
  await expect(values).not.toHaveAttribute('data-cursor', at!)
  expect(await window()).toEqual([0, 24])
  await page.keyboard.press('+')
  await page.keyboard.press('+')
  const [from, to] = await window()
  expect(to - from).toBeLessThan(12)
  await page.keyboard.press('PageDown')
  expect((await window())[0]).toBeGreaterThan(from)
  await page.keyboard.press('Home')
  expect(await window()).toEqual([0, 24])
  await page.keyboard.press('Escape')
  await expect(values).toHaveCount(0)
  // The wheel zooms at the pointer, a drag moves along, and the buttons do the same for a thumb.
  const box = (await strip.boundingBox())!
  await page.mouse.move(box.x + box.width / 2, box.y + 80)
  await page.mouse.wheel(0, -300)
  const wheeled = await window()
  expect(wheeled[1] - wheeled[0]).toBeLessThan(24)
  await page.mouse.down()
  await page.mouse.move(box.x + box.width / 2 + 120, box.y + 80, { steps: 4 })
  await page.mouse.up()
  expect((await window())[0]).toBeLessThan(wheeled[0])
  await page.getByRole('button', { name: 'Closer' }).click()
  await page.getByRole('button', { name: 'All of it' }).click()
  expect(await window()).toEqual([0, 24])
})

test('a fault at an hour: what it does, what the display shows, and mended again', async ({ page, server }) => {
  await openTry(page, server.url, 'Isolation room', 'try/faults')
  const whole = await page.locator('[data-sentence]').first().innerText()
  await page.getByLabel('Break something').selectOption({ label: 'Relay of E1 Panel heater, guarded welded' })
  await expect(page.locator('[data-sentence="fault"]')).toContainText('Welded: E1 Panel heater')
  await fill(page, 'From', '2')
  await expect(page.locator('[data-sentence="fault"]')).toContainText('since 2.0')
  await page.getByRole('textbox', { name: 'Until' }).fill('1')
  await page.getByRole('textbox', { name: 'Until' }).press('Enter')
  await expect(page.getByRole('alert')).toContainText('must be after 2.0')
  await expectAccessible(page, 'faults')
  await page.getByRole('button', { name: /^Mend:/ }).click()
  await expect(page.locator('[data-sentence]').first()).toHaveText(whole)
})

test('two ways beside each other: the numbers differ, and one can be planned', async ({ page, server }) => {
  await openTry(page, server.url, 'Isolation room', 'try/ways')
  // Its dial modulates nothing: what another controller would do is shown, and cannot be planned.
  await expect(page.getByRole('button', { name: /^Plan it so/ })).toHaveCount(0)
  const compared = page.locator('[data-compared]')
  await expect(compared).toBeVisible({ timeout: 20_000 })
  const row = (name: string) => compared.locator(`[data-row="${name}"] td`)
  expect(await row('Starts').nth(0).innerText()).not.toBe(await row('Starts').nth(1).innerText())
  await page.getByLabel('Compare').selectOption('Return air or room probe')
  await expect
    .poll(
      async () =>
        parseFloat(await row('Furthest off').nth(1).innerText()) -
        parseFloat(await row('Furthest off').nth(0).innerText()),
    )
    .toBeGreaterThan(0)
  await expectAccessible(page, 'two ways')
  await openTry(page, server.url, 'Hatchling floor', 'try/ways')
  await page.getByLabel('Compare').selectOption('Narrow or wide swing')
  await expect
    .poll(async () => Number(await row('Starts').nth(0).innerText()) - Number(await row('Starts').nth(1).innerText()))
    .toBeGreaterThan(0)
  await page.getByRole('button', { name: 'Plan it so: half as wide' }).click()
  await saved(page)
  await part(page, 'The run')
  await expect(page.getByRole('textbox', { name: 'Swing', exact: true })).toHaveValue('0.5')
})

/** Keeps back how a season ended, while what there is of it still comes: a quick machine's can then be watched too. */
const holdSeasons = (page: Page) =>
  page.addInitScript(() => {
    const Real = Worker
    const held = new Set<string>()
    globalThis.Worker = class extends Real {
      constructor(...given: ConstructorParameters<typeof Worker>) {
        super(...given)
        this.addEventListener('message', (event: MessageEvent<{ id?: string } | undefined>) => {
          if (event.data?.id !== undefined && held.has(event.data.id)) event.stopImmediatePropagation()
        })
      }
      override postMessage(message: unknown, rest?: unknown) {
        const {
          id,
          path: [name] = [],
          argumentList,
        } = message as {
          id?: string
          path?: string[]
          argumentList?: { value?: unknown }[]
        }
        const asked = argumentList?.[1]?.value as { durationS?: number } | undefined
        const season = name === 'run' && (asked?.durationS ?? 0) > 30 * 86400
        if (season && id !== undefined) held.add(id)
        // On a slow machine it would ask first, and nobody would hear it.
        const limit = season ? argumentList?.[4] : undefined
        if (limit) limit.value = Infinity
        super.postMessage(message, rest as Transferable[])
      }
    }
  })

test('a season is drawn as it comes, has a bar, can be stopped and run again', async ({ page, server }) => {
  await holdSeasons(page)
  await openTry(page, server.url, 'Fish store')
  await page.getByRole('button', { name: 'A season' }).click()
  await expect(page.getByRole('progressbar', { name: 'Simulating' })).toBeVisible()
  // What there is of it is drawn over the whole season, and what the day before did is no longer said beside it.
  await expect(page.locator('[data-part="yes"]')).toHaveAttribute('data-window', '0.00 4416.00')
  await expect(page.getByText('Simulating. What it says comes at its end.')).toBeVisible()
  await page.getByRole('button', { name: 'Stop it' }).click()
  await expect(page.locator('[data-run="stopped"]')).toBeVisible()
  await expect(page.getByText(/^Stopped at \d+ %\. What is drawn is as far as it came\.$/)).toBeVisible()
  await page.getByRole('button', { name: 'A week' }).click()
  await done(page)
  await expect(page.getByRole('heading', { name: 'The hardest week' })).toBeVisible()
})

/** Has the worker told that a season may take so long only: none of the demo's takes a minute. */
const allow = (page: Page, ms: number) =>
  page.addInitScript((most) => {
    const Real = Worker
    globalThis.Worker = class extends Real {
      override postMessage(message: unknown, rest?: unknown) {
        const { path: [name] = [], argumentList } = message as { path?: string[]; argumentList?: { value?: unknown }[] }
        const season = ((argumentList?.[1]?.value as { durationS?: number } | undefined)?.durationS ?? 0) > 30 * 86400
        const limit = name === 'run' && season ? argumentList?.[4] : undefined
        if (limit && limit.value !== Infinity) limit.value = most
        super.postMessage(message, rest as Transferable[])
      }
    }
  }, ms)

/** Makes the first worker of the page one that takes what it is asked and never answers. */
const loseFirstWorker = (page: Page) =>
  page.addInitScript(() => {
    const Real = Worker
    let made = 0
    globalThis.Worker = class extends Real {
      private readonly lost = made++ === 0
      override postMessage(message: unknown, rest?: unknown) {
        if (!this.lost) super.postMessage(message, rest as Transferable[])
      }
    }
  })

test('a worker that never answers is replaced, and the run comes', async ({ page, server }) => {
  await loseFirstWorker(page)
  await openTry(page, server.url, 'Fish store')
  await done(page)
})

test('a run that would take long says so before it runs, and runs when one wants it to', async ({ page, server }) => {
  await allow(page, 1)
  await openTry(page, server.url, 'Fish store')
  await page.getByRole('button', { name: 'A season' }).click()
  const asks = page.getByText(/^This run would take about \d+\s(s|min) here\./)
  await expect(asks).toBeVisible()
  await expectAccessible(page, 'a run that would take long')
  await expect(page.getByText('Nothing yet: the run has not begun.')).toBeVisible()
  await page.getByRole('button', { name: 'Leave it' }).click()
  await expect(page.getByText('Stopped. What is drawn is the run before.')).toBeVisible()
  await page.getByRole('button', { name: 'Run it again' }).click()
  await expect(asks).toBeVisible()
  const before = await turn(page)
  await page.getByRole('button', { name: 'Run it', exact: true }).click()
  await expect(asks).toBeHidden()
  await expect.poll(() => turn(page), { timeout: 60_000 }).toBe(before + 1)
})

test('a reset line over a season against a fixed supply: one is asked once for both, and its saving is what Set says', async ({
  page,
  server,
}) => {
  test.setTimeout(180_000)
  await allow(page, 1)
  await openTry(page, server.url, 'Clinic boiler', 'try/ways')
  await page.getByLabel('Compare').selectOption('Reset or fixed supply')
  await page.getByRole('button', { name: 'A season' }).click()
  // One is asked once, for both.
  await page.getByRole('button', { name: 'Run it', exact: true }).click()
  await expect(page.locator('[data-compared]')).toBeVisible({ timeout: 120_000 })
  const told = await page.locator('[data-fact="saving"]').innerText()
  expect(told).toMatch(
    /saves in a season [\d.,]+\skWh, \d+\s% \([\d.,]+\skWh to [\d.,]+\skWh, by how much is lost\): \d+\sm³ of gas\./,
  )
  await page.goto(page.url().replace(/\/try.*/, '/set'))
  const set = page.locator('[data-fact="saving"]')
  await expect(set).toBeVisible()
  expect(told).toContain(await set.innerText())
})

test('a sweep: pairs that meet the target are marked, a tap takes one', async ({ page, server }) => {
  await openLoop(page, server.url, 'Hatchling floor', 'try/sweep')
  await page.getByRole('button', { name: 'Sweep' }).click()
  const meeting = page.locator('[data-meeting]')
  await expect(meeting).toBeVisible({ timeout: 60_000 })
  await expect(page.getByRole('button', { name: 'Sweep again' })).toBeEnabled({ timeout: 60_000 })
  await expect(page.locator('.sweep [data-cell]:disabled')).toHaveCount(0)
  const cell = page.locator('[data-meets="yes"]').first()
  await expect(cell).toBeVisible()
  await expectAccessible(page, 'sweep')
  const name = (await cell.getAttribute('aria-label'))!
  const [, swing] = /Swing ([\d.]+).*Minimum off time/.exec(name)!
  await cell.focus()
  await page.keyboard.press('Enter')
  await saved(page)
  await part(page, 'The run')
  await expect(page.getByRole('textbox', { name: 'Swing', exact: true })).toHaveValue(swing!)
  await done(page)
  await expect(page.locator('[data-verdict="fits"]').first()).toBeVisible()
})

test('a run is kept, laid over a later one, exported, taken out', async ({ page, server }) => {
  await openTry(page, server.url, 'Hatchling floor')
  await page.getByRole('button', { name: 'Keep this run' }).click()
  await saved(page)
  await fill(page, 'Swing', '0.4')
  await part(page, 'Kept runs')
  await expect(page.locator('[data-kept]')).toHaveCount(1)
  await page.getByRole('button', { name: 'Lay over' }).click()
  const starts2 = page.locator('[data-compared] [data-row="Starts"] td')
  await expect(starts2.nth(0)).toBeVisible({ timeout: 20_000 })
  expect(Number(await starts2.nth(0).innerText())).toBeGreaterThan(Number(await starts2.nth(1).innerText()))
  const [table] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'Table of this run' }).click(),
  ])
  const csv = readFileSync((await table.path())!, 'utf8')
  expect(table.suggestedFilename()).toBe('Hatchling floor run.csv')
  expect(csv.split('\r\n')[0]).toContain('"floor, °C"')
  expect(csv.split('\r\n').length).toBeGreaterThan(1400)
  const [scenario] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'Scenario of this run' }).click(),
  ])
  const made = JSON.parse(readFileSync((await scenario.path())!, 'utf8')) as {
    network: { nodes: unknown[] }
    durationS: number
  }
  expect([made.network.nodes.length, made.durationS]).toEqual([3, 86400])
  await page.reload()
  await done(page)
  await expect(page.locator('[data-kept]')).toHaveCount(1)
  await page.getByRole('button', { name: /^Remove/ }).click()
  await expect(page.locator('[data-kept]')).toHaveCount(0)
})

test('own weather: a good file runs, a bad one says its line and what is wanted', async ({ page, server }) => {
  await openTry(page, server.url, 'Isolation room')
  const put = (name: string, text: string) =>
    page.getByLabel('Weather file').setInputFiles({ name, mimeType: 'text/csv', buffer: Buffer.from(text) })
  const rows = Array.from(
    { length: 96 },
    (_, i) =>
      `2026-01-${String(10 + Math.floor(i / 24)).padStart(2, '0')}T${String(i % 24).padStart(2, '0')}:00;${(-8 + (i % 24) / 6).toFixed(1).replace('.', ',')}`,
  )
  await put('mine.csv', `time;temp\n${rows.join('\n')}\n`)
  await expect(page.getByText('96 hours read.')).toBeVisible()
  await expect(page.getByRole('heading', { name: 'The hardest week' })).toBeVisible()
  await done(page)
  await put('bad.csv', `time;temp\n${rows.slice(0, 30).join('\n')}\n2026-01-11T06:00;warm\n`)
  await expect(page.getByRole('alert')).toContainText(
    'bad.csv: line 32, column 2 is "warm": a temperature in °C is wanted',
  )
  await put('empty.csv', '')
  await expect(page.getByRole('alert')).toContainText('empty.csv: the file is empty')
  await put('gap.epw', 'LOCATION,Here\n')
  await expect(page.getByRole('alert')).toContainText('no hour in it')
  await expect(starts(page)).toBeVisible()
})
