import { readFileSync } from 'node:fs'
import path from 'node:path'
import { expect, test } from '../fixtures'

test.use({ demo: true })

const folder = path.resolve(import.meta.dirname, '../../docs/screenshots')
const views = [
  ['survey', 'survey'],
  ['match', 'match/controller'],
  ['wire', 'wire'],
  ['keying', 'set/keying'],
  ['try', 'try'],
] as const

test('pictures of the main views', async ({ page, server }) => {
  const shot = (name: string) => page.screenshot({ path: path.join(folder, `${name}.png`) })
  await page.addInitScript(() => {
    localStorage.setItem('nachtigal.view', JSON.stringify({ by: 'Ilse Farn', theme: 'day' }))
  })
  await page.goto(server.url)
  await expect(page.getByRole('link', { name: /Otterholm Wildlife/ })).toBeVisible()
  await expect(page.getByRole('img', { name: /^Readings/ })).toBeVisible()
  await shot('jobs')
  await page.getByRole('link', { name: /Otterholm Wildlife/ }).click()
  await expect(page.getByRole('heading', { name: '10 loops' })).toBeVisible()
  await shot('board')
  const jobs = (await (await page.request.get(`${server.url}/api/jobs`)).json()) as { id: string; name: string }[]
  const job = jobs.find(({ name }) => name === 'Otterholm Wildlife Hospital')!
  const { loops } = (await (await page.request.get(`${server.url}/api/jobs/${job.id}`)).json()) as {
    loops: Record<string, { name: string }>
  }
  const named = (wanted: string) => {
    const [id] = Object.entries(loops).find(([, { name }]) => name === wanted)!
    return `${server.url}/jobs/${job.id}/loops/${id}`
  }
  const loop = named('Hatchling floor')
  const pool = named('Seal pool')
  const visit = async (name: string, place: string, of = loop) => {
    await page.goto(`${of}/${place}`)
    await expect(page.locator('.step-page')).toBeVisible()
    if (place === 'wire' && (page.viewportSize()?.width ?? 0) >= 768)
      await expect(page.locator('svg[data-picture]')).toBeVisible()
    if (place === 'try') await expect(page.locator('[data-result="starts"]')).toBeVisible()
    await page.waitForTimeout(300)
    await shot(name)
  }
  for (const [name, place] of views) await visit(name, place)
  await page.goto(`${loop}/prove`)
  await page
    .getByRole('region', { name: 'Tests' })
    .getByRole('link', { name: /Rise and fall/ })
    .click()
  await page.waitForTimeout(300)
  await shot('prove')
  // One view of the job in US practice, handed over.
  const us = readFileSync(path.resolve(import.meta.dirname, '../../demo/juniper-hollow.nachtigal.json'))
  const headers = { 'content-type': 'application/json' }
  expect((await page.request.post(`${server.url}/api/import`, { data: us, headers })).ok()).toBe(true)
  const hollow = JSON.parse(us.toString()) as { job: { id: string }; loops: Record<string, { name: string }> }
  const [lodge] = Object.entries(hollow.loops).find(([, { name }]) => name === 'Lodge boiler')!
  await visit('hand-over', 'hand-over', `${server.url}/jobs/${hollow.job.id}/loops/${lodge}`)
  await visit('set', 'set', named('Penguin slab chiller'))
  await visit('set-fan', 'set', named('Quarantine room'))
  await page.goto(`${pool}/wire/logic`)
  for (const contact of [/^A1/, /^S1/]) await page.getByRole('switch', { name: contact }).click()
  await page.mouse.move(0, 0)
  await shot('wire-logic')
  await page.goto(`${server.url}/jobs/${job.id}/shelf/redstart`)
  await expect(page.getByRole('heading', { level: 1, name: 'Redstart' })).toBeVisible()
  await page.waitForTimeout(300)
  await shot('shelf')
  await page.goto(`${loop}/match/all`)
  await expect(page.locator('.step-page')).toBeVisible()
  await page.goto(`${loop}/match/all`)
  await expect(page.locator('.step-page')).toBeVisible()
  await page.keyboard.press('/')
  await page.keyboard.type('ground')
  await expect(page.getByRole('option').first()).toBeVisible()
  await page.waitForTimeout(300)
  await shot('find')
  await page.goto(`${server.url}/jobs/${job.id}/log`)
  await expect(page.getByRole('row').nth(5)).toBeVisible()
  await shot('log')
  const sum = async (name: string, id: string, heading: string) => {
    await page.goto(`${server.url}/jobs/${job.id}/calculators/${id}`)
    await expect(page.getByRole('heading', { name: heading })).toBeVisible()
    await page.waitForTimeout(600)
    await shot(name)
  }
  await sum('calculators', 'probe.temperature', 'Temperature of a probe')
  await page.goto(`${named('Fish store')}/set`)
  await page.getByRole('button', { name: 'Night' }).click()
  await expect(page.locator('[data-trade]')).toBeVisible({ timeout: 60_000 })
  await page.mouse.move(0, 0)
  await shot('trade-off-night')
  await page.getByRole('button', { name: 'Day', exact: true }).click()
  await page.setViewportSize({ width: 390, height: 844 })
  await visit('wire-phone', 'wire', pool)
  await page.goto(`${loop}/prove`)
  await page
    .getByRole('region', { name: 'Tests' })
    .getByRole('link', { name: /Rise and fall/ })
    .click()
  await page.getByRole('button', { name: /^Step 3,/ }).click()
  await page.waitForTimeout(300)
  await shot('prove-phone')
})
