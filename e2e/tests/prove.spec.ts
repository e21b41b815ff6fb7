import { readFileSync } from 'node:fs'
import { expect, expectAccessible, fill, openLoop, openTest, saved, test, toStep } from '../fixtures'

test.use({ demo: true })

const verdict = (page: import('@playwright/test').Page) => page.getByRole('status', { name: 'Verdict' })

test('a sweep with a 2 to 10 V output on a 0 to 10 V plan reads the right cause', async ({ page, server }) => {
  await openLoop(page, server.url, 'Quarantine room', 'prove')
  await openTest(page, /Modulating sweep/)
  await expectAccessible(page, 'a sweep')
  for (let step = 1; step <= 7; step++) {
    await page.getByRole('button', { name: new RegExp(`^Step ${step},`) }).click()
    // What the fitter reads: the display as planned, the meter as an output with a live zero gives it.
    const percent = Number(/stands at (\d+)/.exec(await page.getByText(/^Set the resistance box/).innerText())![1])
    await fill(page, 'Display shows', String(percent))
    await fill(page, 'Meter reads', (2 + 0.08 * percent).toFixed(2))
  }
  await expect(verdict(page)).toContainText('It gives 2\u201310 V')
  await expect(verdict(page).locator('[data-cause]').first()).toHaveAttribute('data-cause', 'sweep.other-signal')
  await expect(page.getByRole('img', { name: /readings against the plan/ })).toBeVisible()
  await expect(page.getByRole('navigation', { name: 'Steps' }).getByRole('link', { name: /Prove/ })).toContainText(
    '1 to look at',
  )
  await verdict(page).getByRole('link', { name: 'Open the controller' }).click()
  await expect(page).toHaveURL(/match\/controller$/)
  await page.goBack()
  await page.getByRole('button', { name: 'Test again' }).click()
  await expect(page.getByRole('list', { name: 'Earlier attempts' })).toContainText('Attempt 1: It gives 2\u201310 V')
  await expect(verdict(page)).toContainText('steps wait')
  await saved(page)
})

test('a four-stage sequence with stage 2 dead names the stage and what to check', async ({ page, server }) => {
  await openLoop(page, server.url, 'Penguin slab chiller', 'match')
  // The demo has three compressors: a fourth makes it four stages.
  await page.goto(page.url().replace(/match$/, 'match/load'))
  await page
    .getByRole('button', { name: /Chiller compressor/ })
    .first()
    .click()
  await saved(page)
  await toStep(page, 'Prove')
  await openTest(page, /Stage sequence/)
  const steps = page.getByRole('button', { name: /^Step \d+,/ })
  const count = await steps.count()
  for (let i = 0; i < count; i++) {
    await steps.nth(i).click()
    const loads = page.getByRole('group', { name: 'Loads that run' })
    const should = (await page.locator('.asks').getAttribute('data-should'))!
    const on = should === 'none' ? [] : should.split(', ').filter((name) => !name.startsWith('2 '))
    if (on.length === 0) await loads.getByRole('button', { name: 'none', exact: true }).click()
    for (const name of on) await loads.getByRole('button', { name, exact: true }).click()
  }
  await expect(verdict(page)).toContainText('Stage 2 is dead')
  await expect(verdict(page).locator('[data-cause]').first()).toHaveAttribute('data-cause', 'stages.stage-not-keyed')
  await verdict(page).getByText('2 more causes').click()
  await expect(verdict(page).locator('[data-cause]')).toHaveCount(3)
  await expect(verdict(page)).toContainText(/relay of .* does not close/)
})

test('instruments are chosen for the day; a coarse one cannot tell, one out of date is said', async ({
  page,
  server,
}) => {
  await openLoop(page, server.url, 'Isolation room', 'prove/instruments')
  await expectAccessible(page, 'instruments')
  const out = page.getByRole('list', { name: 'Instruments' }).getByRole('checkbox')
  await expect(out.first()).toBeVisible()
  const option = page.getByLabel('Kind').locator('option', { hasText: 'Vole' })
  await page.getByLabel('Kind').selectOption((await option.getAttribute('value'))!)
  await page.getByRole('button', { name: 'Put it in the bag' }).click()
  const vole = page.getByRole('listitem').filter({ hasText: 'Vole, digital thermometer' })
  await expect(vole.getByRole('checkbox')).toBeChecked()
  await vole.getByLabel('Next check due', { exact: true }).fill('last May')
  await vole.getByLabel('Next check due', { exact: true }).blur()
  await expect(vole.getByRole('alert')).toContainText('it takes a day such as')
  await vole.getByLabel('Next check due', { exact: true }).fill('2025-05-01')
  await vole.getByLabel('Next check due', { exact: true }).blur()
  await expect(vole).toContainText('check was due 2025-05-01')
  await openLoop(page, server.url, 'Hatchling floor', 'prove')
  await openTest(page, /Rise and fall/)
  await page.getByRole('button', { name: /^Step 3,/ }).click()
  await fill(page, 'Reads when it goes off', '28.1')
  await expect(verdict(page)).toContainText('it must be within')
  await page.getByRole('button', { name: /^Step 4,/ }).click()
  await fill(page, 'Reads when it goes on', '27.1')
  await expect(verdict(page)).toContainText('Cannot tell')
})

