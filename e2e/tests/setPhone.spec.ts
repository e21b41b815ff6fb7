import { expect, expectAccessible, expectThumbs, openLoop, saved, test } from '../fixtures'

test.use({ demo: true })

/** Every instrument, where the demo job has it, with the handles a reader meets there. */
const instruments = [
  ['Hatchling floor', 'set', ['Cut-in', 'Cut-out', 'Setpoint']],
  ['Penguin slab chiller', 'set', ['Stage 1, cut-in', 'Setpoint, all stages', 'Probe is at']],
  ['Clinic boiler', 'set', ['Design point', 'Warm point', 'Summer stop']],
  ['Clinic boiler', 'set/week', []],
  ['Quarantine room', 'set', ['Where it begins', 'Full speed', 'Working point']],
  ['Plaster cabinet', 'set', ['Nothing at', 'Full at', 'Setpoint']],
  ['Plaster cabinet', 'set/timer', []],
  ['Fish store', 'set/defrost', ['Longest time', 'Drip ends']],
  ['Rescue van', 'set/battery', ['Cut-off', 'Restart']],
  ['Hatchling floor', 'set/trade', ['Swing']],
  ['Hatchling floor', 'set/offset', []],
  ['Hatchling floor', 'set/fault', []],
  ['Hatchling floor', 'set/owner', []],
  ['Fish store', 'set/other', []],
] as const

test('every instrument works on a phone and for a reader', async ({ page, server }) => {
  for (const [loop, place, handles] of instruments)
    await test.step(`${loop}, ${place}`, async () => {
      await openLoop(page, server.url, loop, place)
      await expect(page.getByRole('complementary', { name: 'What it means' })).toBeVisible()
      for (const name of handles) {
        const slider = page.getByRole('slider', { name, exact: true })
        const axis = await slider.getAttribute('aria-orientation')
        const before = await slider.getAttribute('aria-valuetext')
        expect(before).toMatch(/\d/)
        await slider.focus()
        // The point stands where temperature asks: more humidity may change nothing there.
        const up = axis === 'vertical' && name !== 'Working point'
        await page.keyboard.press(up ? 'Shift+ArrowUp' : 'Shift+ArrowRight')
        await expect(slider).not.toHaveAttribute('aria-valuetext', before!)
      }
      if (handles.length > 0) await saved(page)
      await expectAccessible(page, `${loop}, ${place}`)
      await expectThumbs(page, `${loop}, ${place}`)
    })
})

test('keying with one hand: the value large, one tap, the next', async ({ page, server }) => {
  await openLoop(page, server.url, 'Seal pool', 'set/keying')
  const value = page.locator('[data-value]')
  const first = await value.innerText()
  const button = page.getByRole('button', { name: /^It shows/ })
  const box = (await button.boundingBox())!
  expect(box.height).toBeGreaterThanOrEqual(48)
  await button.click()
  await expect(page.getByText(/^2 of/)).toBeVisible()
  const second = await page.locator('.key-one').innerText()
  expect(second).not.toContain(`It shows ${first}`)
  await page.getByRole('button', { name: 'Whole sheet' }).click()
  await expect(page.getByRole('checkbox', { name: /keyed as planned/ }).first()).toBeChecked()
  await expectThumbs(page, 'keying')
  await expectAccessible(page, 'keying')
})
