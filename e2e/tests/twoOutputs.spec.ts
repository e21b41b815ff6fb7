import {
  addLoop,
  celsius,
  choose,
  expect,
  expectAccessible,
  fill,
  saved,
  startJob,
  survey,
  test,
  toStep,
  openTest,
  onShelf,
} from '../fixtures'

test('a loop with two probes, two outputs and two limiters shows, simulates and is proved output by output', async ({
  page,
  server,
}) => {
  await startJob(page, server.url)
  await addLoop(page)
  await survey(page, celsius)
  await toStep(page, 'Match')
  const another = async (link: string, device: string) => {
    await page
      .getByRole('list', { name: 'Links of the chain' })
      .getByRole('button', { name: new RegExp(`^${link}`) })
      .click()
    await page.getByRole('button', { name: `Another ${link.toLowerCase()}` }).click()
    await page.getByLabel(/^Find an? .* on the shelf/).fill(device)
    await onShelf(page, device).click()
  }
  await choose(page, 'Controller', 'Redwing')
  await choose(page, 'Probe', 'Floor probe')
  await another('Probe', 'Floor probe')
  await choose(page, 'Load', 'Circulator')
  await another('Load', 'Heating mat')
  await choose(page, 'Limiter', 'Shrike')
  await another('Limiter', 'Fieldfare')
  await choose(page, 'Supply', 'Circuit 20 A')
  await expect(page.getByText('Nothing to look at.')).toBeVisible()

  const chain = page.getByRole('navigation', { name: 'Chain' })
  const outputs = chain.getByRole('group', { name: 'Output in hand' })
  await expect(chain).toContainText('M1Circulator')
  await outputs.getByRole('button', { name: /E1/ }).click()
  await expect(chain).toContainText('B2Floor probe')
  await expect(chain).toContainText('F2Fieldfare')
  await expect(chain).not.toContainText('M1Circulator')

  await test.step('each output has its own points', async () => {
    await toStep(page, 'Set')
    await fill(page, 'Swing', '2')
    await expect(page.locator('[data-consequence="on"]')).toContainText('26.0')
    await outputs.getByRole('button', { name: /M1/ }).click()
    await expect(page.locator('[data-consequence="on"]')).toContainText('27.0')
    await expectAccessible(page, 'set, two outputs')
    await page.getByRole('link', { name: 'Write the keying sheet' }).click()
    await expect(page.getByRole('textbox', { name: /, as left$/ })).not.toHaveCount(0)
  })
  await test.step('the day draws both relays', async () => {
    await toStep(page, 'Try')
    await expect(page.locator('[data-result="starts"]')).toHaveCount(2, { timeout: 20_000 })
    await expect(page.getByRole('rowheader', { name: 'M1' })).toHaveAttribute('title', 'Circulator')
    await expect(page.getByRole('rowheader', { name: 'E1' })).toHaveAttribute('title', 'Heating mat')
  })
  await test.step('each output has its own test, and the stage waits for both', async () => {
    await toStep(page, 'Prove')
    const read = async (values: readonly string[]) => {
      for (const [i, value] of values.entries()) {
        await page.getByRole('button', { name: new RegExp(`^Step ${i + 1},`) }).click()
        await fill(page, i % 2 === 0 ? 'Reads when it goes off' : 'Reads when it goes on', value)
      }
    }
    const stage = page.getByRole('navigation', { name: 'Steps' }).getByRole('link', { name: /Prove/ })
    await openTest(page, /Rise and fall.*output 1/)
    await read(['28.1', '27.0', '28.0', '27.1'])
    await expect(page.getByRole('status', { name: 'Verdict' })).toHaveAttribute('data-verdict', 'good')
    await expect(stage).toContainText(/1 of \d+ tests/)
    await openTest(page, /Rise and fall.*output 2/)
    await read(['28.1', '26.0', '28.0', '26.1'])
    await expect(page.getByRole('status', { name: 'Verdict' })).toHaveAttribute('data-verdict', 'good')
    await expect(stage).toContainText(/2 of \d+ tests/)
  })
  await saved(page)
  await page.reload()
  await expect(outputs.getByRole('button', { name: /E1/ })).toHaveAttribute('aria-pressed', 'true')
})
