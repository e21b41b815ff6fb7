import type { Page } from '@playwright/test'

/**
 * Texts of the page that a person cannot read whole: longer than their box where that hides what is over, put out of the window with no
 * way to scroll there, or drawn beyond the edge of their drawing. A text that is told whole elsewhere (`title`) counts all the same.
 */
export const cutTexts = (page: Page, within = 'body'): Promise<string[]> =>
  page.evaluate((root) => {
    const found: string[] = []
    const seen = (element: Element) => {
      const { visibility, display, opacity, clipPath } = getComputedStyle(element)
      return (
        visibility !== 'hidden' &&
        display !== 'none' &&
        opacity !== '0' &&
        // Told to a reader alone, where an icon stands for it.
        clipPath !== 'inset(50%)' &&
        !element.closest('.sr-only, [data-fallback]')
      )
    }
    const hides = (value: string) => value === 'hidden' || value === 'clip'
    const walker = document.createTreeWalker(document.querySelector(root)!, NodeFilter.SHOW_TEXT)
    const texts: [Element, Text][] = []
    for (let node = walker.nextNode(); node; node = walker.nextNode())
      if (node.textContent?.trim() && node.parentElement && seen(node.parentElement))
        texts.push([node.parentElement, node as Text])
    for (const [element, text] of texts) {
      if (element.closest('script, style, title, option, select, .sr-only')) continue
      const range = document.createRange()
      range.selectNodeContents(text)
      const boxes = [...range.getClientRects()].filter(({ width, height }) => width > 0.5 && height > 0.5)
      if (boxes.length === 0) continue
      const say = (why: string) =>
        found.push(
          `${text.textContent!.trim().replace(/\s+/g, ' ').slice(0, 60)} <${element.tagName.toLowerCase()} ${element.getAttribute('class')?.slice(0, 40) ?? ''}> ${why}`,
        )
      if (/\p{L}\u2026$/u.test(text.textContent!.trim())) say('shortened')
      const svg = element.closest('svg')
      if (svg) {
        const frame = svg.getBoundingClientRect()
        const out = boxes.some(
          (box) =>
            box.left < frame.left - 2 ||
            box.right > frame.right + 2 ||
            box.top < frame.top - 3 ||
            box.bottom > frame.bottom + 3,
        )
        if (out && getComputedStyle(svg).overflow !== 'visible') say('beyond its drawing')
        continue
      }
      let scrollsX = false
      let scrollsY = false
      for (let box: Element | null = element; box && box !== document.documentElement; box = box.parentElement) {
        const style = getComputedStyle(box)
        const frame = box.getBoundingClientRect()
        if (style.overflowX === 'auto' || style.overflowX === 'scroll') scrollsX = true
        if (style.overflowY === 'auto' || style.overflowY === 'scroll') scrollsY = true
        if (
          hides(style.overflowX) &&
          !scrollsX &&
          boxes.some((b) => b.right > frame.right + 1.5 || b.left < frame.left - 1.5)
        ) {
          say(`wider than ${box.tagName.toLowerCase()}.${box.getAttribute('class')?.slice(0, 40) ?? ''}`)
          break
        }
        if (
          hides(style.overflowY) &&
          !scrollsY &&
          boxes.some((b) => b.bottom > frame.bottom + 4 || b.top < frame.top - 4)
        ) {
          say(`higher than ${box.tagName.toLowerCase()}.${box.getAttribute('class')?.slice(0, 40) ?? ''}`)
          break
        }
        if (style.position === 'fixed') break
      }
      if (!scrollsX && boxes.some((b) => b.right > innerWidth + 1 || b.left < -1)) say('out of the window')
    }
    return [...new Set(found)]
  }, within)

/** Goes to another page of the same job as a link does, without fetching everything anew. */
export const goWithin = (page: Page, path: string) =>
  page.evaluate((to) => {
    history.pushState(null, '', to)
    dispatchEvent(new PopStateEvent('popstate', { state: null }))
  }, path)
