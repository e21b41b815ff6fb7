import { expect, type Page } from '@playwright/test'

/** Everything that a reader calls what holds the focus now. */
const focusName = (page: Page) =>
  page.evaluate(() => {
    const here = document.activeElement
    const field = here instanceof HTMLInputElement || here instanceof HTMLSelectElement
    const labels = field ? [...(here.labels ?? [])] : []
    return [here?.getAttribute('aria-label'), ...labels.map((label) => label.textContent), here?.textContent]
      .filter(Boolean)
      .join(' | ')
  })

/** Goes on with Tab until what is wanted holds the focus, as somebody without a mouse does. */
export async function tabTo(page: Page, name: RegExp, most = 120) {
  for (let i = 0; i < most; i++) {
    await page.keyboard.press('Tab')
    if (name.test(await focusName(page))) return
  }
  throw new Error(`${name} is not reached by ${most} tabs`)
}

export async function type(page: Page, label: string, text: string) {
  await tabTo(page, new RegExp(`^${label}( \\||$)`))
  await page.keyboard.press('Control+a')
  await page.keyboard.type(text)
  await page.keyboard.press('Enter')
}

/** Chooses from a list by typing its first letters, the way a closed list takes them. */
export async function pick(page: Page, label: string, option: string) {
  await tabTo(page, new RegExp(`^${label}`))
  await page.keyboard.type(option)
}

/** The kind of a new loop: Tab leads to the first, the arrows to the others. */
export async function chooseKind(page: Page, kind: RegExp) {
  await tabTo(page, /^warm floor/)
  await page.keyboard.press('Space')
  for (let i = 0; i < 10 && !kind.test(await focusName(page)); i++) {
    const before = await focusName(page)
    await page.keyboard.press('ArrowDown')
    await expect.poll(() => focusName(page)).not.toBe(before)
  }
  await expect(page.getByRole('radio', { name: kind, checked: true })).toBeFocused()
}

/** Opens a link of the chain in Match. */
export async function openLink(page: Page, link: string) {
  await page.keyboard.press('Escape')
  await tabTo(page, new RegExp(`^${link}(?!:)`), 160)
  await page.keyboard.press('Enter')
  await expect(page.getByRole('radiogroup', { name: link })).toBeVisible()
}

/** Chooses a device of the shelf in Match: the link, its name typed into the search, the first that is found. */
export async function chooseDevice(page: Page, link: string, find: string, name: RegExp) {
  await openLink(page, link)
  await takeFromShelf(page, find, name)
}

/** One more of the same sort. */
export async function anotherDevice(page: Page, link: string, find: string, name: RegExp) {
  await tabTo(page, new RegExp(`^Another ${link}`, 'i'), 160)
  await page.keyboard.press('Enter')
  await takeFromShelf(page, find, name)
}

async function takeFromShelf(page: Page, find: string, name: RegExp) {
  await tabTo(page, /^Find an? .* on the shelf/, 160)
  await page.keyboard.press('Control+a')
  await page.keyboard.type(find)
  await page.keyboard.press('Tab')
  for (let i = 0; i < 12 && !name.test(await focusName(page)); i++) await page.keyboard.press('ArrowDown')
  expect(await focusName(page)).toMatch(name)
  await page.keyboard.press('Enter')
  await expect(page.getByRole('radio', { name, checked: true })).toBeVisible()
}

/** Tabs to a button or link and presses it. */
export async function press(page: Page, name: RegExp, most = 160) {
  await tabTo(page, name, most)
  await page.keyboard.press('Enter')
}
