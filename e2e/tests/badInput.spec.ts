import {
  addLoop,
  celsius,
  choose,
  expect,
  fill,
  matchedFloor,
  saved,
  startJob,
  survey,
  test,
  toStep,
} from '../fixtures'

test('what has the wrong shape is refused by name and stays in the field; the log does not get it', async ({
  page,
  server,
}) => {
  await matchedFloor(page, server.url)
  await toStep(page, 'Set')
  await saved(page)
  const jobId = /jobs\/([\w-]+)/.exec(page.url())![1]!
  const revision = async () =>
    ((await (await page.request.get(`${server.url}/api/jobs/${jobId}`)).json()) as { revision: number }).revision
  const before = await revision()

  for (const [typed, message] of [
    ['0', /Swing is 0\sK: it takes over 0\.0\sK/],
    ['-15', /Swing is -15\sK: it takes over/],
    ['wide', /Swing is “wide”: it takes over/],
    ['', /Swing is empty/],
  ] as const) {
    await fill(page, 'Swing', typed)
    await expect(page.getByRole('alert')).toHaveText(message)
    await expect(page.getByRole('textbox', { name: 'Swing', exact: true })).toHaveValue(typed)
  }
  await fill(page, 'Setpoint', 'warm')
  await expect(page.getByRole('alert').filter({ hasText: 'Setpoint is “warm”' })).toBeVisible()
  expect(await revision()).toBe(before)

  // What was typed survives a reload, still refused, still not in the log.
  await page.reload()
  await expect(page.getByRole('textbox', { name: 'Setpoint', exact: true })).toHaveValue('warm')
  await expect(page.getByRole('alert').filter({ hasText: 'Setpoint is “warm”' })).toBeVisible()
  expect(await revision()).toBe(before)

  // Comma and point are both a decimal mark.
  await fill(page, 'Setpoint', '28,5')
  await expect(page.getByRole('textbox', { name: 'Setpoint', exact: true })).toHaveValue('28.5')
  await saved(page)
  expect(await revision()).toBe(before + 1)
})

test('what is only implausible is taken and becomes a finding', async ({ page, server }) => {
  await startJob(page, server.url)
  await addLoop(page)
  await survey(page, celsius)
  await toStep(page, 'Match')
  await choose(page, 'Controller', 'Dipper')
  await expect(page.getByText('No probe yet.')).toBeVisible()
  await toStep(page, 'Set')
  await fill(page, 'Setpoint', '45')
  await expect(page.getByText('Setpoint lies outside its limits.')).toBeVisible()
  await fill(page, 'Swing', '60')
  await expect(page.getByText('Swing is wider than the limits.')).toBeVisible()
  await saved(page)
})

test('names from a hostile hand are text and nothing else', async ({ page, server }) => {
  const name = '<img src=x onerror="document.title=\'taken\'">'
  await startJob(page, server.url, { name })
  await page.goto(server.url)
  await expect(page.getByText(name)).toBeVisible()
  expect(await page.title()).toBe('Nachtigal')
})
