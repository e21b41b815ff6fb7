import { readFileSync } from 'node:fs'
import type { Page } from '@playwright/test'
import { expect, expectAccessible, fill, openLoop, saved, setPart, test } from '../fixtures'

const point = async (page: Page, id: string) =>
  parseFloat((await page.locator(`[data-consequence="${id}"] dd`).innerText()).replace('\u2212', '-'))

/** Drags a handle of the drawing by its name. */
async function drag(page: Page, name: string | RegExp, dx: number, dy: number) {
  // By its grip: the middle of a handle with its words may be bare paper.
  const handle = page.getByRole('slider', { name }).first()
  const box = (await handle.locator('rect, circle').first().boundingBox())!
  const [x, y] = [box.x + box.width / 2, box.y + box.height / 2]
  await page.mouse.move(x, y)
  await page.mouse.down()
  await page.mouse.move(x + dx / 2, y + dy / 2, { steps: 3 })
  await page.mouse.move(x + dx, y + dy, { steps: 3 })
  await page.mouse.up()
}

/** The main instrument of each demo loop: a handle to drag and to key, a field to type into, and what it then says. */
const loops = [
  { loop: 'Hatchling floor', handle: 'Cut-in', by: [0, 30], field: 'Swing', typed: '2', shown: ['on', '26.0'] },
  {
    loop: 'Clinic boiler',
    handle: 'Warm point',
    by: [-30, -20],
    field: 'Design supply',
    typed: '60',
    shown: ['ratio', '0.'],
  },
  { loop: 'Seal pool', handle: 'Cut-in', by: [0, 20], field: 'Setpoint', typed: '15', shown: ['on', '14.'] },
  {
    loop: 'Quarantine room',
    handle: 'Full speed',
    by: [30, 0],
    field: 'Warm over',
    typed: '23',
    shown: ['full-warm', '.'],
  },
  { loop: 'Filtration cabinet', handle: 'Cut-in', by: [0, -20], field: 'Swing', typed: '5', shown: ['off', '35.0'] },
  {
    loop: 'Isolation room',
    handle: 'Both switching points',
    by: [0, -120],
    field: 'Setpoint',
    typed: '20',
    shown: ['on', '19.'],
  },
  { loop: 'Fish store', handle: 'Cut-in', by: [0, -20], field: 'Swing', typed: '3', shown: ['on', '3.5'] },
  {
    loop: 'Penguin slab chiller',
    handle: 'Stage 2, cut-in',
    by: [0, -20],
    field: 'Stage spacing',
    typed: '2',
    shown: ['off', '0.0'],
  },
  { loop: 'Plaster cabinet', handle: 'Full at', by: [-40, 0], field: 'Band', typed: '8', shown: ['full', '37.0'] },
  { loop: 'Rescue van', handle: 'Cut-in', by: [0, 30], field: 'Swing', typed: '3', shown: ['off', '16.0'] },
] as const

