import { gzipSync } from 'node:zlib'
import { expect, expectAccessible, saved, test } from '../fixtures'

test.use({ demo: true })

const open = async (page: import('@playwright/test').Page, url: string) => {
  await page.goto(url)
  await page.getByRole('link', { name: /Otterholm Wildlife Hospital/ }).click()
  await page
    .getByRole('main')
    .getByRole('link', { name: /Hatchling floor/ })
    .click()
  await expect(page.getByRole('heading', { name: '2 of 8 tests' })).toBeVisible()
}

test('keys go to stages, turn the unit, open the board and take back', async ({ page, server }) => {
  await open(page, server.url)
  await page.keyboard.press('4')
  await expect(page.getByRole('heading', { name: 'Switching points' })).toBeVisible()
  await page.keyboard.press('u')
  await expect(page.getByRole('textbox', { name: 'Setpoint', exact: true })).toHaveValue('82.4')
  await page.keyboard.press('u')
  await page.getByRole('textbox', { name: 'Swing', exact: true }).fill('2')
  await page.getByRole('textbox', { name: 'Swing', exact: true }).press('Enter')
  await expect(page.locator('[data-consequence="on"]')).toContainText('26.0')
  await page.locator('body').click({ position: { x: 100, y: 620 } })
  await page.keyboard.press('Control+z')
  await expect(page.locator('[data-consequence="on"]')).toContainText('27.0')
  await page.keyboard.press('?')
  await expect(page.getByRole('dialog', { name: 'Keys' })).toBeVisible()
  await page.keyboard.press('Escape')
  await page.keyboard.press('b')
  await expect(page.getByRole('heading', { name: '10 loops' })).toBeVisible()
})

test('every place has an address: reload and back work', async ({ page, server }) => {
  await open(page, server.url)
  await page.keyboard.press('3')
  await page.getByRole('button', { name: /^Wire 4,/ }).click()
  await page.reload()
  await expect(page.getByRole('heading', { name: 'Wire 4' })).toBeVisible()
  await page.goBack()
  await expect(page.getByRole('heading', { name: '2 of 8 tests' })).toBeVisible()
  await page.goto(`${server.url}/nowhere`)
  await expect(page.getByRole('heading', { name: 'There is nothing at this address' })).toBeVisible()
})

test('a cut-out is dragged on the switching points; the setpoint moves both points', async ({ page, server }) => {
  await open(page, server.url)
  await page.keyboard.press('4')
  // The set is taken by its chip, which stands left of the rule on a heating scale.
  const drag = async (name: string, pixels: number) => {
    const box = (await page.getByRole('slider', { name, exact: true }).boundingBox())!
    const [x, y] = name === 'Setpoint' ? [box.x + 30, box.y + 16] : [box.x + box.width / 2, box.y + box.height / 2]
    await page.mouse.move(x, y)
    await page.mouse.down()
    await page.mouse.move(x, y + pixels, { steps: 5 })
    await page.mouse.up()
  }
  const point = async (id: string) =>
    parseFloat((await page.locator(`[data-consequence="${id}"]`).innerText()).replace(/[^\d.]/g, ''))
  await drag('Cut-in', 40)
  expect(await point('on')).toBeLessThan(26.9)
  expect(await point('off')).toBe(28)
  const swing = (await point('off')) - (await point('on'))
  await drag('Setpoint', 40)
  expect(await point('off')).toBeLessThan(28)
  expect((await point('off')) - (await point('on'))).toBeCloseTo(swing, 5)
  await saved(page)
})

test('at 1280 by 800 nothing that belongs to a stage needs scrolling', async ({ page, server }) => {
  await open(page, server.url)
  for (const key of ['1', '2', '3', '4', '5', '6', '7']) {
    await page.keyboard.press(key)
    await page.waitForTimeout(150)
    const scrolls = await page.evaluate(() =>
      [...document.querySelectorAll('.step-page, .step-page *')]
        .filter(
          (e) => e.scrollHeight > e.clientHeight + 2 && ['auto', 'scroll'].includes(getComputedStyle(e).overflowY),
        )
        .map((e) => `${e.tagName} ${e.className}`),
    )
    expect(scrolls, `stage ${key}`).toEqual([])
  }
})

test('night passes the same checks', async ({ page, server }) => {
  await open(page, server.url)
  await page.getByRole('button', { name: 'Night' }).click()
  for (const key of ['1', '2', '3', '4', '6', '7']) {
    await page.keyboard.press(key)
    await page.waitForTimeout(100)
    await expectAccessible(page, `night ${key}`)
  }
})

test('the first screen fetches under 250 kB of script', async ({ page, server }) => {
  const scripts: Promise<Buffer>[] = []
  page.on('response', (response) => {
    if (response.request().resourceType() === 'script') scripts.push(response.body())
  })
  await page.goto(server.url)
  await expect(page.getByRole('link', { name: /Otterholm Wildlife/ })).toBeVisible()
  const bytes = (await Promise.all(scripts)).reduce((sum, body) => sum + gzipSync(body).length, 0)
  expect(bytes).toBeLessThan(250_000)
})

test('once the first screen has stood for a moment, every stage opens without a server', async ({ page, server }) => {
  await open(page, server.url)
  await page.waitForLoadState('networkidle')
  await expect
    .poll(() =>
      page.evaluate(
        () =>
          performance.getEntriesByType('resource').filter((r) => /TryStep|simulateWorker|adviceWorker/.test(r.name))
            .length,
      ),
    )
    .toBeGreaterThan(2)
  await server.kill()
  await page.keyboard.press('5')
  await expect(page.locator('[data-result="starts"]')).toBeVisible({ timeout: 20_000 })
  for (const [key, heading] of [
    ['2', 'Connections'],
    ['4', 'Switching points'],
    ['7', 'Sheets'],
  ] as const) {
    await page.keyboard.press(key)
    await expect(page.getByRole('heading', { name: heading })).toBeVisible()
  }
  // What is tried before it is said is tried without a server too.
  await page.keyboard.press('4')
  await page.getByRole('link', { name: 'Trade-off' }).click()
  await expect(page.locator('[data-trade]')).toBeVisible({ timeout: 60_000 })
})

test('a broken screen keeps what was typed', async ({ page, server }) => {
  // The strip's code cannot be fetched: that screen breaks, the frame stays.
  await page.route('**/TryStep-*.js', (route) => route.abort())
  await open(page, server.url)
  await page.keyboard.press('1')
  await page.getByLabel('Target', { exact: true }).fill('abc')
  await page.getByRole('link', { name: /5 Try/ }).click()
  await expect(page.getByRole('heading', { name: 'This screen broke' })).toBeVisible()
  await page.getByRole('link', { name: /1 Survey/ }).click()
  await expect(page.getByLabel('Target', { exact: true })).toHaveValue('abc')
})
