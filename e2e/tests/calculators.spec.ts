import type { Page } from '@playwright/test'
import { addLoop, expect, expectAccessible, expectThumbs, startJob, test } from '../fixtures'

const answer = (page: Page) => page.locator('.sum-answer').first()
const onPhone = (page: Page) => (page.viewportSize()?.width ?? 0) < 768

test('a sum is found by what one types and answers as one types', async ({ page, server }) => {
  await page.goto(`${server.url}/calculators`)
  const find = page.getByRole('searchbox', { name: 'Find a calculator' })
  for (const [query, title] of [
    ['pt1000', 'Temperature of a probe'],
    ['4-20', 'What a transmitter loop can carry'],
    ['swing', 'Where it switches'],
    ['how long to heat', 'How long to heat water'],
  ] as const) {
    await find.fill(query)
    await expect(page.getByRole('link', { name: title, exact: true })).toBeVisible()
  }
  await page.getByRole('link', { name: 'How long to heat water', exact: true }).click()
  await expect(answer(page)).toContainText('21.8')
  await page.getByRole('textbox', { name: 'Power, P' }).fill('20000')
  await expect(answer(page)).toContainText('it comes to rest before it gets there')
  await expect(answer(page)).toContainText('25.3')
  await page.getByRole('textbox', { name: 'Power, P' }).fill('two')
  await expect(page.getByRole('alert')).toContainText('Power is "two"')
  await expectAccessible(page, 'a sum')
  await expectThumbs(page, 'a sum')
  // What was typed is there again after the page was left.
  await page.goto(`${server.url}/calculators/air.state`)
  await expect(answer(page)).toContainText('9.3')
  await page.goto(`${server.url}/calculators/water.heatUp`)
  await expect(page.getByRole('textbox', { name: 'Power, P' })).toHaveValue('two')
})

test('every sum opens, answers and is drawn', async ({ page, server }) => {
  test.setTimeout(150_000)
  await page.goto(`${server.url}/calculators`)
  const rows = page.locator('.sum-row')
  await expect(rows.first()).toBeVisible()
  const count = await rows.count()
  expect(count).toBeGreaterThan(60)
  // A phone shows the same pages in one column: every fourth is enough there.
  for (let i = 0; i < count; i += onPhone(page) ? 4 : 1) {
    const title = (await rows.nth(i).textContent())!
    await rows.nth(i).click()
    await expect(page.getByRole('heading', { name: title, exact: true, level: 1 })).toBeVisible()
    await expect(page.getByRole('heading', { name: 'How it is calculated' }), title).toBeVisible()
    await expect(page.locator('.sum-result'), title).not.toContainText(/NaN|undefined|Infinity|\[object/)
    const wide = await page.evaluate(() => document.documentElement.scrollWidth - innerWidth)
    expect(wide, title).toBeLessThanOrEqual(0)
    await expectThumbs(page, title)
    if (onPhone(page)) await page.getByRole('link', { name: 'All calculators' }).click()
  }
})

test('in a job a sum speaks its units and is kept in a loop\u2019s log, undone, and opened again', async ({
  page,
  server,
}) => {
  await startJob(page, server.url, { unit: '°F', system: 'US customary' })
  await addLoop(page, 'Hatchling floor')
  const job = /\/jobs\/[^/]+/.exec(page.url())![0]
  if (onPhone(page)) await page.goto(`${server.url}${job}/calculators`)
  else await page.keyboard.press('.')
  await page.getByRole('searchbox', { name: 'Find a calculator' }).fill('where it switches')
  await page.getByRole('searchbox', { name: 'Find a calculator' }).press('Enter')
  await page.getByRole('textbox', { name: 'Setpoint', exact: true }).fill('70')
  await page.getByRole('textbox', { name: 'Swing as keyed' }).fill('5')
  await expect(answer(page)).toContainText('65.0\u00a0°F')
  await page.getByRole('button', { name: 'Keep in a log' }).click()
  await page.getByRole('textbox', { name: 'What for' }).fill('<b>Swap</b> of the old dial')
  await page.getByRole('button', { name: 'Keep the calculation' }).click()
  await expect(page.getByText('Kept in the log of Hatchling floor', { exact: true })).toBeVisible()
  await page.goto(`${server.url}${job}/log`)
  const note = page.getByRole('row', { name: /<b>Swap<\/b> of the old dial\. Where it switches: switches on 65\.0/ })
  await expect(note).toBeVisible()
  await note.getByRole('button', { name: 'Open the calculation' }).click()
  await expect(page.getByRole('textbox', { name: 'Setpoint', exact: true })).toHaveValue('70')
  await page.goto(`${server.url}${job}/log`)
  await page
    .getByRole('button', { name: /^Undo change/ })
    .first()
    .click()
  await expect(page.getByText('Taken back.')).toBeVisible()
})

test('a sum is worked by the keys alone, copied and printed', async ({ page, server, context }) => {
  test.skip(onPhone(page), 'keys belong to the desk')
  await context.grantPermissions(['clipboard-read', 'clipboard-write'])
  await page.goto(`${server.url}/calculators`)
  await expect(page.getByRole('searchbox', { name: 'Find a calculator' })).toBeFocused()
  await page.keyboard.type('dew point')
  await page.keyboard.press('ArrowDown')
  await page.keyboard.press('Enter')
  await expect(page.getByRole('heading', { name: 'Moist air and dew point' })).toBeVisible()
  await page.getByRole('textbox', { name: 'Humidity' }).focus()
  await page.keyboard.press('Control+A')
  await page.keyboard.type('80')
  await expect(answer(page)).toContainText('16.4')
  await page.getByRole('button', { name: 'Copy' }).focus()
  await page.keyboard.press('Enter')
  await expect(page.getByText('Copied')).toBeVisible()
  const copied = await page.evaluate(() => navigator.clipboard.readText())
  expect(copied).toContain('Humidity: 80\u00a0%')
  expect(copied).toContain('= Dew point: 16.4\u00a0°C')
  expect(copied).toContain('Source: Hyland and Wexler')
  // On paper the list and the fields are gone, the sum with its numbers is there.
  await page.emulateMedia({ media: 'print' })
  await expect(page.locator('.calculators-list')).toBeHidden()
  await expect(page.locator('.sum-form')).toBeHidden()
  await expect(page.locator('.sum-worked')).toContainText('80\u00a0%')
})

test('an address that names no sum says so', async ({ page, server }) => {
  test.skip(onPhone(page), 'a phone shows the list alone')
  await page.goto(`${server.url}/calculators/no.such<b>`)
  await expect(page.getByText(/There is no calculator "no\.such<b>"/)).toBeVisible()
})