test.describe('the demo job', () => {
  test.use({ demo: true })

  test('all ten loops are set: changed by drag, by keys and by typing', async ({ page, server }) => {
    for (const { loop, handle, by, field, typed, shown } of loops)
      await test.step(loop, async () => {
        await openLoop(page, server.url, loop, 'set')
        const slider = page.getByRole('slider', { name: handle, exact: true })
        const before = await slider.getAttribute('aria-valuetext')
        await drag(page, handle, by[0], by[1])
        await expect(slider).not.toHaveAttribute('aria-valuetext', before!)
        const dragged = await slider.getAttribute('aria-valuetext')
        await slider.focus()
        await page.keyboard.press(by[0] === 0 ? 'Shift+ArrowUp' : 'Shift+ArrowRight')
        await expect(slider).not.toHaveAttribute('aria-valuetext', dragged!)
        await fill(page, field, typed)
        await expect(page.locator(`[data-consequence="${shown[0]}"]`)).toContainText(shown[1])
        await saved(page)
        await expectAccessible(page, `set, ${loop}`)
      })
  })

  test('four stages move by one drag; the sheet shows what changes; and it is taken back', async ({ page, server }) => {
    await openLoop(page, server.url, 'Penguin slab chiller', 'set')
    await page.getByRole('button', { name: 'Add a stage' }).click()
    await expect(page.getByRole('slider', { name: 'Stage 4, cut-in' })).toBeVisible()
    await page.getByRole('link', { name: 'Write the keying sheet' }).click()
    await page.getByRole('button', { name: 'Everything else is as planned' }).click()
    await expect(page.getByText('All is keyed and told.')).toBeVisible()
    await setPart(page, 'Switching points')
    await drag(page, 'Setpoint, all stages', 0, -40)
    const moved = await point(page, 'off')
    expect(moved).toBeGreaterThan(-2)
    await page.getByRole('link', { name: 'Write the keying sheet' }).click()
    await page.getByRole('checkbox', { name: 'Only what is to be changed' }).click()
    for (const [i, code] of ['s1', 's2', 's3', 's4'].entries())
      await expect(page.locator(`tr[data-code="${code}"]`)).toContainText((moved + i).toFixed(1).replace('-', '\u2212'))
    await expect(page.locator('tr[data-code]')).toHaveCount(4)
    await page.keyboard.press('Escape')
    await page.keyboard.press('Control+z')
    await expect(page.getByText('Nothing is to be changed.')).toBeVisible()
    await setPart(page, 'Switching points')
    expect(await point(page, 'off')).toBe(-2)
  })

  test('what was left otherwise wants a reason, which goes to the log', async ({ page, server }) => {
    await openLoop(page, server.url, 'Hatchling floor', 'set/keying')
    await fill(page, 'Swing, as left', '2.0')
    await expect(page.getByRole('listitem').filter({ hasText: 'Swing was left other than planned.' })).toBeVisible()
    await fill(page, 'Why Swing was left so', 'The pump clicked')
    await expect(page.getByRole('listitem').filter({ hasText: 'was left other than planned' })).toHaveCount(0)
    await saved(page)
    await page.goto(page.url().replace(/\/loops\/.*/, '/log'))
    await expect(page.getByRole('row').nth(1)).toContainText('The pump clicked')
  })

  test('keyed one after another: the path of keys, the next value large', async ({ page, server }) => {
    await openLoop(page, server.url, 'Clinic boiler', 'set/keying')
    await page.getByRole('button', { name: 'Key one after another' }).click()
    await expect(page.locator('[data-path]')).toContainText('hold LIST 6 s')
    await expect(page.locator('[data-value]')).toContainText('\u221214')
    await page.getByRole('button', { name: /^It shows/ }).click()
    await expect(page.locator('[data-path]')).toHaveText(/^NEXT/)
    await expect(page.getByText('2 of')).toBeVisible()
    await expectAccessible(page, 'one after another')
    const csv = await page.request.get(
      `${page.url().replace('/jobs/', '/api/jobs/').replace('/set/keying', '')}/keying.csv`,
    )
    expect(await csv.text()).toContain('cold.o')
  })

  test('a week is dragged, keyed, read from a calendar file and given as one', async ({ page, server }) => {
    await openLoop(page, server.url, 'Rescue van', 'set/week')
    await page.getByRole('button', { name: 'Add a period' }).click()
    const start = page.getByRole('slider', { name: 'Period 1, start' })
    await start.focus()
    await page.keyboard.press('ArrowRight')
    await expect(start).toHaveAttribute('aria-valuetext', '06:15')
    await drag(page, 'Period 1, run time', 60, 0)
    await expect(page.getByRole('slider', { name: 'Period 1, run time' })).not.toHaveAttribute(
      'aria-valuetext',
      '60 minutes',
    )
    await page.getByRole('button', { name: 'Saturday' }).click()
    await expect(page.getByText('Mon, Tue, Wed, Thu, Fri, Sat', { exact: true })).toBeVisible()
    const download = page.waitForEvent('download')
    await page.getByRole('button', { name: 'Calendar file', exact: true }).click()
    const ics = readFileSync(await (await download).path(), 'utf8')
    expect(ics).toMatch(/BYDAY=MO,TU,WE,TH,FR,SA/)
    await page.getByLabel('Calendar file to read').setInputFiles({
      name: '<b>week</b>.ics',
      mimeType: 'text/calendar',
      buffer: Buffer.from(ics.replace('BYDAY=MO,TU,WE,TH,FR,SA', 'BYDAY=SU')),
    })
    await expect(page.getByRole('status').filter({ hasText: '1 period from' })).toContainText('<b>week</b>')
    await expect(page.getByRole('group', { name: 'Period 1' })).toContainText('Sun')
    await page.getByLabel('Calendar file to read').setInputFiles({
      name: 'x.ics',
      mimeType: 'text/calendar',
      buffer: Buffer.from('nothing of the kind'),
    })
    await expect(page.getByRole('alert')).toContainText('no calendar file')
    await expect(page.getByRole('group', { name: 'Period 1' })).toContainText('Sun')
    await expectAccessible(page, 'week')
  })

  test('two periods that overlap are said and parted on purpose', async ({ page, server }) => {
    await openLoop(page, server.url, 'Rescue van', 'set/week')
    await page.getByRole('button', { name: 'Add a period' }).click()
    await fill(page, 'Runs for', '180')
    await page.getByRole('button', { name: 'Add a period' }).click()
    await page.getByLabel('Starts at').fill('08:00')
    await expect(page.getByText('Periods 1 and 2 share 300 min a week.')).toBeVisible()
    await page.getByRole('button', { name: 'End the first where the second starts' }).click()
    await expect(page.getByText(/share .* min a week/)).toHaveCount(0)
  })

  test('the offset follows from readings, and says when it is none', async ({ page, server }) => {
    await openLoop(page, server.url, 'Quarantine room', 'set/offset')
    await fill(page, 'Reference 1', '21.0')
    await fill(page, 'Display 1', '20.2')
    await expect(page.locator('[data-advice="offset"]')).toContainText('0.8')
    await page.getByRole('button', { name: /^Plan 0\.8/ }).click()
    await expect(page.getByRole('textbox', { name: 'Offset' })).toHaveValue('0.8')
    await fill(page, 'Reference 2', '30.0')
    await fill(page, 'Display 2', '35.0')
    await expect(page.locator('[data-advice="not-an-offset"]')).toBeVisible()
  })

  test('the other unit changes no behaviour', async ({ page, server }) => {
    await openLoop(page, server.url, 'Seal pool', 'set')
    const set = page.getByRole('textbox', { name: 'Setpoint', exact: true })
    const celsius = Number(await set.inputValue())
    await page.keyboard.press('u')
    await expect(set).toHaveValue(((celsius * 9) / 5 + 32).toFixed(1))
    await page.keyboard.press('u')
    await expect(set).toHaveValue(celsius.toFixed(1))
  })
})

