import { expect, expectAccessible, expectThumbs, openLoop, test } from '../fixtures'

test.use({ demo: true })

test('every part of trying works by thumb', async ({ page, server }) => {
  for (const place of ['try', 'try/faults', 'try/trade', 'try/ways', 'try/sweep', 'try/plant', 'try/kept']) {
    await openLoop(page, server.url, 'Hatchling floor', place)
    await expect(
      page.locator('[data-run="done"], .plant-table, .sweep, .run-controls, [data-trade]').first(),
    ).toBeVisible({
      timeout: 20_000,
    })
    await expectThumbs(page, place)
    await expectAccessible(page, place)
  }
})

test('the strip by touch: a tap puts the cursor, the buttons zoom', async ({ page, server }) => {
  await openLoop(page, server.url, 'Fish store', 'try')
  await expect(page.locator('[data-run="done"]')).toBeVisible({ timeout: 20_000 })
  const strip = page.getByRole('slider', { name: /Arrows move the cursor/ })
  await strip.scrollIntoViewIfNeeded()
  const box = (await strip.boundingBox())!
  await page.touchscreen.tap(box.x + box.width * 0.7, box.y + 100)
  await expect(page.locator('[data-cursor]')).toContainText('coil')
  await page.getByRole('button', { name: 'Closer' }).tap()
  await expect(page.locator('[data-window]')).not.toHaveAttribute('data-window', '0.00 24.00')
  await page.getByRole('button', { name: 'All of it' }).tap()
  await expect(page.locator('[data-window]')).toHaveAttribute('data-window', '0.00 24.00')
})
