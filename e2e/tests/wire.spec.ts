import { readFileSync } from 'node:fs'
import type { Page } from '@playwright/test'
import { expect, expectAccessible, fill, matchedFloor, safetyAnswers, saved, test, toStep, wirePart } from '../fixtures'

const loops = [
  'Hatchling floor',
  'Clinic boiler',
  'Seal pool',
  'Quarantine room',
  'Filtration cabinet',
  'Isolation room',
  'Fish store',
  'Penguin slab chiller',
  'Plaster cabinet',
  'Rescue van',
]

async function demoLoop(page: Page, url: string, name: string) {
  await page.goto(url)
  await page
    .getByRole('link', { name: /Otterholm Wildlife Hospital/ })
    .first()
    .click()
  await page
    .getByRole('link', { name: new RegExp(name) })
    .first()
    .click()
  await toStep(page, 'Wire')
}

/** Texts of the picture whose boxes lie over one another, as the browser draws them. */
const clashes = (page: Page) =>
  page.evaluate(() => {
    const texts = [...document.querySelectorAll<SVGTextElement>('svg[data-picture] text')].map((text) => ({
      words: text.textContent,
      box: text.getBBox(),
    }))
    return texts.flatMap((a, i) =>
      texts
        .slice(i + 1)
        .filter(({ box }) => {
          const wide = Math.min(a.box.x + a.box.width, box.x + box.width) - Math.max(a.box.x, box.x)
          const tall = Math.min(a.box.y + a.box.height, box.y + box.height) - Math.max(a.box.y, box.y)
          // Faces carry air above and below their letters.
          return wide > 0.5 && tall > 6
        })
        .map(({ words }) => `${a.words} / ${words}`),
    )
  })

