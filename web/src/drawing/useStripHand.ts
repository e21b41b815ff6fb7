import type { Chart } from 'chart.js'
import { type KeyboardEvent, type PointerEvent, type RefObject, useEffect, useRef } from 'react'
import { GUTTER } from './stripPlugin'
import { panned, type StripWindow, zoomed, ZOOM } from './stripWindow'

interface Held {
  readonly box: RefObject<HTMLDivElement | null>
  readonly chart: RefObject<Chart<'line'> | null>
  readonly hours: number
  readonly window: StripWindow
  readonly onWindow: (window: StripWindow) => void
  readonly cursor: number | undefined
  readonly onCursor: (hour: number | undefined) => void
}

/** The strip under a hand: the cursor by tap, mouse and arrows; zoom by wheel, two fingers, plus and minus; along by drag and Page keys. */
export function useStripHand({ box, chart, hours, window, onWindow, cursor, onCursor }: Held) {
  const [from, to] = window
  const hourAt = (clientX: number): number => {
    const scale = chart.current?.scales['x']
    const rect = box.current?.getBoundingClientRect()
    if (!scale || !rect) return from
    return Math.min(to, Math.max(from, scale.getValueForPixel(clientX - rect.left) ?? from))
  }
  const now = useRef({ window, hours, onWindow, hourAt })
  now.current = { window, hours, onWindow, hourAt }
  useEffect(() => {
    const element = box.current
    if (!element) return
    const wheel = (event: WheelEvent) => {
      const { window: held, hours: all, onWindow: put, hourAt: at } = now.current
      const wider = event.deltaY > 0
      if (Math.abs(event.deltaX) > Math.abs(event.deltaY)) {
        event.preventDefault()
        put(panned(held, ((held[1] - held[0]) * event.deltaX) / 600, all))
        return
      }
      // The whole run is in sight: the wheel belongs to the page again.
      if (wider && held[1] - held[0] >= all) return
      event.preventDefault()
      put(zoomed(held, at(event.clientX), wider ? ZOOM : 1 / ZOOM, all))
    }
    element.addEventListener('wheel', wheel, { passive: false })
    return () => element.removeEventListener('wheel', wheel)
  }, [box])

  const fingers = useRef(new Map<number, number>())
  const hand = useRef<{ window: readonly [number, number]; x: number; moved: boolean; spread?: number } | undefined>(
    undefined,
  )
  const down = (event: PointerEvent) => {
    fingers.current.set(event.pointerId, event.clientX)
    event.currentTarget.setPointerCapture(event.pointerId)
    const xs = [...fingers.current.values()]
    hand.current = {
      window,
      x: xs.reduce((sum, x) => sum + x, 0) / xs.length,
      moved: xs.length > 1,
      ...(xs.length > 1 ? { spread: Math.abs(xs[0]! - xs[1]!) } : {}),
    }
  }
  const move = (event: PointerEvent) => {
    if (!fingers.current.has(event.pointerId)) {
      if (event.pointerType === 'mouse') onCursor(hourAt(event.clientX))
      return
    }
    fingers.current.set(event.pointerId, event.clientX)
    const held = hand.current
    if (!held) return
    const xs = [...fingers.current.values()]
    const x = xs.reduce((sum, each) => sum + each, 0) / xs.length
    const width = (box.current?.clientWidth ?? 600) - GUTTER
    if (xs.length > 1 && held.spread) {
      const spread = Math.max(20, Math.abs(xs[0]! - xs[1]!))
      onWindow(zoomed(held.window, hourAt(held.x), held.spread / spread, hours))
      return
    }
    if (Math.abs(x - held.x) > 4) held.moved = true
    if (held.moved) onWindow(panned(held.window, ((held.x - x) / width) * (held.window[1] - held.window[0]), hours))
  }
  const up = (event: PointerEvent) => {
    fingers.current.delete(event.pointerId)
    if (hand.current && !hand.current.moved) onCursor(hourAt(event.clientX))
    if (fingers.current.size === 0) hand.current = undefined
  }
  const keys = (event: KeyboardEvent) => {
    const width = to - from
    const at = cursor ?? (from + to) / 2
    const nudge = (sign: number) => {
      const next = Math.min(hours, Math.max(0, at + (sign * width) / (event.shiftKey ? 10 : 100)))
      onCursor(next)
      if (next < from || next > to) onWindow(panned(window, next - at, hours))
    }
    const acts: Readonly<Record<string, () => void>> = {
      ArrowLeft: () => nudge(-1),
      ArrowRight: () => nudge(1),
      '+': () => onWindow(zoomed(window, at, 1 / ZOOM, hours)),
      '=': () => onWindow(zoomed(window, at, 1 / ZOOM, hours)),
      '-': () => onWindow(zoomed(window, at, ZOOM, hours)),
      PageUp: () => onWindow(panned(window, -width * 0.8, hours)),
      PageDown: () => onWindow(panned(window, width * 0.8, hours)),
      Home: () => onWindow([0, hours]),
      Escape: () => onCursor(undefined),
    }
    const act = acts[event.key]
    if (!act) return
    event.preventDefault()
    act()
  }
  return {
    onPointerDown: down,
    onPointerMove: move,
    onPointerUp: up,
    onPointerCancel: up,
    onPointerLeave: (event: PointerEvent) => {
      if (event.pointerType === 'mouse' && !hand.current) onCursor(undefined)
    },
    onKeyDown: keys,
  }
}
