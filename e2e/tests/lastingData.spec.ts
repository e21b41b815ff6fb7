import { addLoop, celsius, expect, fill, part, saved, startJob, survey, test } from '../fixtures'
import { startServer } from '../server'

test('killing the server in the middle of typing loses nothing that was shown as saved, nor what was typed after', async ({
  page,
  server,
}) => {
  await startJob(page, server.url)
  await addLoop(page)
  await survey(page, celsius)
  await saved(page)
  const { port } = new URL(server.url)
  await server.kill()

  // Typed without a server: shown, and said not to be saved.
  await part(page, 'The room')
  await fill(page, 'Design outdoor', '-12')
  await fill(page, 'Floor area', '40')
  await expect(page.getByRole('status').filter({ hasText: /waits? here/ })).toBeVisible()
  await expect(page.locator('[data-saved="true"]')).toHaveCount(0)

  const again = await startServer(server.folder, { port: Number(port) })
  try {
    await saved(page)
    await page.reload()
    for (const [where, label, value] of [
      ['What it must hold', 'Target', '28.0'],
      ['What it must hold', 'May stray by', '1.0'],
      ['The room', 'Design outdoor', '−12.0'],
      ['The room', 'Floor area', '40.0'],
      ['The floor', 'Supply water', '43.0'],
    ] as const) {
      await part(page, where)
      await expect(page.getByLabel(label, { exact: true })).toHaveValue(value)
    }
    const jobId = /jobs\/([\w-]+)/.exec(page.url())![1]!
    const log = (await (await page.request.get(`${server.url}/api/jobs/${jobId}/log`)).json()) as {
      rows: { sequence: number; previousHash: string; hash: string }[]
    }
    log.rows.forEach((row, i) => {
      if (i + 1 < log.rows.length) expect(row.previousHash).toBe(log.rows[i + 1]!.hash)
    })
  } finally {
    await again.stop()
  }
})

test('a change made while the server is away is sent after a reload of the page, once', async ({
  page,
  server,
  context,
}) => {
  await startJob(page, server.url)
  await addLoop(page)
  await saved(page)
  await context.route('**/commands', (route) => route.abort())
  await fill(page, 'Target', '26')
  await expect(page.getByRole('status').filter({ hasText: /waits? here/ })).toBeVisible()
  await page.reload()
  await expect(page.getByLabel('Target', { exact: true })).toHaveValue('26.0')
  await context.unroute('**/commands')
  await saved(page)
  const jobId = /jobs\/([\w-]+)/.exec(page.url())![1]!
  const log = (await (await page.request.get(`${server.url}/api/jobs/${jobId}/log`)).json()) as { total: number }
  expect(log.total).toBe(3)
})

test('a disk that is full is said in words where it is saved, typing goes on, and it goes on by itself when there is room', async ({
  page,
  server,
}) => {
  await startJob(page, server.url)
  await addLoop(page)
  await saved(page)
  const { port } = new URL(server.url)
  await server.stop()
  // A server that must keep more room free than any disk has.
  const full = await startServer(server.folder, { port: Number(port), env: { NACHTIGAL_LEAST_FREE_MB: '1000000000' } })
  await fill(page, 'Target', '26')
  await fill(page, 'May stray by', '2')
  const cell = page.getByRole('button', { name: 'Server disk full: 2 wait here' })
  await cell.click()
  const said = page.getByRole('dialog', { name: 'Server disk full' })
  await expect(said).toContainText('The disk of the server is full; what you type waits on your device.')
  await expect(said).toContainText('2 changes wait here. You can go on')
  await page.keyboard.press('Escape')
  await full.stop()
  const again = await startServer(server.folder, { port: Number(port) })
  try {
    await saved(page)
    await page.reload()
    await expect(page.getByLabel('Target', { exact: true })).toHaveValue('26.0')
    await expect(page.getByLabel('May stray by', { exact: true })).toHaveValue('2.0')
  } finally {
    await again.stop()
  }
})

test('a second server on the same folder is refused and told who has it; asked to end, the first one closes cleanly', async ({
  server,
}) => {
  await expect(startServer(server.folder)).rejects.toThrow(/is in use by process \d+/)
  expect(await server.stop()).toBe(0)
  const again = await startServer(server.folder)
  expect(await again.stop()).toBe(0)
})

test('what another device changes is seen at once, without a reload', async ({ page, server, context }) => {
  await startJob(page, server.url)
  await addLoop(page)
  await fill(page, 'Target', '26')
  await saved(page)
  const other = await context.newPage()
  await other.goto(page.url())
  await expect(other.getByLabel('Target', { exact: true })).toHaveValue('26.0')
  await fill(other, 'Target', '30')
  await expect(page.getByLabel('Target', { exact: true })).toHaveValue('30.0')
  await fill(page, 'Target', '27')
  await expect(other.getByLabel('Target', { exact: true })).toHaveValue('27.0')
  await saved(page)
  await saved(other)
})

test('two who change the same value see both sides and settle it', async ({ page, server, context }) => {
  // This page hears of nothing, as one that was out of reach for a while.
  await page.route('**/changes', (route) => route.abort())
  await startJob(page, server.url)
  await addLoop(page)
  await fill(page, 'Target', '26')
  await saved(page)
  const other = await context.newPage()
  await other.goto(page.url())
  await expect(other.getByLabel('Target', { exact: true })).toHaveValue('26.0')
  await fill(other, 'Target', '30')
  await saved(other)
  await fill(page, 'Target', '27')
  await page.getByRole('button', { name: /to settle/ }).click()
  const sheet = page.getByRole('dialog')
  await expect(sheet).toContainText('30.0 °C')
  await expect(sheet).toContainText('27.0 °C')
  await sheet.getByRole('button', { name: 'Put mine' }).click()
  await saved(page)
  await expect(page.getByLabel('Target', { exact: true })).toHaveValue('27.0')
})