test('from a complaint to the cause: the finder, with the plan\u2019s own numbers', async ({ page, server }) => {
  await openLoop(page, server.url, 'Quarantine room', 'prove/find')
  await expectAccessible(page, 'finder')
  await page.getByLabel('What is seen or said').fill('too cold when fan runs')
  await expect(page.getByRole('heading', { name: 'Room too cold when the fan runs' })).toBeVisible()
  const causes = page.getByRole('list', { name: 'Likely causes' }).getByRole('listitem')
  await expect(causes.first()).toContainText('Humidity beats temperature')
  await expect(causes.nth(1)).toContainText(/25\s%/)
  await causes
    .first()
    .getByRole('link', { name: /^Test:/ })
    .click()
  await expect(page.getByRole('heading', { name: 'Fan: minimum and demands' })).toBeVisible()
  await openLoop(page, server.url, 'Plaster cabinet', 'prove/find')
  await page.getByLabel('What is seen or said').fill('climbs past set')
  await expect(page.getByText(/^Stop\. Isolate it/)).toBeVisible()
})

test('a stopwatch fills the time; a note and a photo stand at the step and in the log', async ({ page, server }) => {
  await openLoop(page, server.url, 'Hatchling floor', 'prove')
  await openTest(page, /Minimum off time/)
  await page.getByRole('button', { name: /Start the watch/ }).click()
  await page.waitForTimeout(1200)
  await page.getByRole('button', { name: /^Stop/ }).click()
  await expect(page.getByLabel('Seconds off')).toHaveValue(/^1\.[1-9]$/)
  await page.getByLabel('Seconds off').press('Enter')
  await expect(verdict(page)).toContainText('It starts too soon')
  await page.getByRole('button', { name: 'Note or photo' }).click()
  const sheet = page.getByRole('dialog', { name: 'Note or photo' })
  await sheet.getByLabel('Note').fill('Relay clicks twice <b>')
  await sheet.getByRole('button', { name: 'Keep the note' }).click()
  const png = 'iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNk+M9QDwADhgGAWjR9awAAAABJRU5ErkJggg=='
  await sheet
    .locator('input[type=file]')
    .setInputFiles({ name: 'relay.png', mimeType: 'image/png', buffer: Buffer.from(png, 'base64') })
  await expect(sheet.locator('img')).toBeVisible()
  await expect.poll(() => sheet.locator('img').evaluate((img: HTMLImageElement) => img.naturalWidth)).toBeGreaterThan(0)
  await sheet
    .locator('input[type=file]')
    .setInputFiles({ name: 'no.png', mimeType: 'image/png', buffer: Buffer.from('no picture') })
  await expect(sheet.getByRole('alert')).toContainText('Photo is no picture')
  await page.keyboard.press('Escape')
  await saved(page)
  await page.goto(page.url().replace(/\/loops\/.*/, '/log'))
  await page.getByLabel('About').selectOption('notes')
  await expect(page.getByRole('row').filter({ hasText: 'Relay clicks twice <b>' })).toBeVisible()
  await expect(page.getByRole('row').locator('img')).toHaveCount(1)
  await expect(page.getByText(/the chain holds/)).toBeVisible()
})

test('a loop as it was at a moment is compared and brought back; log and job file go out', async ({ page, server }) => {
  await openLoop(page, server.url, 'Seal pool', 'set')
  await fill(page, 'Swing', '2.5')
  await saved(page)
  await page.goto(page.url().replace(/\/loops\/.*/, '/log?words=plan'))
  const rows = page.getByRole('row').filter({ hasText: 'Seal pool' })
  await rows
    .nth(1)
    .getByRole('button', { name: /^As it was/ })
    .click()
  await expect(page.getByRole('heading', { name: /Seal pool, as it was at change/ })).toBeVisible()
  await expectAccessible(page, 'as it was')
  await page.getByRole('button', { name: 'Restore: Plan' }).first().click()
  await expect(page.getByRole('row').filter({ hasText: /swing 2\.5/ })).toHaveCount(0)
  await page.getByRole('button', { name: 'Back to the log' }).click()
  const down = page.waitForEvent('download')
  await page.getByRole('link', { name: 'CSV' }).click()
  const csv = readFileSync(await (await down).path(), 'utf8')
  expect(csv).toContain('no.,when,received,who,loop,did,what,before,after,why,takes back,hash')
  expect(csv).toContain('As it was at change')
})
