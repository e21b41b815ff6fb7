import { readFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import path from 'node:path'
import { expect, expectAccessible, fill, matchedFloor, openTest, saved, test, toStep, setPart } from '../fixtures'

test('a wire over its limit, or open, stops the loop until a better reading is typed', async ({ page, server }) => {
  await matchedFloor(page, server.url)
  await toStep(page, 'Wire')
  const rail = page.getByRole('navigation', { name: 'Steps' }).getByRole('link', { name: /Wire/ })
  await page.getByRole('button', { name: /^Wire 3,/ }).click()
  await page.getByRole('checkbox', { name: 'Wire 3 landed' }).click()
  await page.getByText(/^Length, section, label, note/).click()
  await fill(page, 'Length', '6')
  await fill(page, 'Meter reads', '4.7')
  await expect(page.getByRole('alert')).toContainText('Not proved, do not energise.')
  await expect(page.getByRole('alert')).toContainText(/Over 0\.\d\d\sohm/)
  await expect(page.getByRole('img', { name: 'Wire 3 failed its test' })).toBeVisible()
  await expectAccessible(page, 'wire that failed')
  await page.getByRole('button', { name: 'Meter shows over-range' }).click()
  await expect(page.getByRole('alert')).toContainText('The wire is open.')
  await fill(page, 'Label', 'W3')
  await fill(page, 'Note', 'Second core of the cable')
  await expect(page.getByRole('row').filter({ hasText: 'W3' })).toHaveCount(1)
  await toStep(page, 'Hand over')
  await expect(page.getByRole('complementary')).toContainText('Wire 3 failed its test. Mend it first.')
  await toStep(page, 'Wire')
  await page.getByRole('button', { name: /^Wire 3,/ }).click()
  await fill(page, 'Meter reads', '0,2')
  await expect(page.getByRole('img', { name: 'Wire 3 tested' })).toBeVisible()
  await expect(rail).toContainText('1 of 10 landed')
  // What the screen says is what a reload finds.
  await saved(page)
  await page.reload()
  await expect(page.getByRole('textbox', { name: 'Meter reads' })).toHaveValue('0,2')
  await expect(page.getByText(/^Length, section, label, note/)).toContainText('Second core of the cable')
})

test('a plain finding is closed with a reason and a name; the log takes the closing back', async ({ page, server }) => {
  await matchedFloor(page, server.url)
  await toStep(page, 'Set')
  await setPart(page, 'Offset')
  await fill(page, 'Offset', '2.4')
  const finding = page.getByRole('listitem').filter({ hasText: 'Offset is large.' })
  await finding.getByRole('button', { name: 'Not applicable' }).click()
  const form = page.getByRole('dialog', { name: 'Close this finding' })
  await form.getByRole('button', { name: /^Close it/ }).click()
  await expect(form.getByRole('alert')).toContainText('Say why first')
  await form.getByLabel('Not applicable, because').fill('Long lead, measured with the reference')
  await form.getByRole('button', { name: 'Close it; it is printed' }).click()
  await expect(finding).toHaveCount(0)
  await saved(page)
  await page.goto(page.url().replace(/\/loops\/.*/, '/log'))
  const row = page.getByRole('row').nth(1)
  await expect(row).toContainText('Finding closed open to Long lead, measured with the reference')
  await row.getByRole('button', { name: /^Undo/ }).click()
  await page
    .getByRole('navigation', { name: 'Loops' })
    .getByRole('link', { name: /Hatchling floor/ })
    .click()
  await toStep(page, 'Set')
  await expect(page.getByRole('listitem').filter({ hasText: 'Offset is large.' })).toBeVisible()
})

test('a reading that does not repeat says replace; a step without a switching says look', async ({ page, server }) => {
  await matchedFloor(page, server.url)
  await toStep(page, 'Prove')
  await openTest(page, /Commanded\? Answered\?/)
  await page.getByRole('button', { name: 'Yes' }).click()
  await page.getByRole('button', { name: 'Next step' }).click()
  await page.getByRole('button', { name: 'No', exact: true }).click()
  await expect(page.getByRole('status', { name: 'Verdict' })).toContainText('Commanded, not answered')
  await openTest(page, /Rise and fall/)
  const read = async (step: number, text: string) => {
    await page.getByRole('button', { name: new RegExp(`^Step ${step},`) }).click()
    await fill(page, step % 2 === 1 ? 'Reads when it goes off' : 'Reads when it goes on', text)
  }
  for (const [i, text] of ['28.0', '27.0', '29.4', '27.0'].entries()) await read(i + 1, text)
  const verdict = page.getByRole('status', { name: 'Verdict' })
  await expect(verdict).toContainText('Replace: it does not repeat')
  await expect(verdict).toContainText(/1\.40\sK apart; 1\.00\sK is allowed/)
  await page.getByRole('button', { name: /^Step 3,/ }).click()
  await page.getByRole('button', { name: 'Does not switch' }).click()
  await expect(verdict).toContainText('It does not switch')
  await read(3, '28.1')
  await expect(verdict).toHaveAttribute('data-verdict', 'good')
})

test('a job file goes from one bench to another by the page; what is none is refused by name', async ({
  page,
  server,
}) => {
  await matchedFloor(page, server.url)
  await saved(page)
  await page.getByRole('link', { name: 'Board' }).click()
  const download = page.waitForEvent('download')
  await page.getByRole('link', { name: 'Job file' }).click()
  const file = path.join(tmpdir(), `nachtigal-e2e-${process.pid}.json`)
  await (await download).saveAs(file)
  const job = JSON.parse(readFileSync(file, 'utf8')) as { job: { name: string; id: string }; log: unknown[] }
  expect(job.job.name).toBe('Hatchling house')

  await page.goto(server.url)
  const open = (name: string, content: string | Buffer) =>
    page
      .getByLabel('Job file', { exact: true })
      .setInputFiles({ name, mimeType: 'application/json', buffer: Buffer.from(content) })
  for (const [name, content, says] of [
    ['notes.json', 'not json', 'notes.json: this is no job file: it is not JSON'],
    ['other.json', '{"format":"spreadsheet"}', 'this is no job file: format is "spreadsheet"'],
    ['same.json', readFileSync(file), 'is here already; nothing was changed'],
  ] as const) {
    await open(name, content)
    await expect(page.getByRole('alert')).toContainText(says)
  }
  // On an empty bench it opens where it was left.
  const { startServer, freshFolder, removeFolder } = await import('../server')
  const folder = freshFolder()
  const other = await startServer(folder)
  try {
    await page.goto(other.url)
    await open('edited.json', readFileSync(file, 'utf8').replace('"Hatchling floor"', '"Somebody else\\u2019s floor"'))
    await expect(page.getByRole('alert')).toContainText('the log does not lead to the documents')
    await open('hatchling.json', readFileSync(file))
    await expect(page).toHaveURL(new RegExp(`/jobs/${job.job.id}$`))
    await page.getByRole('link', { name: 'Log' }).first().click()
    await expect(page.getByText(`${job.log.length} rows`)).toBeVisible()
  } finally {
    await other.stop()
    removeFolder(folder)
  }
})

test('night stays over a reload, a look in the other unit does not', async ({ page, server }) => {
  await matchedFloor(page, server.url)
  await toStep(page, 'Set')
  await saved(page)
  await page.getByRole('button', { name: 'Night' }).click()
  await page.getByRole('button', { name: /^Units: degrees Celsius/ }).click()
  await expect(page.getByRole('textbox', { name: 'Setpoint', exact: true })).toHaveValue('82.4')
  // A look changes nothing that is kept: the keying sheet stays in the job's unit.
  await page.getByRole('link', { name: 'Write the keying sheet' }).click()
  await expect(page.locator('tr[data-code="goal"]')).toContainText('28.0 °C')
  await page.reload()
  await expect(page.locator('html')).toHaveAttribute('data-theme', 'night')
  await expect(page.getByRole('button', { name: /^Units: degrees Celsius/ })).toBeVisible()
})
