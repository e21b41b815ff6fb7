import { bannedIn } from '@nachtigal/core/testing/bannedWords'
import { cutTexts, goWithin } from '../cut'
import { saidOn } from '../saidOn'
import { demoJob, expect, openAssumed, test } from '../fixtures'

test.use({ demo: true })

const steps = [
  ...['survey', 'survey/proposal', 'match', 'match/controller', 'match/load', 'wire', 'wire/logic', 'wire/dead'],
  ...['set', 'set/offset', 'set/fault', 'set/owner', 'set/keying', 'try', 'prove', 'hand-over'],
]
const pages = ['', '/log', '/shelf', '/calculators', '/calculators/probe.temperature']

for (const [name, unit] of [
  ['Otterholm Wildlife Hospital', '°C'],
  ['Otterholm, as found', '°F'],
] as const)
  test(`nothing that a person needs is cut off, and every word is one of the trade: ${name} in ${unit}`, async ({
    page,
    server,
  }) => {
    test.setTimeout(240_000)
    const { id, loops } = await demoJob(server.url, name)
    await page.goto(`${server.url}/jobs/${id}`)
    await expect(page.getByRole('heading', { name: '10 loops' })).toBeVisible()
    if (unit === '°F') await page.keyboard.press('u')
    const found: Record<string, string[]> = {}
    const wrongWords = new Map<string, string>()
    const look = async (where: string) => {
      // Charts and workers come a moment later; what is cut for that moment alone is looked at once more.
      await page.waitForTimeout(120)
      await openAssumed(page)
      let cut = await cutTexts(page)
      if (cut.length > 0) {
        await page.waitForTimeout(400)
        cut = await cutTexts(page)
      }
      if (cut.length > 0) found[where] = cut
      for (const text of await saidOn(page)) {
        const word = bannedIn(text)
        if (word !== undefined) wrongWords.set(`${word} in “${text.slice(0, 80)}”`, where)
      }
    }
    for (const path of pages) {
      await goWithin(page, `/jobs/${id}${path}`)
      await look(path || 'board')
    }
    for (const loop of loops)
      for (const step of steps) {
        await goWithin(page, `/jobs/${id}/loops/${loop.id}/${step}`)
        await look(`${loop.name}, ${step}`)
      }
    expect(found).toEqual({})
    expect(Object.fromEntries(wrongWords)).toEqual({})
  })
