import { readFile } from 'node:fs/promises'
import { addLoop, choose, expect, expectAccessible, expectThumbs, saved, startJob, test, toStep } from '../fixtures'

test('a device is found by what it does, read like a leaflet, and compared with another', async ({ page, server }) => {
  const phone = (page.viewportSize()?.width ?? 0) < 768
  await page.goto(`${server.url}/shelf`)
  const list = page.getByRole('navigation', { name: 'Devices' })
  await list.getByLabel('Find a device').fill('four stages')
  await expectThumbs(page, 'shelf')
  await expectAccessible(page, 'shelf')
  await list.getByRole('link').first().click()
  const leaflet = page.getByRole('article')
  const name = await leaflet.getByRole('heading', { level: 1 }).innerText()
  await expect(leaflet.getByRole('group', { name: /^Terminals of/ }).getByRole('img')).toBeVisible()
  // Every parameter stands there with the keys that lead to it.
  const rows = leaflet.getByRole('region', { name: 'Parameters' }).locator('tbody tr')
  expect(await rows.count()).toBeGreaterThan(3)
  for (const keys of await rows.locator('td:last-child').allInnerTexts()) expect(keys.trim()).not.toBe('')
  await expectAccessible(page, 'device')
  await leaflet.getByLabel('Compare with').selectOption({ index: 2 })
  await expect(page.getByRole('heading', { level: 1 })).toContainText(`${name} and `)
  const table = page.getByRole('region', { name: 'Side by side' })
  await expect(table.getByRole('cell', { name: 'other', exact: true }).first()).toBeVisible()
  await expect(table.getByRole('cell', { name: 'same', exact: true }).first()).toBeVisible()
  await expectAccessible(page, 'compare')
  if (!phone) {
    await list.getByLabel('Type').selectOption('probe')
    await list.getByLabel('Find a device').fill('')
    expect(await list.getByRole('link').count()).toBeGreaterThanOrEqual(20)
  }
})

test('a device is copied, changed, read both ways, sent as a file, taken off and put back', async ({
  page,
  server,
}) => {
  await page.goto(`${server.url}/shelf/dipper/change`)
  const form = page.getByRole('form')
  await expect(form.getByRole('heading', { level: 1 })).toHaveText('Copy of Dipper')
  await form.getByLabel('Name', { exact: true }).first().fill('')
  await form.getByRole('button', { name: 'Put it on the shelf' }).click()
  await expect(form.getByRole('alert')).toContainText('name')
  await form.getByLabel('Name', { exact: true }).first().fill('Dipper <b>two</b>')
  await form.getByRole('button', { name: 'As JSON' }).click()
  const text = form.getByLabel('Device as JSON')
  const json = await text.inputValue()
  expect(JSON.parse(json)).toMatchObject({ name: 'Dipper <b>two</b>', category: 'controller' })
  await text.fill(json.replace('"summary": "', '"summary": "bought used, '))
  await form.getByRole('button', { name: 'As a form' }).click()
  await expect(form.getByLabel('In a few words')).toHaveValue(/^bought used, /)
  await form.getByRole('button', { name: 'As JSON' }).click()
  await text.fill('{ "name": ')
  await form.getByRole('button', { name: 'As a form' }).click()
  await expect(form.getByRole('alert')).toContainText('no JSON')
  await expect(text).toHaveValue('{ "name": ')
  await text.fill(json)
  await form.getByRole('button', { name: 'Put it on the shelf' }).click()
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Dipper <b>two</b>')
  await expect(page.getByRole('article')).toContainText('your own, version 1')

  const [file] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'Take a file' }).click(),
  ])
  const written = await readFile(await file.path(), 'utf8')
  expect(JSON.parse(written)).toMatchObject({ format: 'nachtigal-shelf', profiles: [{ name: 'Dipper <b>two</b>' }] })

  await page.getByRole('button', { name: 'Remove it from the shelf' }).click()
  await expect(page.getByText('is off the shelf. Jobs that use it keep their copy.')).toBeVisible()
  await page.getByRole('button', { name: 'Put it back' }).click()
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Dipper <b>two</b>')

  await page.goto(`${server.url}/shelf`)
  const importing = page.getByLabel('Import a file')
  const send = (name: string, body: string) =>
    importing.setInputFiles({ name, mimeType: 'application/json', buffer: Buffer.from(body) })
  await send('broken.json', '{')
  await expect(page.getByRole('alert')).toContainText('broken.json is no JSON file.')
  await send('bad.json', written.replace('"category": "controller"', '"category": "rocket"'))
  await expect(page.getByRole('alert')).toContainText('category')
  await send(
    'good.json',
    written.replaceAll('Dipper <b>two</b>', 'Dipper three').replace(/"id": "[\w-]+"/, '"id": "dipper-3"'),
  )
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Dipper three')
})

test('a device in a job keeps the version it was used with', async ({ page, server }) => {
  test.skip((page.viewportSize()?.width ?? 0) < 768, 'the same on a phone')
  const put = async (note: string) => {
    const { profiles } = (await (await page.request.get(`${server.url}/api/shelf`)).json()) as {
      profiles: { id: string }[]
    }
    const data = { ...profiles.find(({ id }) => id === 'dipper'), id: 'dipper-own', name: 'Ouzel', note }
    expect((await page.request.put(`${server.url}/api/shelf/dipper-own`, { data })).ok()).toBe(true)
  }
  await put('as it was')
  await startJob(page, server.url)
  await addLoop(page)
  await toStep(page, 'Match')
  await choose(page, 'Controller', 'Ouzel')
  await saved(page)
  await put('as it is now')
  await page.reload()
  await expect(page.getByText('Version 1 in use; the shelf has 2.')).toBeVisible()
  const [job] = (await (await page.request.get(`${server.url}/api/jobs`)).json()) as { id: string }[]
  const held = (await (await page.request.get(`${server.url}/api/jobs/${job!.id}`)).json()) as {
    job: { profiles: Record<string, { name: string; note: string }> }
  }
  const ours = Object.values(held.job.profiles).filter(({ name }) => name === 'Ouzel')
  expect(ours.map(({ note }) => note)).toEqual(['as it was'])
})
