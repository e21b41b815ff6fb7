import { celsius, expect, saved, test } from '../fixtures'
import { chooseDevice, chooseKind, press, tabTo, type } from '../keyboard'

test('from an empty job to a wire that is tested and points that are set, without a mouse', async ({
  page,
  server,
}) => {
  await page.goto(server.url)
  await type(page, 'Name', 'By hand')
  // The form says what is missing and keeps the rest.
  await expect(page.getByRole('alert')).toContainText('Your name is empty')
  await type(page, 'Your name, for the log', 'Ilse Farn')
  await expect(page.getByRole('heading', { name: 'No loop yet' })).toBeVisible()
  await chooseKind(page, /^warm floor/)
  await type(page, 'Name', 'Hatchling floor')

  await test.step('survey', async () => {
    await expect(page.getByRole('group', { name: /What is controlled/ })).toBeVisible()
    await tabTo(page, /^What it must hold/)
    await type(page, 'Target', celsius.Target)
    await type(page, 'May stray by', celsius['May stray by'])
    // Tab goes to the first of the two, the arrows choose.
    await tabTo(page, /Screed, probe in the floor/)
    await page.keyboard.press('Space')
    await press(page, /^Next: the room/)
    await type(page, 'Design outdoor', celsius['Design outdoor'])
    await type(page, 'Floor area', celsius['Floor area'])
    await tabTo(page, /^Insulation/)
    await page.keyboard.press('ArrowDown')
    await press(page, /^Next: the floor/)
    await press(page, /^Assumed: \d+/)
    await type(page, 'Supply water', celsius['Supply water'])
    await press(page, /^Hazards/)
    await tabTo(page, /Mains in the box/)
    await page.keyboard.press('Space')
    await expect(page.getByRole('complementary')).toContainText('Heat loss')
    // The sum opens, is left by Escape, and the focus comes back to the number.
    await tabTo(page, /^Heat loss .* open the calculation/)
    await page.keyboard.press('Enter')
    await expect(page.getByRole('dialog')).toContainText('Formula')
    await page.keyboard.press('Escape')
    await expect(page.locator(':focus')).toHaveAttribute('aria-label', /^Heat loss/)
  })
  await test.step('match', async () => {
    await page.keyboard.press('2')
    for (const [link, find, device] of [
      ['Probe', 'floor probe', /Floor probe NTC/],
      ['Controller', 'dipper', /Dipper/],
      ['Load', 'circulator', /Circulator/],
      ['Limiter', 'shrike', /Shrike/],
      ['Supply', 'circuit 10', /Circuit 10 A/],
    ] as const)
      await chooseDevice(page, link, find, device)
    await expect(page.getByText('Nothing to look at.')).toBeVisible()
  })
  await test.step('wire', async () => {
    await page.keyboard.press('3')
    await tabTo(page, /^Wire 1 landed/, 120)
    await page.keyboard.press('Space')
    await type(page, 'Meter reads', '0.2')
    await expect(page.getByRole('img', { name: 'Wire 1 tested' })).toBeVisible()
  })
  await test.step('set', async () => {
    await page.locator('body').press('Escape')
    await tabTo(page, /^4 Set/, 120)
    await page.keyboard.press('Enter')
    await tabTo(page, /^Cut-in/, 120)
    await page.keyboard.press('ArrowDown')
    await page.keyboard.press('ArrowDown')
    await expect(page.locator('[data-consequence="on"]')).toContainText('26.8')
    await saved(page)
  })
})
