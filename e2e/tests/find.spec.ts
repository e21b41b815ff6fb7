import { expect, expectAccessible, expectThumbs, openLoop, test } from '../fixtures'

test.use({ demo: true })

test('finds anything by its words, those of another practice too, and goes there', async ({ page, server }) => {
  const phone = (page.viewportSize()?.width ?? 0) < 768
  await openLoop(page, server.url, 'Seal pool', 'set')
  const open = async () => {
    if (phone) await page.getByRole('button', { name: 'Find anything' }).click()
    else await page.keyboard.press('/')
    await expect(page.getByRole('combobox', { name: 'Find anything' })).toBeFocused()
  }
  const found = page.getByRole('dialog', { name: 'Find anything' })

  await test.step('a wire by its number', async () => {
    await open()
    await page.keyboard.type('seal wire 3')
    await expect(found.getByRole('option').first()).toContainText('Wire 3')
    await expectAccessible(page, 'find')
    await expectThumbs(page, 'find')
    await page.keyboard.press('Enter')
    await expect(page).toHaveURL(/\/wire\/.+/)
    await expect(found).toHaveCount(0)
  })
  await test.step('by the word of another practice', async () => {
    await open()
    await page.keyboard.type('ground')
    await expect(found).toContainText('ground is earth in this job')
    await expect(found.getByRole('option').filter({ hasText: 'PE' }).first()).toBeVisible()
    await page.keyboard.press('Escape')
  })
  await test.step('a setting by its code, misspelt words too', async () => {
    await open()
    await page.keyboard.type('Penguin chillr')
    await expect(found.getByRole('option').filter({ hasText: 'Penguin slab chiller' }).first()).toBeVisible()
    await page.keyboard.press('Escape')
  })
  await test.step('a setting, and its row is the one that is marked', async () => {
    await open()
    await page.keyboard.type('seal pool planned')
    const setting = found
      .getByRole('option')
      .filter({ hasText: /Seal pool, A1, planned/ })
      .first()
    await setting.click()
    await expect(page).toHaveURL(/set\/keying\?code=/)
    const code = new URL(page.url()).searchParams.get('code')!
    if (phone) await expect(page.getByRole('main')).toContainText(code)
    else await expect(page.locator('tr[aria-current="true"]')).toHaveAttribute('data-code', code)
  })
  await test.step('a calculator, by its arrow key', async () => {
    await open()
    await page.keyboard.type('relay life')
    await found.getByRole('option').filter({ hasText: 'Relay life' }).first().click()
    await expect(page).toHaveURL(/calculators\/cycling\.relayLife/)
  })
  await test.step('what was done, in the log', async () => {
    await open()
    await page.keyboard.type('survey answered')
    await expect(
      found
        .getByRole('option')
        .filter({ hasText: /no\. \d+/ })
        .first(),
    ).toBeVisible()
    await page.keyboard.press('Escape')
    await expect(found).toHaveCount(0)
  })
  await test.step('nothing by nonsense', async () => {
    await open()
    await page.keyboard.type('zzqqxx <b>')
    await expect(found).toContainText('Nothing by these words')
  })
})

test('from the first screen a job, a device or a calculator is found', async ({ page, server }) => {
  await page.goto(server.url)
  await page.getByRole('button', { name: 'Find anything' }).click()
  const found = page.getByRole('dialog', { name: 'Find anything' })
  const field = page.getByRole('combobox', { name: 'Find anything' })
  await field.fill('dipper')
  await expect(found.getByRole('option').filter({ hasText: 'Dipper' }).first()).toBeVisible()
  await expectAccessible(page, 'find on the first screen')
  await field.fill('wildlife')
  await expect(found.getByRole('option').first()).toContainText('Otterholm Wildlife Hospital')
  await page.keyboard.press('Enter')
  await expect(page.getByRole('heading', { name: '10 loops' })).toBeVisible()
})

test('what a quick hand types before the sheet is fetched is looked for, and is no key of the page', async ({
  page,
  server,
}) => {
  test.skip((page.viewportSize()?.width ?? 0) < 768, 'the keys are of the desk')
  let arrive: () => void = () => undefined
  const arrived = new Promise<void>((resolve) => (arrive = resolve))
  await page.route('**/assets/FindInJob-*.js', async (route) => {
    await arrived
    await route.continue()
  })
  await openLoop(page, server.url, 'Seal pool', 'set')
  const there = page.url()
  await page.keyboard.press('/')
  await page.keyboard.type('seal wi')
  arrive()
  const field = page.getByRole('combobox', { name: 'Find anything' })
  await expect(field).toBeFocused()
  await page.keyboard.type('re 3')
  await expect(field).toHaveValue('seal wire 3')
  await expect(page.getByRole('option').first()).toContainText('Wire 3')
  expect(page.url()).toBe(there)
})
