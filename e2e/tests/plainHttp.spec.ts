import { launchOptions } from '../playwright.config'
import { addLoop, celsius, expect, fill, saved, startJob, survey, test, toStep, wholeChain } from '../fixtures'

/** A name that is not this machine's own, as a phone in the plant room's network would use. */
const NAME = 'bench.otterholm.test'

test.use({
  launchOptions: {
    ...launchOptions,
    args: [...launchOptions.args, `--host-resolver-rules=MAP ${NAME} 127.0.0.1`],
  },
})

test('over plain http from another device a loop is worked and saved', async ({ page, server }) => {
  const url = server.url.replace('127.0.0.1', NAME)
  await startJob(page, url)
  // What browsers keep for https and the machine itself is not there.
  expect(await page.evaluate(() => isSecureContext || 'randomUUID' in crypto || 'subtle' in crypto)).toBe(false)
  await addLoop(page)
  await survey(page, celsius)
  await saved(page)
  await toStep(page, 'Match')
  await wholeChain(page)
  await saved(page)
  await toStep(page, 'Survey')
  await fill(page, 'Target', '26')
  await saved(page)
  await page.reload()
  await expect(page.getByLabel('Target', { exact: true })).toHaveValue('26.0')
})
