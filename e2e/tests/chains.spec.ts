import { expect, type Page } from '@playwright/test'
import { saved, test } from '../fixtures'
import { anotherDevice, chooseDevice, chooseKind, openLink, pick, press, type } from '../keyboard'

test.skip(({ page }) => (page.viewportSize()?.width ?? 0) < 768, 'keys belong to the desk')

/** From the first screen to the survey of an empty loop, without a mouse. */
async function emptyLoop(page: Page, url: string, kind: RegExp, name: string) {
  await page.goto(url)
  await type(page, 'Name', 'By hand')
  await type(page, 'Your name, for the log', 'Ilse Farn')
  await expect(page.getByRole('heading', { name: 'No loop yet' })).toBeVisible()
  await chooseKind(page, kind)
  await type(page, 'Name', name)
  await expect(page.getByRole('navigation', { name: 'Parts of the survey' })).toBeVisible()
}

/** Tabs to a group of radios and chooses one of them. */
async function school(page: Page, name: RegExp) {
  for (let i = 0; i < 60; i++) {
    await page.keyboard.press('Tab')
    const isRadio = await page.evaluate(
      () => document.activeElement instanceof HTMLInputElement && document.activeElement.type === 'radio',
    )
    if (!isRadio) continue
    for (let down = 0; down < 4; down++) {
      const label = await page.evaluate(
        () => (document.activeElement as HTMLInputElement).labels?.[0]?.textContent ?? '',
      )
      if (name.test(label)) {
        await page.keyboard.press('Space')
        return
      }
      await page.keyboard.press('ArrowDown')
    }
  }
  throw new Error(`${name} is not reached`)
}

const connection = (page: Page, name: string) =>
  page.getByRole('complementary').getByRole('button', { name, exact: true })

test('a pool heater with a dry input, its probe in the pipe, flow switch and isolating relay, by keys alone', async ({
  page,
  server,
}) => {
  await emptyLoop(page, server.url, /^pool/, 'Seal pool')
  await test.step('survey', async () => {
    await pick(page, 'Who touches the water', 'Animals')
    await type(page, 'Target', '14')
    await type(page, 'May stray by', '0.5')
    await press(page, /^Next: the place/)
    await type(page, 'Water surface', '60')
    await type(page, 'Water', '90')
    await pick(page, 'Where it lies', 'Outdoors, sheltered')
    await type(page, 'Air over the water, coldest', '-8')
    await press(page, /^Next: the plant/)
    await pick(page, 'Heated by', 'A heater')
    await press(page, /^Next: how to go about it/)
    await school(page, /The heater calls the pump/)
    await press(page, /^Proposal/)
    await expect(page.getByText('On and off, with flow switch')).toBeVisible()
  })
  await test.step('match: what is wrong is told, and mended by its own remedy', async () => {
    await page.keyboard.press('2')
    await chooseDevice(page, 'Supply', 'circuit 16', /Circuit 16 A, 30 mA/)
    await anotherDevice(page, 'supply', 'safety transformer 50', /Safety transformer 24 V AC, 50 VA/)
    await chooseDevice(page, 'Controller', 'redstart', /Redstart/)
    await chooseDevice(page, 'Probe', 'pocket 3977', /Pocket probe 3977/)
    await chooseDevice(page, 'Load', 'gas pool', /Gas pool heater/)
    await expect(connection(page, 'A1 to E1: does not fit')).toBeVisible()
    await press(page, /^Put Isolating relay, 24 V AC between/, 200)
    await expect(connection(page, 'A1 to K1: fits')).toBeVisible()
    await expect(page.getByText('No flow switch before E1.')).toBeVisible()
    await press(page, /^Put Flow switch, gold between/, 200)
    await expect(connection(page, 'K1 to S1: fits')).toBeVisible()
    await expect(connection(page, 'S1 to E1: fits')).toBeVisible()
    await expect(page.getByText('No flow switch before E1.')).toHaveCount(0)
    await expect(
      page.getByRole('navigation', { name: 'Chain' }).getByRole('button', { name: /^E1 Gas pool heater,/ }),
    ).toBeVisible()
  })
  await test.step('the wire list follows', async () => {
    await page.keyboard.press('Escape')
    await page.keyboard.press('3')
    await expect(page.getByRole('button', { name: /E1 T1 to K1 1/ })).toBeVisible()
    await expect(page.getByRole('button', { name: /S1 2 to E1 T2/ })).toBeVisible()
    await saved(page)
  })
})

test('a fan by temperature and humidity with its backup, by keys alone', async ({ page, server }) => {
  await emptyLoop(page, server.url, /^fan/, 'Quarantine room')
  await test.step('survey', async () => {
    await pick(page, 'Who lives on this air', 'Animals')
    await type(page, 'Target', '22')
    await type(page, 'May stray by', '3')
    await type(page, 'Humidity over which it goes faster', '70')
    await press(page, /^Next: the place/)
    await type(page, 'Floor area', '24')
    await pick(page, 'Insulation', 'Fair')
    await type(page, 'Warmest outdoor air', '18')
    await press(page, /^Next: the plant/)
    await pick(page, 'Fan is', 'Fan with')
    await press(page, /^Hazards/)
    await press(page, /^Tick the \d+ proposed/)
    await expect(page.getByRole('checkbox', { name: /Somebody lives on this air/ })).toBeChecked()
  })
  await test.step('match', async () => {
    await page.keyboard.press('Escape')
    await page.keyboard.press('2')
    await chooseDevice(page, 'Supply', 'circuit 10', /Circuit 10 A/)
    await chooseDevice(page, 'Controller', 'swift', /Swift/)
    await chooseDevice(page, 'Probe', 'air probe short', /Air probe, short/)
    await chooseDevice(page, 'Load', 'fan electronics pulse', /Fan with electronics, pulse/)
    await expect(connection(page, 'A1 to M1: does not fit')).toBeVisible()
    // The link turns the output into what this fan takes.
    await press(page, /^Set “Link J1” of A1 to pulse width/, 200)
    await expect(connection(page, 'A1 to M1: fits')).toBeVisible()
    await expect(page.getByText('Animals on forced air, and one controller alone.')).toBeVisible()
    await chooseDevice(page, 'Transmitter', 'humidity 0', /Humidity transmitter 0–10 V/)
    await openLink(page, 'Supply')
    await anotherDevice(page, 'supply', 'safety transformer small', /Safety transformer, small/)
    await expect(connection(page, 'B2 to A1: fits')).toBeVisible()
    await openLink(page, 'Controller')
    await anotherDevice(page, 'controller', 'lapwing', /Lapwing/)
    await openLink(page, 'Load')
    await anotherDevice(page, 'load', 'fan on and off', /Fan, on and off/)
    await expect(connection(page, 'A2 to M2: fits')).toBeVisible()
    await expect(page.getByText('Animals on forced air, and one controller alone.')).toHaveCount(0)
    await expect(page.getByRole('note', { name: 'Cautions' })).toContainText('Never off, never failing off')
    await saved(page)
  })
})
