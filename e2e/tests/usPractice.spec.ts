import { readFileSync } from 'node:fs'
import { goWithin } from '../cut'
import { expect, saved, startJob, test } from '../fixtures'
import { foreignOn, loopPlaces } from '../foreignOn'

/** Every kind of loop by its word, and what it must hold, °F: enough to begin it with its chain. */
const kinds = [
  ['warm floor', '82'],
  ['boiler', '70'],
  ['pool, tank', '80'],
  ['fan', '72'],
  ['panel, enclosure', '95'],
  ['room', '70'],
  ['cold room', '36'],
  ['chiller', '40'],
  ['heated cabinet', '113'],
  ['cabin heater', '68'],
] as const

test.setTimeout(240_000)
for (const [kind, target] of kinds)
  test(`from an empty job in US practice: ${kind}`, async ({ page, server }) => {
    await startJob(page, server.url, { name: 'Juniper Hollow', unit: '°F', system: 'US customary' })
    const form = page.getByRole('form', { name: 'New loop' })
    await form.getByRole('radio', { name: kind, exact: true }).click()
    const fields = form.getByRole('textbox')
    await fields.first().fill(target)
    await fields.first().press('Tab')
    await form.getByRole('button', { name: 'Add it with its chain' }).click()
    await expect(form).toHaveCount(0, { timeout: 120_000 })
    await saved(page)
    const loop = page.url().split('/').slice(0, 7).join('/')
    const found: string[] = []
    for (const place of loopPlaces) {
      await page.goto(`${loop}/${place}`)
      await page.waitForTimeout(150)
      found.push(...(await foreignOn(page, place)))
    }
    expect([...new Set(found)]).toEqual([])
  })

test('every screen of the demo job in US practice is in its units and words', async ({ page, server }) => {
  const file = readFileSync(new URL('../../demo/juniper-hollow.nachtigal.json', import.meta.url))
  const sent = await fetch(`${server.url}/api/import`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: file,
  })
  expect(sent.ok).toBe(true)
  const { job, loops } = JSON.parse(file.toString()) as {
    job: { id: string }
    loops: Record<string, { id: string; name: string }>
  }
  await page.goto(`${server.url}/jobs/${job.id}`)
  const found: string[] = []
  const look = async (path: string, place: string) => {
    await goWithin(page, `/jobs/${job.id}${path}`)
    await page.waitForTimeout(150)
    found.push(...(await foreignOn(page, place)))
  }
  for (const path of ['', '/log', '/calculators']) await look(path, path || 'board')
  const eight = Object.values(loops)
  expect(eight).toHaveLength(8)
  for (const { id, name } of eight)
    for (const place of loopPlaces) await look(`/loops/${id}/${place}`, `${name}, ${place}`)
  expect([...new Set(found)]).toEqual([])
})
