import { type RefObject, useLayoutEffect, useState } from 'react'

/** Smaller than this nothing is legible: the drawing shrinks instead. */
const LEAST = { width: 300, height: 240 }

/**
 * The size of a drawing's box in CSS pixels, so that it is drawn one to one and its text stays as large as it is meant to be.
 * @param usual size where nothing is laid out, as in a test or before the first frame
 */
export function useBox(
  svg: RefObject<SVGSVGElement | null>,
  usual: { readonly width: number; readonly height: number },
): { readonly width: number; readonly height: number } {
  const [box, setBox] = useState(usual)
  useLayoutEffect(() => {
    const element = svg.current
    if (!element || typeof ResizeObserver === 'undefined') return
    const measure = () => {
      const { width, height } = element.getBoundingClientRect()
      if (width > 0 && height > 0)
        setBox((now) => {
          const next = {
            width: Math.max(LEAST.width, Math.round(width)),
            height: Math.max(LEAST.height, Math.round(height)),
          }
          return next.width === now.width && next.height === now.height ? now : next
        })
    }
    measure()
    const observer = new ResizeObserver(measure)
    observer.observe(element)
    return () => observer.disconnect()
  }, [svg])
  return box
}
