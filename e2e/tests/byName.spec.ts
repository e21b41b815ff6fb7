import { expect, type Page } from '@playwright/test'
import { addLoop, saved, startJob, test } from '../fixtures'

/**
 * One loop from an empty job to its open hand-over, by what a reader tells alone: every thing is found by its role and its name,
 * everything that follows from it is read in a name, a heading or a status.
 */
test('a loop is walked from survey to hand-over by the names that a reader tells', async ({ page, server }) => {
  test.setTimeout(150_000)
  const main = page.getByRole('main')
  const step = async (name: string) => {
    await page.getByRole('navigation', { name: 'Steps' }).getByRole('link', { name }).click()
    await expect(page.getByRole('heading', { level: 1, name: new RegExp(`${name}$`) })).toBeVisible()
  }
  await startJob(page, server.url)
  await addLoop(page, 'Fawn room', 'room')

  await test.step('survey: each part says what it waits for', async () => {
    const parts = page.getByRole('navigation', { name: 'Parts of the survey' })
    await expect(parts.getByRole('button', { name: /^What it must hold, \d to answer$/ })).toBeVisible()
    await answer(page, 'Target', '20')
    await answer(page, 'May stray by', '1.5')
    await main.getByRole('combobox', { name: 'Mains at hand' }).selectOption('230')
    await expect(parts.getByRole('button', { name: /^What it must hold, 3 of 4 answered$/ })).toBeVisible()
    await page.getByRole('link', { name: /^Next: / }).click()
    // Whatever else it says it waits for, by its name; the place would be assumed.
    for (const part of ['The place', ...(await waiting(parts))]) {
      await parts.getByRole('button', { name: new RegExp(`^${part},`) }).click()
      await answerAll(page, part)
      if (part === 'The place') {
        await answer(page, 'Design outdoor', '-10')
        await answer(page, 'Floor area', '20')
      }
    }
    await parts.getByRole('button', { name: /^Proposal, ready$/ }).click()
    await main.getByRole('button', { name: 'Start with this chain' }).click()
  })

  await test.step('match: every connection has its verdict in its name', async () => {
    await expect(page.getByRole('heading', { level: 1, name: /2 Match$/ })).toBeVisible({ timeout: 90_000 })
    const connections = main.getByRole('region', { name: 'Connections' }).getByRole('button', { name: / to .*: fits$/ })
    await expect(connections.first()).toBeVisible()
    const links = main.getByRole('list', { name: 'Links of the chain' })
    await expect(links.getByRole('button', { name: /^Controller A1 .* fits$/ })).toBeVisible()
    await main.getByRole('link', { name: 'Make the wire list' }).click()
  })

  await test.step('wire: landed by a tick, measured in a field, judged in a name', async () => {
    const wires = main.getByRole('table', { name: 'Wires' })
    await wires.getByRole('checkbox', { name: 'Wire 1 landed' }).check()
    await expect(wires.getByRole('row', { name: /^Wire 1, / })).toBeVisible()
    await wires.getByRole('button', { name: /^Wire 1, / }).click()
    await answer(page, 'Meter reads', '0.1')
    await expect(wires.getByRole('img', { name: /^Wire 1 / })).not.toHaveAccessibleName('Wire 1 not tested')
    await main
      .getByRole('navigation', { name: 'Parts of wiring' })
      .getByRole('link', { name: 'Dead tests', exact: true })
      .click()
    await main.getByRole('button', { name: /^waits Switch X1 off and lock it$/ }).click()
    await main
      .getByRole('region', { name: /^Switch X1/ })
      .getByRole('button', { name: 'Done', exact: true })
      .click()
    await expect(main.getByRole('button', { name: /^fits Switch X1 off and lock it/ })).toBeVisible()
  })

  await test.step('set: by the arrows on a named handle, told in degrees', async () => {
    await step('Set')
    const setpoint = main.getByRole('slider', { name: 'Setpoint', exact: true })
    await expect(setpoint).toBeVisible()
    const before = await main.getByRole('textbox', { name: 'Setpoint', exact: true }).inputValue()
    await setpoint.focus()
    await page.keyboard.press('ArrowUp')
    await expect(main.getByRole('textbox', { name: 'Setpoint', exact: true })).not.toHaveValue(before)
    await expect(main.getByRole('button', { name: /^Switches on at .* open the calculation$/ })).toBeVisible()
    await main.getByRole('link', { name: 'Write the keying sheet' }).click()
    const keyed = main.getByRole('checkbox', { name: /keyed as planned$/ }).first()
    const name = await keyed.getAttribute('aria-label')
    await keyed.check()
    await expect(main.getByRole('checkbox', { name: name! })).toBeChecked()
  })

  await test.step('try: the strip names what it shows, the verdict is said', async () => {
    await step('Try')
    await expect(main.getByRole('slider', { name: /^Design day: .* starts?\./ })).toBeVisible({ timeout: 60_000 })
    await expect(main.getByRole('table', { name: 'What ran' }).getByRole('rowheader').first()).toBeVisible()
    await main.getByRole('link', { name: 'Prove it' }).click()
  })

  await test.step('prove: a test is opened, a step answered, the verdict said', async () => {
    await main.getByRole('link', { name: 'Begin' }).click()
    await expect(main.getByRole('heading', { name: /^Step 1 of \d+$/ })).toBeVisible()
    await expect(main.getByRole('status', { name: 'Verdict' })).toBeVisible()
  })

  await test.step('hand over: what keeps it shut is a list', async () => {
    await step('Hand over')
    const shut = main.getByRole('list', { name: 'Keeps it shut' }).getByRole('listitem')
    await expect(shut.first()).toBeVisible()
    const count = await shut.count()
    await main.getByRole('checkbox', { name: 'Test certificates are with it' }).check()
    await expect(shut).toHaveCount(count - 1)
    await expect(main.getByRole('link', { name: 'As-left sheet (PDF)' })).toBeVisible()
  })
  await saved(page)
})

async function answer(page: Page, name: string, text: string) {
  const field = page.getByRole('main').getByRole('textbox', { name, exact: true })
  await field.fill(text)
  await field.press('Enter')
}

/** The parts that say how much they wait for. */
async function waiting(parts: ReturnType<Page['getByRole']>) {
  const names = await parts.getByRole('button', { name: /, \d+ (to answer|proposed)$/ }).allInnerTexts()
  return names.map((name) => name.split('\n')[0]!)
}

/** Gives every field of a part that has no answer yet one that it takes: the first choice, a figure that is likely. */
async function answerAll(page: Page, part: string) {
  const region = page.getByRole('main').getByRole('region', { name: part })
  await expect(region).toBeVisible()
  for (const box of await region.getByRole('checkbox').all()) if (!(await box.isChecked())) await box.check()
  for (const list of await region.getByRole('combobox').all())
    if ((await list.inputValue()) === '') await list.selectOption({ index: 1 })
}
