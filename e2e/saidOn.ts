import type { Page } from '@playwright/test'

/** Every text of the page, and whatever a reader is told besides: labels, titles, placeholders, pictures. */
export const saidOn = (page: Page): Promise<string[]> =>
  page.evaluate(() => {
    const said = new Set<string>()
    const walker = document.createTreeWalker(document.body, NodeFilter.SHOW_TEXT)
    for (let node = walker.nextNode(); node; node = walker.nextNode()) {
      const text = node.textContent?.trim().replace(/\s+/g, ' ')
      if (text && !node.parentElement?.closest('script, style')) said.add(text)
    }
    for (const element of document.querySelectorAll('[aria-label], [title], [placeholder], [alt], [aria-valuetext]'))
      for (const name of ['aria-label', 'title', 'placeholder', 'alt', 'aria-valuetext']) {
        const text = element.getAttribute(name)?.trim()
        if (text) said.add(text)
      }
    return [...said]
  })
