import { expect, type Page } from '@playwright/test'
import { addLoop, fill, part, startJob, toStep } from './fixtures'

export type Practice = 'europe' | 'us'

/** An answer typed into a field, or chosen from a list. */
interface Answered {
  readonly part: string
  readonly figures?: Readonly<Record<string, string>>
  readonly choices?: Readonly<Record<string, string>>
}

export interface Sort {
  readonly kind: string
  readonly practice: Practice
  readonly answers: readonly Answered[]
  /** Link of the chain and the device, in the order in which they are chosen; `+` before it is one more of the same sort; what is searched for, where that
   * is more than its name. */
  readonly devices: readonly (readonly [link: string, device: string, search?: string])[]
}

/** From an empty job to a whole chain, as a fitter picks it. */
export async function buildSort(page: Page, url: string, { kind, practice, answers, devices }: Sort) {
  const us = practice === 'us'
  await startJob(page, url, { unit: us ? '°F' : '°C', system: us ? 'US customary' : 'metric' })
  await addLoop(page, 'Built by hand', kind)
  for (const { part: name, figures = {}, choices = {} } of answers) {
    await part(page, name)
    for (const [label, option] of Object.entries(choices)) {
      const list = page.getByLabel(label, { exact: true })
      await list.selectOption({ label: option })
    }
    for (const [label, text] of Object.entries(figures)) await fill(page, label, text)
  }
  await toStep(page, 'Match')
  for (const [link, device, search] of devices) await take(page, link, device, search)
}

/** One device of the shelf, or one more of its sort. */
async function take(page: Page, link: string, device: string, search = device) {
  const name = link.replace(/^\+/, '')
  await openLink(page, name)
  if (link.startsWith('+')) await page.getByRole('button', { name: new RegExp(`^Another ${name}`, 'i') }).click()
  await page.getByLabel(/^Find an? .* on the shelf/).fill(search)
  const found = page
    .getByRole('radiogroup')
    .getByRole('radio', { name: new RegExp(`^(fits|look again|does not fit|stop)? ?${device}`) })
    .first()
  await found.click()
  await expect(found).toHaveAttribute('aria-checked', 'true')
}

/** Opens a link of the chain in Match. */
export const openLink = (page: Page, name: string) =>
  page
    .getByRole('list', { name: 'Links of the chain' })
    .getByRole('button', { name: new RegExp(`^${name}`) })
    .first()
    .click()