test.describe('the demo job', () => {
  test.use({ demo: true })

  test('every loop has a list, a picture of the same wires, logic and dead tests', async ({ page, server }) => {
    test.setTimeout(180_000)
    await page.goto(server.url)
    await page
      .getByRole('link', { name: /Otterholm Wildlife Hospital/ })
      .first()
      .click()
    for (const name of loops) {
      await page
        .getByRole('navigation', { name: 'Loops' })
        .getByRole('link', { name: new RegExp(name) })
        .click()
      await toStep(page, 'Wire')
      await expect(page.locator('svg[data-picture]')).toBeVisible()
      const rows = await page.locator('tr.wire-row').count()
      expect(rows).toBeGreaterThan(5)
      expect(await page.locator('svg[data-picture] path[stroke="transparent"]').count(), name).toBe(rows)
      expect(await clashes(page), name).toEqual([])
      await wirePart(page, 'Logic')
      await expect(page.getByRole('heading', { name: /^What makes/ })).toBeVisible()
      await expect(page.getByRole('table')).toBeVisible()
      await wirePart(page, 'Dead tests')
      await expect(page.locator('main button[data-verdict]').nth(8), name).toBeVisible()
    }
    await expectAccessible(page, 'dead tests')
  })

  test('a short in the light branch of the drying cabinet is found by readings alone', async ({ page, server }) => {
    await demoLoop(page, server.url, 'Plaster cabinet')
    await wirePart(page, 'Dead tests')
    await page
      .getByRole('region', { name: 'Short finder' })
      .getByRole('button', { name: /against earth/ })
      .first()
      .click()
    const field = page.getByRole('textbox', { name: 'Meter reads' })
    const branches = page.getByRole('region', { name: 'Branches' }).getByRole('listitem')
    const doing = page.locator('[data-cut]')
    // The fault: the wire from the light switch to the lamp is nicked against the wall of the cabinet.
    const lamp = /E\d Lamps/
    const title = (await branches.allInnerTexts()).find((text) => lamp.test(text))
    expect(title, 'the cabinet has a lamp').toBeDefined()
    let faulty: string | undefined
    let mended = false
    for (let cut = 0; cut < 12; cut++) {
      const words = await doing.innerText()
      if (words.includes('whole circuit is sound')) break
      if (words.startsWith('Found:') || words.includes('Found: ')) {
        faulty ??= words
        mended = true
      }
      const on = (await branches.allInnerTexts()).filter((text) => /\bon\b/.test(text) && !/lifted/.test(text))
      const alone = /so that only (.*) is left/.exec(words)?.[1]
      // Behind the switch lies the bad wire: it is in the reading when the lamp's branch is whole, or opened behind that wire.
      const inside =
        alone === undefined ? on.some((text) => lamp.test(text)) : /S\d/.test(alone) && /wire \d+$/.test(alone)
      await expect(field).toHaveValue('')
      if (!mended && inside) {
        await field.fill('0.6')
        await field.press('Enter')
      } else await page.getByRole('button', { name: 'Meter shows over-range' }).click()
      await expect(page.getByRole('region', { name: 'Readings so far' }).getByRole('listitem')).toHaveCount(cut + 1)
    }
    await expect(doing).toContainText('The whole circuit is sound')
    expect(faulty).toMatch(/Found: wire \d+, in E\d Lamps/)
    await saved(page)
    await page.reload()
    await expect(doing).toContainText('The whole circuit is sound')
    await expectAccessible(page, 'short finder')
  })

  test('a tap on a wire chooses it, arrow keys walk, a contact that is flipped lights its load', async ({
    page,
    server,
  }) => {
    await demoLoop(page, server.url, 'Hatchling floor')
    await page.locator('svg[data-picture] g', { hasText: /^5$/ }).last().click()
    await expect(page.getByRole('heading', { name: 'Wire 5' })).toBeVisible()
    const picture = page.getByRole('group', { name: /^Picture of the wires/ })
    await picture.focus()
    await page.keyboard.press('ArrowDown')
    await expect(page.getByRole('heading', { name: 'Wire 6' })).toBeVisible()
    await page.keyboard.press('ArrowUp')
    await page.keyboard.press('ArrowUp')
    await expect(page.getByRole('heading', { name: 'Wire 4' })).toBeVisible()
    await expect(page.getByRole('img', { name: 'M1 rests' })).toBeVisible()
    await page.getByRole('switch', { name: /^Contact A1/ }).click()
    await expect(page.getByRole('img', { name: 'M1 rests' })).toBeVisible()
    await page.getByRole('switch', { name: /^Contact F1/ }).focus()
    await page.keyboard.press('Enter')
    await expect(page.getByRole('img', { name: 'M1 runs' })).toBeVisible()
    await wirePart(page, 'Logic')
    await expect(page.getByText('runs as the contacts stand')).toBeVisible()
    await expect(page.getByRole('row').filter({ hasText: 'runs' })).toHaveClass(/chosen/)
    await expectAccessible(page, 'logic')
  })

  test('picture, list and labels are taken along', async ({ page, server }) => {
    await demoLoop(page, server.url, 'Quarantine room')
    await page.getByRole('button', { name: 'Take along' }).click()
    const download = page.waitForEvent('download')
    await page.getByRole('button', { name: 'Picture (SVG)' }).click()
    const svg = readFileSync(await (await download).path(), 'utf8')
    expect(svg).toContain('<svg xmlns="http://www.w3.org/2000/svg"')
    for (const tag of ['A1 Swift', 'M1 Fan', 'X1 Circuit']) expect(svg).toContain(tag)
    for (const link of ['Picture (PDF)', 'List (PDF)', 'List (CSV)', 'Labels (PDF)']) {
      const href = await page.getByRole('link', { name: link }).getAttribute('href')
      const answer = await page.request.get(server.url + href)
      expect(answer.status(), link).toBe(200)
      expect((await answer.body()).length).toBeGreaterThan(500)
    }
  })

  test('places, conductors and box stand at 1280 by 800 and can be used by all', async ({ page, server }) => {
    await demoLoop(page, server.url, 'Plaster cabinet')
    for (const part of ['Places', 'Conductors', 'Box']) {
      await wirePart(page, part)
      await expect(page.getByRole('heading').first()).toBeVisible()
      await expectAccessible(page, part)
    }
    await fill(page, 'Around it', '47')
    await expect(page.getByText(/a larger box, fewer watts in it, or a cooler/)).toBeVisible()
    await fill(page, 'The 100 mm bar measures', '97')
    await expect(page.getByRole('status').filter({ hasText: 'too small' })).toBeVisible()
    await fill(page, 'The 100 mm bar measures', '100')
    await expect(page.getByRole('status').filter({ hasText: 'The print is true' })).toBeVisible()
    await wirePart(page, 'Places')
    await page.getByRole('checkbox', { name: /Cut the panel/ }).click()
    await saved(page)
    await page.reload()
    await expect(page.getByRole('checkbox', { name: /Cut the panel/ })).toBeChecked()
  })
})

test('a changed chain keeps the ticks of what did not change, and names what is to be taken off', async ({
  page,
  server,
}) => {
  await matchedFloor(page, server.url)
  await toStep(page, 'Wire')
  for (const wire of [1, 4]) {
    await page.getByRole('button', { name: new RegExp(`^Wire ${wire},`) }).click()
    await page.getByRole('checkbox', { name: `Wire ${wire} landed` }).click()
  }
  await toStep(page, 'Match')
  await page
    .getByRole('list', { name: 'Links of the chain' })
    .getByRole('button', { name: /^Limiter/ })
    .click()
  await page
    .getByRole('button', { name: /^Remove F1 from the chain/ })
    .first()
    .click()
  await toStep(page, 'Wire')
  await expect(page.getByRole('checkbox', { name: 'Wire 1 landed' })).toBeChecked()
  await expect(page.getByText(/Changed with the chain: .*moved/)).toBeVisible()
  await page.getByRole('button', { name: 'Seen' }).click()
  await expect(page.getByText(/Changed with the chain/)).toHaveCount(0)
})

