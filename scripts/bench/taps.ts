/** From a tap to what it paints, by the browser's own event timing: on every step of every loop of the demo job. */
import type { Browser } from '@playwright/test'
import { told } from './goals'

const STEPS = ['1', '2', '3', '4', '5', '6', '7']
/** Events that last shorter are not told by the browser; they count as this. */
const LEAST_MS = 16

/** Goes through all loops step by step by keys and through the parts of each step by taps; answers the times, ms. */
async function walk(browser: Browser, url: string, jobId: string, slowed: number): Promise<number[]> {
  const page = await (await browser.newContext({ viewport: { width: 1280, height: 800 } })).newPage()
  await page.addInitScript(() => {
    const took: Record<string, number> = {}
    Object.assign(globalThis, { took })
    new PerformanceObserver((list) => {
      for (const entry of list.getEntries() as (PerformanceEntry & { interactionId?: number })[])
        if (entry.interactionId) took[entry.interactionId] = Math.max(took[entry.interactionId] ?? 0, entry.duration)
    }).observe({ type: 'event', durationThreshold: 16, buffered: true } as PerformanceObserverInit)
  })
  await page.goto(`${url}/jobs/${jobId}`)
  await page.getByRole('heading', { name: '10 loops' }).waitFor()
  await page.getByRole('navigation', { name: 'Loops' }).getByRole('link').first().click()
  await page.locator('.step-page').waitFor()
  const slow = await page.context().newCDPSession(page)
  await slow.send('Emulation.setCPUThrottlingRate', { rate: slowed })
  let taps = 0
  for (let loop = 0; loop < 10; loop++) {
    for (const step of STEPS) {
      await page.keyboard.press(step)
      taps += 1
      await page.waitForTimeout(60 * slowed)
      const parts = page.locator('.step-page nav a, .step-page nav button')
      for (let i = 0; i < Math.min(3, await parts.count()); i++) {
        await parts
          .nth(i)
          .click({ timeout: 2000 })
          .catch(() => undefined)
        taps += 1
        await page.waitForTimeout(60 * slowed)
      }
    }
    await page.keyboard.press('j')
    taps += 1
    await page.waitForTimeout(100 * slowed)
  }
  const took = await page.evaluate(() =>
    Object.values((globalThis as unknown as { took: Record<string, number> }).took),
  )
  await page.close()
  return [...took, ...Array.from({ length: Math.max(0, taps - took.length) }, () => LEAST_MS)]
}

const at95 = (times: number[]) => times.sort((a, b) => a - b)[Math.floor(times.length * 0.95)]!

/** Taps on every step of the job of ten loops, as the machine is and with its processor slowed four times. */
export async function benchTaps(browser: Browser, url: string, jobId: string) {
  for (const [slowed, goal] of [
    [1, 100],
    [4, 200],
  ] as const) {
    const took = await walk(browser, url, jobId, slowed)
    told(
      `from tap to painted, ${took.length} taps${slowed > 1 ? `, processor slowed ${slowed} times` : ''}, 95th percentile`,
      at95(took),
      'ms',
      goal,
    )
  }
}
