import { addLoop, expect, expectAccessible, fill, saved, startJob, test } from '../fixtures'

test('a backup is made, what came after it is told, it is brought back, and that is taken back', async ({
  page,
  server,
}) => {
  await startJob(page, server.url)
  await addLoop(page)
  await fill(page, 'Target', '26')
  await saved(page)
  const loop = page.url()
  await page.goto(`${server.url}/backups`)
  await expect(page.getByText('No backup yet')).toBeVisible()
  await page.getByRole('button', { name: 'Back up now' }).click()
  const rows = page.getByRole('row')
  await expect(rows).toHaveCount(2, { timeout: 60_000 })
  await expect(rows.nth(1)).toContainText('1 job, 3 changes, 0 photos')
  await expect(rows.nth(1)).toContainText('nothing')
  await expectAccessible(page, 'backups')
  await page.goto(loop)
  await fill(page, 'Target', '31')
  await saved(page)
  await page.goto(`${server.url}/backups`)
  await expect(rows.nth(1)).toContainText('1 change in 1 job')
  await rows
    .nth(1)
    .getByRole('button', { name: /Bring back/ })
    .click()
  await expect(page.getByRole('status').filter({ hasText: 'Brought back' })).toBeVisible({ timeout: 60_000 })
  await expect(rows).toHaveCount(3)
  await page.goto(loop)
  await expect(page.getByLabel('Target', { exact: true })).toHaveValue('26.0')
  await page.goto(`${server.url}/backups`)
  await rows
    .filter({ hasText: 'before another one' })
    .first()
    .getByRole('button', { name: /Bring back/ })
    .click()
  await expect(page.getByRole('status').filter({ hasText: 'Brought back' })).toBeVisible({ timeout: 60_000 })
  await page.goto(loop)
  await expect(page.getByLabel('Target', { exact: true })).toHaveValue('31.0')
})
