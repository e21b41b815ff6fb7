import path from 'node:path'
import { PGlite } from '@electric-sql/pglite'
import type { JobState } from '@nachtigal/contract/api'
import { Chance, spoilt } from '@nachtigal/core/testing/spoilt'
import { expect, type Page } from '@playwright/test'
import { freshFolder, removeFolder, startServer } from '../server'
import { saved, test } from '../fixtures'

const SEED = Number(process.env['NACHTIGAL_SPOILT_SEED'] ?? 6)
const COUNT = Number(process.env['NACHTIGAL_SPOILT_COUNT'] ?? 6)

const steps = [
  'survey',
  'survey/hurt',
  'survey/found',
  'survey/proposal',
  'match',
  'wire',
  'wire/logic',
  'wire/places',
  'wire/conductors',
  'wire/box',
  'wire/dead',
  'wire/live',
  'set',
  'set/keying',
  'try',
  'try/sweep',
  'prove',
  'prove/find',
  'hand-over',
]

/** Goes to an address as a link would, without loading the program anew. */
async function visit(page: Page, to: string) {
  await page.evaluate((address) => {
    history.pushState({}, '', address)
    dispatchEvent(new PopStateEvent('popstate', { state: {} }))
  }, to)
  await expect(page.locator('main').first()).toBeVisible()
  // What is looked at later than the first drawing: a layout, a run that begins.
  await page.waitForTimeout(120)
}

async function survives(page: Page, where: string, made: string) {
  const broke = page.getByRole('heading', { name: 'This screen broke' })
  if (await broke.isVisible()) throw new Error(`${where}: ${await page.locator('main').innerText()}\n${made}`)
}

/** What stands in place of a page that does not come up says why: it is told with the document that was given. */
async function drawn(page: Page, made: string) {
  const heading = page.getByRole('heading', { level: 1 })
  await heading.waitFor({ timeout: 60_000 }).catch(async () => {
    const shown = await page.evaluate(() => document.body.innerText).catch((error: unknown) => String(error))
    throw new Error(`no heading came; the page shows: ${shown}\n${made}`)
  })
}

test.describe('whatever stands in a job', () => {
  test.use({ demo: true })
  test(`each page survives ${COUNT} spoilt documents from seed ${SEED}`, async ({ page, server }) => {
    const [{ id: jobId }] = (await (await page.request.get(`${server.url}/api/jobs`)).json()) as [{ id: string }]
    const sound = (await (await page.request.get(`${server.url}/api/jobs/${jobId}`)).json()) as JobState
    const loops = Object.values(sound.loops)
    const chance = new Chance(SEED)
    let given: JobState = sound
    await page.route(`${server.url}/api/jobs/${jobId}`, (route) => route.fulfill({ json: given }))
    // What is told of the server's own state would put it right again.
    await page.route(`${server.url}/api/jobs/${jobId}/changes`, (route) => route.abort())
    for (let n = 0; n < COUNT; n++) {
      const loop = chance.of(loops)
      const other = chance.of(loops)
      given =
        n % 4 === 3
          ? { ...sound, job: spoilt(sound.job, chance) as JobState['job'] }
          : { ...sound, loops: { ...sound.loops, [loop.id]: spoilt(loop, chance) as JobState['loops'][string] } }
      const made = JSON.stringify(n % 4 === 3 ? given.job : given.loops[loop.id]).slice(0, 2000)
      await page.goto(`${server.url}/jobs/${jobId}`)
      await drawn(page, made)
      await survives(page, 'board', made)
      for (const at of ['log', 'shelf', 'calculators']) {
        await visit(page, `/jobs/${jobId}/${at}`)
        await survives(page, at, made)
      }
      for (const step of steps) {
        await visit(page, `/jobs/${jobId}/loops/${loop.id}/${step}`)
        await survives(page, `${loop.kind} ${step}`, made)
      }
      if (other.id !== loop.id && n % 4 !== 3) {
        await visit(page, `/jobs/${jobId}/loops/${other.id}/survey`)
        await expect(page.getByText('cannot be read').and(page.locator('h1'))).toBeHidden()
      }
    }
  })

  test('a moment that is none does not take the list of jobs away', async ({ page, server }) => {
    const jobs = (await (await page.request.get(`${server.url}/api/jobs`)).json()) as object[]
    await page.route(`${server.url}/api/jobs`, (route) =>
      route.fulfill({ json: jobs.map((job) => ({ ...job, changedAt: '2026-99-99T99:99:99Z' })) }),
    )
    await page.goto(server.url)
    await expect(page.getByRole('link', { name: /Otterholm/ }).first()).toBeVisible()
  })
})

test('a loop that something is wrong in is named, mended, and the others go on', async ({ page }) => {
  const folder = freshFolder('demo')
  let server = await startServer(folder)
  const [{ id: jobId }] = (await (await page.request.get(`${server.url}/api/jobs`)).json()) as [{ id: string }]
  const { loops } = (await (await page.request.get(`${server.url}/api/jobs/${jobId}`)).json()) as JobState
  await server.stop()
  const floor = Object.values(loops).find(({ kind }) => kind === 'floor')!
  const boiler = Object.values(loops).find(({ kind }) => kind !== 'floor')!
  const database = await PGlite.create(path.join(folder, 'postgres'))
  await database.query(
    `UPDATE documents SET body = jsonb_set(jsonb_set(body, '{survey,answers,floorArea}', '0'), '{survey,answers,target}', '"heating"') WHERE id = $1`,
    [floor.id],
  )
  await database.query(`UPDATE documents SET body = body - 'kind' WHERE id = $1`, [boiler.id])
  await database.close()
  server = await startServer(folder)
  try {
    await page.goto(`${server.url}/jobs/${jobId}`)
    await expect(page.getByRole('heading', { name: `${Object.keys(loops).length} loops` })).toBeVisible()
    const row = page.getByRole('main').getByRole('link', { name: `${floor.name}: cannot be read` })
    await expect(row).toContainText('survey.answers.target is "heating": it must be a number')
    await row.click()
    await expect(page.getByRole('heading', { name: `${floor.name}: something in it cannot be read` })).toBeVisible()
    await expect(page.getByRole('main').getByRole('listitem')).toHaveText([/target.*heating/, /floorArea.*0/])
    await page.getByRole('button', { name: 'Remove what is wrong' }).click()
    // It stands again, and asks for what was taken out.
    await expect(page.getByRole('link', { name: /^1 Survey/ })).toBeVisible()
    await saved(page)
    await page.getByRole('link', { name: 'Log' }).first().click()
    await expect(page.getByText('Why: What could not be read was removed')).toBeVisible()

    // One that cannot be mended is removed, and taken back by the same key as everything.
    await page.getByRole('navigation', { name: 'Loops' }).getByRole('link', { name: boiler.name }).click()
    await expect(page.getByText('It cannot be mended by removing something.')).toBeVisible()
    await page.getByRole('button', { name: 'Remove the loop' }).click()
    await expect(page.getByRole('heading', { name: `${Object.keys(loops).length - 1} loops` })).toBeVisible()
    await saved(page)
  } finally {
    await server.stop()
    removeFolder(folder)
  }
})
