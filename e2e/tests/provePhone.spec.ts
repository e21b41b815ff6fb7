import { expect, expectAccessible, expectThumbs, openLoop, openTest, saved, test } from '../fixtures'

test.use({ demo: true })

const verdict = (page: import('@playwright/test').Page) => page.getByRole('status', { name: 'Verdict' })

test('a test is made with a thumb: pad, choices, sets, the cause in sight', async ({ page, server }) => {
  await openLoop(page, server.url, 'Quarantine room', 'prove')
  await expectThumbs(page, 'tests')
  await expectAccessible(page, 'tests')
  await openTest(page, /Modulating sweep/)
  await expectThumbs(page, 'a step')
  const pad = page.getByRole('group', { name: 'Number pad' })
  for (const key of ['9', 'Point', '9']) await pad.getByRole('button', { name: key, exact: true }).click()
  await page.getByRole('button', { name: 'Keep the reading' }).click()
  // One that is not right stays in sight.
  await expect(page.getByRole('heading', { name: 'Step 1 of 8' })).toBeVisible()
  await expect(verdict(page)).toContainText('not as it should be')
  await page.getByRole('button', { name: 'Next step' }).click()
  await expect(page.getByRole('heading', { name: 'Step 2 of 8' })).toBeVisible()
  await openLoop(page, server.url, 'Penguin slab chiller', 'prove')
  await openTest(page, /Stage sequence/)
  await page.getByRole('group', { name: 'Loads that run' }).getByRole('button', { name: 'none' }).click()
  await expectThumbs(page, 'a set')
  await page.getByRole('button', { name: 'Next step' }).click()
  await expect(page.getByRole('heading', { name: 'Step 2 of 8' })).toBeVisible()
  await openLoop(page, server.url, 'Seal pool', 'prove')
  await openTest(page, /Permissive/)
  // Without flow first: the call must not come.
  await page.getByRole('button', { name: 'Does not come', exact: true }).click()
  await page.getByRole('button', { name: 'Next step' }).click()
  await page.getByRole('button', { name: 'No', exact: true }).click()
  await expect(verdict(page)).toContainText('It does not run to begin with')
  await expectThumbs(page, 'a choice')
  await saved(page)
})

test('finder, instruments, hand-over and log bear a thumb', async ({ page, server }) => {
  for (const [place, name] of [
    ['prove/find', 'finder'],
    ['prove/instruments', 'instruments'],
    ['hand-over', 'hand-over'],
  ] as const) {
    await openLoop(page, server.url, 'Hatchling floor', place)
    await expectThumbs(page, name)
    await expectAccessible(page, name)
  }
  await openLoop(page, server.url, 'Hatchling floor', 'prove/find')
  await page.getByLabel('What is seen or said').fill('short-cycles')
  await expect(page.getByRole('list', { name: 'Likely causes' })).toContainText('Swing narrower')
  await expectThumbs(page, 'causes')
  await page.goto(page.url().replace(/\/loops\/.*/, '/log'))
  await expect(page.getByRole('row').nth(3)).toBeVisible()
  await expectThumbs(page, 'log')
})

test('a warm-up is read from a logger file; what is none is refused by name', async ({ page, server }) => {
  await openLoop(page, server.url, 'Plaster cabinet', 'prove')
  await openTest(page, /Warm-up watch/)
  await page.getByRole('button', { name: 'Step 2, Start' }).click()
  const file = page.locator('input[type=file]').first()
  await file.setInputFiles({ name: 'note.csv', mimeType: 'text/csv', buffer: Buffer.from('no;numbers') })
  await expect(page.getByRole('alert')).toContainText('note.csv: the file holds no two rows')
  const rows = Array.from({ length: 300 }, (_, i) => `${i};${(18 + 0.002 * i).toFixed(2)}`)
  await file.setInputFiles({
    name: 'cold.csv',
    mimeType: 'text/csv',
    buffer: Buffer.from(['minutes;T', ...rows].join('\n')),
  })
  await expect(page.getByRole('status', { name: 'Logger file' })).toContainText('of 6 readings taken')
  await expect(verdict(page)).toContainText('It does not move')
})