test('a cooling loop of four stages goes from nothing to its keying sheet by keyboard in under two minutes', async ({
  page,
  server,
}) => {
  await page.goto(server.url)
  const form = page.getByRole('form', { name: 'New job' })
  await expect(form).toBeVisible()
  const begun = Date.now()
  /** Goes to a thing as a keyboard does, and says so when no Tab leads there. */
  const tabTo = async (wanted: ReturnType<Page['locator']>) => {
    const here = wanted.first()
    await expect(here).toBeVisible()
    for (let i = 0; i < 120; i++) {
      if (await here.evaluate((element) => element === document.activeElement)) return
      await page.keyboard.press('Tab')
    }
    throw new Error('no Tab leads there')
  }
  const type = async (label: string | RegExp, text: string) => {
    await tabTo(page.getByRole('textbox', { name: label }))
    await page.keyboard.press('Control+a')
    await page.keyboard.type(text)
    await page.keyboard.press('Enter')
  }
  const enter = async (wanted: ReturnType<Page['locator']>) => {
    await tabTo(wanted)
    await page.keyboard.press('Enter')
  }
  await tabTo(form.getByLabel('Name', { exact: true }))
  await page.keyboard.type('Ice hall')
  await tabTo(form.getByLabel('Your name, for the log'))
  await page.keyboard.type('Ilse Farn')
  await enter(form.getByRole('button', { name: 'Start the job' }))
  const loop = page.getByRole('form', { name: 'New loop' })
  await tabTo(loop.getByRole('radio', { name: 'warm floor' }))
  await page.keyboard.press('Space')
  const chiller = loop.getByRole('radio', { name: 'chiller' })
  for (let i = 0; i < 10 && !(await chiller.isChecked()); i++) await page.keyboard.press('ArrowDown')
  await tabTo(loop.getByLabel('Name', { exact: true }))
  await page.keyboard.type('Slab')
  await enter(loop.getByRole('button', { name: 'Add the loop' }))
  await expect(page.getByRole('navigation', { name: 'Parts of the survey' })).toBeVisible()
  await page.keyboard.press('2')
  await enter(page.getByRole('list', { name: 'Links of the chain' }).getByRole('button', { name: /^Controller/ }))
  await tabTo(page.getByLabel(/^Find an? .* on the shelf/))
  await page.keyboard.type('Curlew')
  await tabTo(page.getByRole('radio', { name: /Curlew/ }))
  await page.keyboard.press('Space')
  await expect(page.getByRole('radio', { name: /Curlew/ }).first()).toHaveAttribute('aria-checked', 'true')
  await page.keyboard.press('4')
  await expect(page.getByRole('slider', { name: 'Stage 4, cut-in' })).toBeVisible()
  await type('First setpoint', '-6')
  await type('Stage spacing', '1')
  await type('Swing, all', '1.5')
  await enter(page.getByRole('link', { name: 'Write the keying sheet' }))
  await expect(page.getByRole('heading', { name: /Key into A1 Curlew/ })).toBeVisible()
  for (const [code, planned] of [
    ['s1', '\u22126.0'],
    ['s4', '\u22123.0'],
    ['w1', '1.5'],
  ] as const)
    await expect(page.locator(`tr[data-code="${code}"]`)).toContainText(planned)
  expect(Date.now() - begun).toBeLessThan(120_000)
})
