import { expect, expectAccessible, saved, startJob, test } from '../fixtures'

const practices = [
  { unit: '°C', system: 'metric', set: '21', swing: '1', watts: '2000', on: '20.5 °C', off: '21.5 °C' },
  { unit: '°F', system: 'US customary', set: '70', swing: '2', watts: '5000', on: '69.0 °F', off: '71.0 °F' },
] as const

for (const { unit, system, set, swing, watts, on, off } of practices)
  test(`just a thermostat, from an empty job to its rise-and-fall test in 25 keys: ${unit}`, async ({
    page,
    server,
  }) => {
    await startJob(page, server.url, { unit, system })
    let keys = 0
    const press = async (...all: readonly string[]) => {
      for (const key of all) await page.keyboard.press(key)
      keys += all.length
    }
    // One begins at the kinds; the last of them is the one that is none of the others.
    await expect(page.getByRole('radio', { name: 'warm floor' })).toBeFocused()
    await press('ArrowUp')
    await expect(page.getByRole('textbox', { name: 'Target' })).toBeVisible()
    await press('Tab', ...set, 'Tab', ...swing, 'Tab', 'Tab', ...watts, 'Enter')
    await expect(page.getByRole('link', { name: 'Switching points' })).toBeVisible()
    const means = page.getByRole('complementary', { name: 'What it means' })
    await expect(means).toContainText(on)
    await expect(means).toContainText(off)
    await press('p')
    await expect(page.getByRole('heading', { name: /^Key into A1/ })).toBeVisible()
    await press('3')
    await expect(page.getByRole('navigation', { name: 'Parts of wiring' })).toBeVisible()
    await press('6', '/')
    await expect(page.getByRole('combobox')).toBeFocused()
    await press(...'rise')
    await expect(page.getByRole('option', { name: /Rise and fall/ }).first()).toBeVisible()
    await press('Enter')
    await expect(page).toHaveURL(/prove\/.*rise-and-fall/)
    expect(keys).toBeLessThanOrEqual(25)
    await saved(page)
    await expectAccessible(page, 'rise and fall')
  })

test('what is assumed is listed, worst first, and leads to its question; a chosen kind opens with what it holds', async ({
  page,
  server,
}) => {
  await startJob(page, server.url)
  await page.getByRole('radio', { name: 'room', exact: true }).click()
  const form = page.getByRole('form', { name: 'New loop' })
  await form.getByRole('textbox', { name: 'Target' }).fill('20')
  await form.getByRole('textbox', { name: 'Power of the plant' }).fill('1800')
  await form.getByRole('textbox', { name: 'Name' }).fill('Store room')
  await expectAccessible(page, 'new loop')
  await form.getByRole('button', { name: 'Add it with its chain' }).click()
  await expect(page.getByRole('link', { name: 'Switching points' })).toBeVisible()
  await page.keyboard.press('1')
  const assumed = page.getByRole('region', { name: 'Assumed' })
  await expect(assumed).toContainText('worst effect first')
  await expect(assumed).toContainText('Heated by electric heater')
  await assumed.getByRole('link', { name: 'Floor area' }).click()
  // What is taken stands in its field, and goes from the list when somebody knows better.
  const area = page.getByRole('textbox', { name: 'Floor area' })
  await expect(area).toHaveAttribute('placeholder', '20.0')
  await area.fill('14')
  await area.press('Enter')
  await saved(page)
  await expect(assumed).not.toContainText('Floor area')
  await expectAccessible(page, 'assumed')
})

test('a target that cannot be is refused where it is typed, and nothing is lost', async ({ page, server }) => {
  await startJob(page, server.url)
  await page.getByRole('radio', { name: 'just a thermostat' }).click()
  const form = page.getByRole('form', { name: 'New loop' })
  const target = form.getByRole('textbox', { name: 'Target' })
  await target.fill('900')
  await target.press('Enter')
  await expect(form.getByRole('alert')).toContainText('Target is 900 °C: it takes \u221240.0 °C to 400.0 °C.')
  await expect(target).toHaveValue('900')
  await expect(form).toBeVisible()
})
