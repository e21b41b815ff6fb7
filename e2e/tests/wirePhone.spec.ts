import { expect, expectAccessible, expectThumbs, test, toStep, wirePart } from '../fixtures'

test.use({ demo: true })

test('every part of wiring can be used with a thumb', async ({ page, server }) => {
  await page.goto(server.url)
  await page
    .getByRole('link', { name: /Otterholm Wildlife Hospital/ })
    .first()
    .click()
  await page
    .getByRole('link', { name: /Plaster cabinet/ })
    .first()
    .click()
  await toStep(page, 'Wire')
  const show = page.getByRole('group', { name: 'Show' })
  await show.getByRole('button', { name: 'list' }).click()
  await expectThumbs(page, 'list')
  await expectAccessible(page, 'list')
  // A tap on a row of the list opens that wire.
  await page.getByRole('button', { name: /^Wire 5,/ }).click()
  await expect(page.getByRole('heading', { name: 'Wire 5' })).toBeVisible()
  await show.getByRole('button', { name: 'picture' }).click()
  await expect(page.locator('svg[data-picture]')).toBeVisible()
  const width = () => page.locator('svg[data-picture]').evaluate((svg) => svg.getBoundingClientRect().width)
  const whole = await width()
  await page.getByRole('button', { name: 'Larger' }).click()
  expect(await width()).toBeGreaterThan(whole)
  await expectThumbs(page, 'picture')
  for (const part of ['Logic', 'Places', 'Conductors', 'Box', 'Dead tests', 'First live']) {
    await wirePart(page, part)
    await expect(page.getByRole('heading').first()).toBeVisible()
    await expectThumbs(page, part)
    await expectAccessible(page, part)
  }
  await wirePart(page, 'Dead tests')
  await page.getByRole('button', { name: /X1 dead, L to N/ }).click()
  // Typed on the pad, kept by the button: nothing is lost on the way to the next step.
  await page.getByRole('button', { name: '3', exact: true }).click()
  await page.getByRole('button', { name: 'Keep the reading' }).click()
  await expect(page.getByRole('status', { name: 'Verdict' })).toContainText('Dead: 3 V.')
  await page.getByRole('button', { name: 'Next step' }).click()
  await expect(page.getByRole('heading', { name: /X1 dead, L to PE/ })).toBeVisible()
})
