import { buildSort, openLink, type Practice, type Sort } from '../buildSort'
import { expect, fill, openTest, saved, setPart, soundTest, test, toStep } from '../fixtures'

test.skip(({ page }) => (page.viewportSize()?.width ?? 0) < 768, 'a sort is built at the desk')
test.setTimeout(180_000)

for (const practice of ['europe', 'us'] as const satisfies readonly Practice[])
  test(`a motor on a drive that feeds its controller and is started by a thermostat, ${practice}`, async ({
    page,
    server,
  }) => {
    const us = practice === 'us'
    await buildSort(page, server.url, {
      kind: 'fan',
      practice,
      answers: [
        {
          part: 'What it must hold',
          choices: { 'Who lives on this air': 'Nobody' },
          figures: { Target: us ? '75' : '24', 'May stray by': us ? '4' : '2' },
        },
        { part: 'The plant', choices: { 'Fan is': 'Motor on a drive' } },
      ],
      devices: [
        ['Supply', us ? 'Circuit 20 A, 240 V' : 'Circuit 16 A, 30 mA'],
        ['Drive', us ? 'Bittern' : 'Gannet'],
        ['Probe', us ? 'Air probe 3977' : 'Air probe, short'],
        ['Controller', 'Linnet'],
        us ? ['Load', 'Fan motor 1 hp'] : ['Load', 'Fan motor 0.75 kW', '0.75 kW on a drive'],
        ['+Controller', 'Bunting'],
      ],
    })
    await saved(page)
    await test.step('what the plate says counts', async () => {
      await openLink(page, 'Load')
      await page.getByText(/Nameplate of M1/).click()
      await expect(page.getByRole('textbox', { name: 'Frequency', exact: true })).toHaveAttribute(
        'placeholder',
        us ? '60.0' : '50.0',
      )
      await fill(page, 'Current', us ? '3.6' : '2.9')
    })
    await test.step('the bridge of the commons is listed', async () => {
      await toStep(page, 'Wire')
      await expect(page.getByRole('button', { name: us ? /T1 C24 to T1 SPC/ : /T1 0V to T1 SGN/ })).toBeVisible()
    })
    await test.step('the plate stands on the keying sheet, and what goes past it is named with the way out', async () => {
      await toStep(page, 'Set')
      await setPart(page, 'Keying sheet')
      const row = (code: string) => page.locator(`tr[data-code="${code}"]`)
      await expect(row(us ? 'amps' : 'plate')).toContainText(us ? '3.6' : '2.9')
      await expect(row(us ? 'fast' : 'peak')).toContainText(us ? '60' : '50')
      await setPart(page, 'Other keys')
      await fill(page, 'Motor current', '6')
      await expect(page.getByText('Motor current of T1 goes past the plate of M1.')).toBeVisible()
      await page.getByRole('button', { name: /^Plan Motor current at/ }).click()
      await expect(page.getByText('Motor current of T1 goes past the plate of M1.')).toHaveCount(0)
    })
    await test.step('and it is tried and proved', async () => {
      await toStep(page, 'Try')
      await expect(page.locator('canvas').first()).toBeVisible()
      await toStep(page, 'Prove')
      for (const name of ['Dial test', 'Drive: slowest, fastest and which way', 'Modulating sweep'])
        await expect(page.getByRole('link', { name })).toBeVisible()
      await openTest(page, 'Drive: slowest, fastest and which way')
      await soundTest(page)
      await expect(page.getByRole('status', { name: 'Verdict' })).toHaveAttribute('data-verdict', 'good')
    })
  })

/** A cooling compressor by one thermostat, and one more device in its line. */
const cooler = (practice: Practice, permissive: string): Sort => {
  const us = practice === 'us'
  return {
    kind: 'just a thermostat',
    practice,
    answers: [
      {
        part: 'What it must hold',
        choices: { 'What it switches': 'A cooling compressor' },
        figures: { Target: us ? '50' : '10' },
      },
    ],
    devices: [
      ['Supply', us ? 'Circuit 20 A, 120 V' : 'Circuit 16 A, 30 mA'],
      ['Probe', us ? 'Air probe 3977' : 'Air probe, short'],
      ['Controller', us ? 'Towhee' : 'Dipper'],
      ['Load', us ? 'Cooling compressor, 120 V' : 'Cooling compressor, 230 V'],
      [us ? 'Interlock' : 'Permissive', permissive],
    ],
  }
}

for (const practice of ['europe', 'us'] as const satisfies readonly Practice[]) {
  test(`a cooler held off by its condensate switch, ${practice}`, async ({ page, server }) => {
    await buildSort(page, server.url, cooler(practice, 'Condensate switch'))
    await saved(page)
    await toStep(page, 'Wire')
    await expect(page.getByRole('button', { name: /S1 2 to M1/ }).first()).toBeVisible()
    await toStep(page, 'Prove')
    await openTest(page, /: condensate switch/)
    await page.getByRole('button', { name: /^Step 2,/ }).click()
    await expect(page.getByText(/Pour water from a bottle into the tray/).first()).toBeVisible()
    await soundTest(page)
    await expect(page.getByRole('status', { name: 'Verdict' })).toHaveAttribute('data-verdict', 'good')
  })
  test(`a wireless switch in a line, ${practice}`, async ({ page, server }) => {
    await buildSort(page, server.url, cooler(practice, 'Radio relay'))
    await saved(page)
    await test.step('left as it was without its radio, it is named and mended by a tap', async () => {
      await page.getByLabel(/^Radio lost/).selectOption({ label: 'stays' })
      await expect(page.getByText(/keeps M1 as it was when its radio is lost/)).toBeVisible()
      await page.getByRole('button', { name: /to opens/ }).click()
      await expect(page.getByText(/as it was when its radio is lost/)).toHaveCount(0)
    })
    await test.step('it is proved from the farthest place, and without its battery', async () => {
      await toStep(page, 'Prove')
      await openTest(page, /: radio relay/)
      await page.getByRole('button', { name: /^Step 3,/ }).click()
      await expect(page.getByText(/farthest place where it will be used/).first()).toBeVisible()
      await soundTest(page)
      await expect(page.getByRole('status', { name: 'Verdict' })).toHaveAttribute('data-verdict', 'good')
    })
  })
}
