import { expect, expectThumbs, startJob, test } from '../fixtures'

test('just a thermostat, from an empty job to its rise-and-fall test in 25 taps', async ({ page, server }) => {
  await startJob(page, server.url)
  let taps = 0
  const tap = async (what: ReturnType<typeof page.getByRole>) => {
    await what.tap()
    taps += 1
  }
  const form = page.getByRole('form', { name: 'New loop' })
  /** A field is tapped, and each sign that is typed on the phone's own keys is a tap. */
  const enter = async (label: string, text: string) => {
    await tap(form.getByRole('textbox', { name: label }))
    await page.keyboard.type(text)
    taps += text.length
  }
  await tap(page.getByRole('radio', { name: 'just a thermostat' }))
  await enter('Target', '21')
  await enter('Swing', '1')
  await enter('Power of the plant', '2000')
  await expectThumbs(page, 'new loop')
  await tap(form.getByRole('button', { name: 'Add it with its chain' }))
  await expect(page.getByRole('link', { name: 'Switching points' })).toBeVisible({ timeout: 30_000 })
  await tap(page.getByRole('link', { name: 'Write the keying sheet' }))
  await expect(page.getByRole('heading', { name: 'Keying', exact: true })).toBeVisible()
  await tap(page.getByRole('button', { name: 'Steps' }))
  await tap(page.getByRole('navigation', { name: 'Steps' }).getByRole('link', { name: /Wire/ }))
  await expect(page.getByRole('navigation', { name: 'Parts of wiring' })).toBeVisible()
  await tap(page.getByRole('button', { name: 'Steps' }))
  await tap(page.getByRole('navigation', { name: 'Steps' }).getByRole('link', { name: /Prove/ }))
  await tap(page.getByRole('link', { name: /Rise and fall/ }))
  await expect(page).toHaveURL(/prove\/.*rise-and-fall/)
  expect(taps).toBeLessThanOrEqual(25)
})
