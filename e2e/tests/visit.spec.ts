import { addLoop, expect, expectAccessible, expectThumbs, fill, part, saved, startJob, test, toStep } from '../fixtures'

test('a first visit: measured on site, written down as found, hazards ticked, a proposal, its chain', async ({
  page,
  server,
}) => {
  await startJob(page, server.url)
  await addLoop(page, 'Seal pool', 'pool, tank')

  await test.step('what was there is written down before anything is keyed', async () => {
    await part(page, 'As found')
    await page.getByLabel('Complaint, in the owner’s words').fill('Trips on hot days <script>')
    await page.getByLabel('What was there').selectOption({ index: 1 })
    await fill(page, 'Weather of the day', 'Sunny, no wind')
    await fill(page, 'Serial', 'A-1199')
    await expectThumbs(page, 'as found')
    await expectAccessible(page, 'as found')
    await page.reload()
    await expect(page.getByLabel('Complaint, in the owner’s words')).toHaveValue('Trips on hot days <script>')
    await expect(page.getByLabel('Serial')).toHaveValue('A-1199')
  })
  await test.step('every number asked says its unit, its range and how to find it out', async () => {
    const parts = page.getByRole('navigation', { name: 'Parts of the survey' }).getByRole('button')
    for (const name of await parts.allInnerTexts()) {
      const title = name.split('\n')[0]!
      if (['As found', 'Hazards', 'Proposal'].includes(title)) continue
      await part(page, title)
      await expectThumbs(page, title)
      for (const field of await page.locator('main input[inputmode="decimal"]').all()) {
        const about = (await field.getAttribute('aria-describedby')) ?? ''
        expect(about, title).not.toBe('')
      }
    }
  })
  await test.step('a figure is worked out from what was measured', async () => {
    await part(page, 'The place')
    await page.getByRole('button', { name: 'Work out: Water surface' }).click()
    const dialog = page.getByRole('dialog')
    await expect(dialog.getByRole('button', { name: 'Put it in' })).toBeDisabled()
    await dialog.getByRole('textbox', { name: 'Length' }).fill('9000')
    await dialog.getByRole('textbox', { name: 'Width' }).fill('5')
    await expect(dialog.getByText(/^Length is 9000: it takes/)).toBeVisible()
    await dialog.getByRole('textbox', { name: 'Length' }).fill('8')
    await expect(dialog.getByRole('status')).toContainText('40')
    await dialog.getByRole('button', { name: 'Put it in' }).click()
    await expect(page.getByLabel('Water surface', { exact: true })).toHaveValue('40.0')
  })
  await test.step('the hazards of this kind are proposed and ticked', async () => {
    await part(page, 'Hazards')
    await page.getByRole('button', { name: /^Tick the \d+ proposed/ }).click()
    expect(await page.getByRole('checkbox', { checked: true }).count()).toBeGreaterThan(0)
    await expectAccessible(page, 'hazards')
    await saved(page)
  })
  await test.step('what it still waits for is said', async () => {
    await part(page, 'Proposal')
    await expect(page.getByRole('main')).toContainText(/Target|answer/)
  })
})

test.describe('in the demo job', () => {
  test.use({ demo: true })
  test('the proposal gives its chain from the shelf, all of it fits, and one undo takes it back', async ({
    page,
    server,
  }) => {
    test.skip((page.viewportSize()?.width ?? 0) < 768, 'the same on a phone')
    await page.goto(server.url)
    await page.evaluate(() => localStorage.setItem('nachtigal.view', JSON.stringify({ by: 'Ilse Farn', theme: 'day' })))
    await page.reload()
    await page.getByRole('link', { name: /Otterholm Wildlife/ }).click()
    await page
      .getByRole('link', { name: /Quarantine room/ })
      .first()
      .click()
    await toStep(page, 'Survey')
    await part(page, 'Proposal')
    await page.getByRole('button', { name: 'Start over with this chain' }).click()
    // A worker looks through the whole shelf; the page goes to Match when its chain is there.
    await page.waitForURL(/\/match$/, { timeout: 60_000 })
    const connections = page.getByRole('complementary').getByRole('button', { name: / to .*: / })
    await expect(connections.nth(3)).toBeVisible()
    await expect(page.getByRole('complementary').getByRole('button', { name: /: does not fit$/ })).toHaveCount(0)
    await saved(page)
    await page.keyboard.press('Control+z')
    await expect(page.getByRole('list', { name: 'Links of the chain' })).toContainText('Swift')
  })
})
