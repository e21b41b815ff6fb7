import { cutTexts } from '../cut'
import { addLoop, expect, pdfText, saved, startJob, test, toStep } from '../fixtures'

const long = 'Hatchling'.repeat(23).slice(0, 200)
/** Names of every sort, and what of each is drawn on its sheet: a sign that no face has as an empty box. */
const names: readonly (readonly [sort: string, name: string, printed?: string])[] = [
  ['two hundred signs without a blank', long],
  ['from right to left', 'غرفة الفقمات \u200f(الطابق الأول) חדר הכלבים', 'חדר'],
  ['emoji, also of several signs', '🦭🦆 Seals & ducks 👩‍🔧', '\u25af\u25af Seals & ducks \u25af'],
  ['markup and a script', '</title><script>alert(1)</script><b>Seal pool</b>'],
  ['a formula', '=HYPERLINK("http://x.test","Seal pool")'],
]

test('names of any sort stand on the page and in files as they were typed, and break nothing', async ({
  page,
  server,
}) => {
  test.setTimeout(240_000)
  const wide = () => page.evaluate(() => document.documentElement.scrollWidth > innerWidth + 1)
  await startJob(page, server.url, { name: long })
  const job = page.url().replace(/.*\/jobs\/([^/]+).*/, '$1')
  for (const [sort, name, printed = name] of names)
    await test.step(sort, async () => {
      await page.goto(`${server.url}/jobs/${job}`)
      await addLoop(page, name)
      await expect(page.getByRole('heading', { level: 1, name: `${name}, 1 Survey` })).toBeAttached()
      await saved(page)
      expect(await wide()).toBe(false)
      for (const step of ['Match', 'Hand over']) {
        await toStep(page, step)
        expect(await wide()).toBe(false)
      }
      // Its sheet has the name too; a sign that no face has stands as an empty box.
      const text = await pdfText(page, server.url, /As-left sheet/)
      expect(text.replace(/\s/g, '')).toContain(printed.replace(/\s/g, ''))
    })
  await test.step('on the board and on the first screen', async () => {
    await page.goto(`${server.url}/jobs/${job}`)
    for (const [, name] of names)
      await expect(page.getByRole('main').getByText(name, { exact: true }).first()).toBeVisible()
    expect(await wide()).toBe(false)
    // The title over the page has two lines; what is longer is told whole by its tip.
    expect(await cutTexts(page, 'main')).toEqual([])
    await expect(page.locator('.title-cell.here')).toHaveAttribute('title', long)
    await page.goto(server.url)
    await expect(page.getByText(long, { exact: true }).first()).toBeVisible()
    expect(await wide()).toBe(false)
    expect(await page.title()).toBe('Nachtigal')
  })
  await test.step('in a table file no formula is calculated', async () => {
    const csv = await (await page.request.get(`${server.url}/api/jobs/${job}/log.csv`)).text()
    expect(csv).toContain(long)
    expect(csv).not.toMatch(/(^|[,\n])"?=HYPERLINK/)
  })
})