test('a switch across a limiter is a stop that no reason closes', async ({ page, server }) => {
  await matchedFloor(page, server.url)
  await toStep(page, 'Wire')
  await wirePart(page, 'Logic')
  await page.getByText('Lay a switch or a timer across a contact').click()
  await page.getByLabel('Across').selectOption({ index: 1 })
  await page.getByRole('button', { name: 'Lay it across' }).click()
  const finding = page.getByRole('listitem').filter({ hasText: 'by-passes F1' })
  await expect(finding).toBeVisible()
  await expect(finding.getByRole('button', { name: 'Not applicable' })).toHaveCount(0)
  await expect(page.getByText('closed defeats F1')).toBeVisible()
  await wirePart(page, 'Wires')
  await expect(page.locator('svg[data-picture]')).toContainText('S1 Hand switch')
})

test('a failed safety test shuts first live, and the loop says do not energise', async ({ page, server }) => {
  await matchedFloor(page, server.url)
  await toStep(page, 'Wire')
  await wirePart(page, 'Dead tests')
  await page
    .getByRole('button', { name: /X1: L to PE/ })
    .last()
    .click()
  await fill(page, 'Reads', '12')
  await expect(page.getByRole('status', { name: 'Verdict' })).toContainText('Not proved, do not energise')
  await page.getByRole('button', { name: 'Find the short by halving' }).click()
  await expect(page.getByRole('heading', { name: /^Short finder: X1/ })).toBeVisible()
  await wirePart(page, 'First live')
  await expect(page.getByRole('heading', { name: 'Not proved, do not energise' })).toBeVisible()
  await expect(page.getByText(/X1: L to PE: /)).toBeVisible()
  await toStep(page, 'Hand over')
  await expect(page.getByRole('complementary')).toContainText('Not proved, do not energise: X1: L to PE.')
})

test('what is temporary stands on every stage and keeps hand-over shut until it is undone', async ({
  page,
  server,
}) => {
  await matchedFloor(page, server.url)
  await toStep(page, 'Wire')
  await page.getByRole('button', { name: /^Wire 4,/ }).click()
  await page.getByRole('button', { name: 'Lifted: on the temporary list' }).click()
  const bar = page.getByRole('region', { name: 'Temporary' })
  await expect(bar).toContainText('Wire 4 lifted')
  await bar.getByRole('button', { name: 'Add something temporary' }).click()
  await page.getByLabel('What and where').fill('S1 bridged at K1')
  await page.getByRole('button', { name: 'Put on the list' }).click()
  await page.keyboard.press('Escape')
  for (const stage of ['Survey', 'Set', 'Prove', 'Hand over']) {
    await toStep(page, stage)
    await expect(bar).toContainText('Bridge: S1 bridged at K1')
  }
  await expect(page.getByRole('complementary')).toContainText('Temporary: Wire 4 lifted')
  await expectAccessible(page, 'temporary')
  for (let left = 2; left > 0; left--) await bar.getByRole('button', { name: 'Undone' }).first().click()
  await expect(bar).toHaveCount(0)
  await expect(page.getByRole('complementary')).not.toContainText('Temporary')
})

test('a safety question without an answer, and a bridge on the list, shut first live until they are settled', async ({
  page,
  server,
}) => {
  await matchedFloor(page, server.url, { safety: false })
  const shut = page.getByRole('listitem').filter({ hasText: /Safety questions not answered|On the temporary list/ })
  const toLive = async () => {
    await toStep(page, 'Wire')
    await wirePart(page, 'First live')
    await expect(page.getByRole('heading', { name: 'Not proved, do not energise' })).toBeVisible()
  }
  await toLive()
  await expect(shut).toHaveText([/^Safety questions not answered: .*Kind of screed.*Water about.*Answer in Survey\.$/])
  await toStep(page, 'Hand over')
  await expect(page.getByRole('complementary')).toContainText('Water about')
  await toStep(page, 'Survey')
  await safetyAnswers(page)
  await toLive()
  await expect(shut).toHaveCount(0)
  await wirePart(page, 'Dead tests')
  await page.getByRole('button', { name: 'Bridged, forced or lifted something? Enter it' }).click()
  await page.getByLabel('What and where').fill('F1 bridged')
  await page.getByRole('button', { name: 'Put on the list' }).click()
  await page.keyboard.press('Escape')
  await wirePart(page, 'First live')
  await expect(shut).toHaveText([/On the temporary list: .*F1 bridged/])
  await page.getByRole('region', { name: 'Temporary' }).getByRole('button', { name: 'Undone' }).click()
  await expect(shut).toHaveCount(0)
})

test('230 V that was found on the pair for 24 V is a stop', async ({ page, server }) => {
  await matchedFloor(page, server.url)
  await toStep(page, 'Survey')
  await page.getByRole('navigation', { name: 'Parts of the survey' }).getByRole('button', { name: /found/ }).click()
  await page.getByLabel('What was there').selectOption('there')
  await page.getByLabel('On the shelf as').selectOption('dipper')
  await page.getByRole('button', { name: 'Another terminal' }).click()
  await fill(page, 'Terminal', '3')
  await fill(page, 'Volts on it', '231')
  await toStep(page, 'Hand over')
  await expect(page.getByRole('complementary')).toContainText('was found on terminal 3 of Dipper')
})
