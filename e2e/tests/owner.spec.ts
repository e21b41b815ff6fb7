import { expect, expectAccessible, openLoop, saved, test } from '../fixtures'

test.use({ demo: true })

test('the range that the owner is meant to keep is typed, kept, told and taken back; a bad one says what is allowed', async ({
  page,
  server,
}) => {
  await openLoop(page, server.url, 'Fish store', 'set/owner')
  const to = page.getByRole('textbox', { name: 'Cold, meant to' })
  await expect(to).toHaveValue('2.5')
  await to.fill('90')
  await to.press('Enter')
  await expect(page.getByRole('alert')).toContainText('Cold, meant to: 90 °C is not between \u221235.0 and 15.0 °C.')
  // What was typed stays, to be mended.
  await expect(to).toHaveValue('90')
  await expectAccessible(page, 'owner')
  await to.fill('\u22125')
  await to.press('Enter')
  await expect(page.getByRole('alert')).toContainText('is over what it is meant to')
  await to.fill('1,5')
  await to.press('Enter')
  await saved(page)
  await expect(page.getByRole('alert')).toHaveCount(0)
  await expect(page.getByLabel('What it means')).toContainText('Cold, \u22121.5 to 1.5 °C')
  await page.reload()
  await expect(to).toHaveValue('1.5')
  await page.getByRole('textbox', { name: 'Cold, meant from' }).fill('')
  await to.fill('')
  await to.press('Enter')
  await saved(page)
  // With no range agreed it is asked for again.
  await expect(page.getByText('Nothing holds the owner')).toBeVisible()
})

test('water that follows the weather has no fixed set to turn', async ({ page, server }) => {
  await openLoop(page, server.url, 'Clinic boiler', 'set/owner')
  await expect(page.getByText('Turns nothing as it is planned.').first()).toBeVisible()
  const from = page.getByRole('textbox', { name: 'Parallel shift, meant from' })
  await expect(from).toBeVisible()
  // Fields that are only passed through are no row of the log.
  let sent = 0
  page.on('request', (request) => (sent += request.method() === 'POST' ? 1 : 0))
  await from.focus()
  for (let i = 0; i < 4; i++) await page.keyboard.press('Tab')
  await page.waitForTimeout(1500)
  expect(sent).toBe(0)
  await expect(page.getByRole('textbox', { name: 'Fixed supply, meant from' })).toHaveCount(0)
})
