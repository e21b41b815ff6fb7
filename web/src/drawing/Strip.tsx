import {
  CategoryScale,
  Chart,
  Filler,
  LinearScale,
  LineElement,
  type ChartOptions,
  type Plugin,
  PointElement,
} from 'chart.js'
import { useEffect, useLayoutEffect, useMemo, useRef, useState, type KeyboardEvent, type PointerEvent } from 'react'
import { Line } from 'react-chartjs-2'

Chart.register(LinearScale, CategoryScale, LineElement, PointElement, Filler)

export interface StripTrace {
  readonly id: string
  readonly name: string
  readonly points: readonly { readonly x: number; readonly y: number }[]
  /** The controlled place is drawn strongest; another run in dashes. */
  readonly look: 'main' | 'second' | 'thin' | 'other'
}

export interface StripRelay {
  readonly id: string
  readonly name: string
  /** A fan or a pump does neither. */
  readonly action: 'heating' | 'cooling' | 'neither'
  /** Spans in which it is on, in hours. */
  readonly spans?: readonly (readonly [number, number])[]
  /** Share of full from an hour on. */
  readonly share?: readonly { readonly x: number; readonly y: number }[]
}

interface StripFlag {
  readonly at: number
  readonly text: string
}

interface Props {
  readonly traces: readonly StripTrace[]
  readonly relays: readonly StripRelay[]
  readonly flags: readonly StripFlag[]
  /** Shaded band between cut-in and cut-out, in the unit that is shown. */
  readonly band?: readonly [number, number] | undefined
  readonly bandAction: 'heating' | 'cooling'
  /** Hours of the whole run, and those that are shown. */
  readonly hours: number
  readonly window: readonly [number, number]
  readonly onWindow: (window: readonly [number, number]) => void
  readonly cursor: number | undefined
  readonly onCursor: (hour: number | undefined) => void
  /** Word for a time, given how far apart the marks are. */
  readonly timeText: (hour: number, stepH: number) => string
  readonly unit: string
  readonly label: string
  /** Changes with the theme, so that the drawing takes the new colours. */
  readonly theme: string
}

const ROW = 22
/** Shortest window: minutes are enough to see a start. */
const LEAST_H = 0.25
const ZOOM = 1.5
const GUTTER = 64
/** Room that a mark's word needs, px. */
const MARK = 62
const LEGEND = 22

const steps = [0.25, 0.5, 1, 2, 3, 6, 12, 24, 48, 168, 336, 730, 1460]

const colour = (name: string) => getComputedStyle(document.documentElement).getPropertyValue(name).trim()

/** A window of the same middle, wider or narrower, held within the run. */
export function zoomed([from, to]: readonly [number, number], at: number, by: number, hours: number): [number, number] {
  const width = Math.min(hours, Math.max(LEAST_H, (to - from) * by))
  const share = to > from ? (at - from) / (to - from) : 0.5
  const start = Math.min(hours - width, Math.max(0, at - share * width))
  return [start, start + width]
}

export function panned([from, to]: readonly [number, number], by: number, hours: number): [number, number] {
  const moved = Math.min(hours - (to - from), Math.max(0, from + by)) - from
  return [from + moved, to + moved]
}

/** The strip: temperatures above, relays as bars beneath on the same time, the band shaded, what happened as flags. */
export function Strip(props: Props) {
  const {
    traces,
    relays,
    flags,
    band,
    bandAction,
    hours,
    window,
    onWindow,
    cursor,
    onCursor,
    timeText,
    unit,
    label,
    theme,
  } = props
  const chart = useRef<Chart<'line'> | null>(null)
  const box = useRef<HTMLDivElement>(null)
  const [ink, ink2, line, tint, heat, cold, look] = useMemo(
    () => [
      ...['--ink', '--ink2', '--line'].map(colour),
      colour(bandAction === 'heating' ? '--heat' : '--cold'),
      ...['--heat', '--cold', '--look'].map(colour),
    ],
    // The theme decides what the names stand for.
    // eslint-disable-next-line react-hooks/exhaustive-deps
    [theme, bandAction],
  )
  const shown = useRef({ relays, flags, band, cursor })
  shown.current = { relays, flags, band, cursor }
  const plugin = useMemo(
    (): Plugin<'line'> => ({
      id: 'strip',
      beforeDatasetsDraw({ ctx, chartArea, scales }) {
        const { band: drawn } = shown.current
        if (!drawn) return
        const [a, b] = drawn.map((value) => scales['y']!.getPixelForValue(value)) as [number, number]
        const top = Math.max(chartArea.top, Math.min(a, b))
        const bottom = Math.min(chartArea.bottom, Math.max(a, b))
        if (bottom <= top) return
        ctx.save()
        ctx.globalAlpha = 0.13
        ctx.fillStyle = tint!
        ctx.fillRect(chartArea.left, top, chartArea.width, bottom - top)
        ctx.globalAlpha = 1
        ctx.strokeStyle = tint!
        ctx.setLineDash([4, 3])
        for (const at of [a, b]) {
          if (at < chartArea.top || at > chartArea.bottom) continue
          ctx.beginPath()
          ctx.moveTo(chartArea.left, at)
          ctx.lineTo(chartArea.right, at)
          ctx.stroke()
        }
        ctx.restore()
      },
      afterDraw({ ctx, chartArea, scales }) {
        const x = scales['x']!
        const { relays: rows, flags: marks, cursor: at } = shown.current
        const left = (hour: number) => Math.min(chartArea.right, Math.max(chartArea.left, x.getPixelForValue(hour)))
        ctx.save()
        ctx.font = '500 14px "Barlow Condensed"'
        rows.forEach(({ spans, share, action, name }, i) => {
          const middle = chartArea.bottom + 42 + i * ROW
          ctx.fillStyle = ink2!
          ctx.textAlign = 'right'
          ctx.fillText(name, chartArea.left - 6, middle + 4, GUTTER - 8)
          ctx.strokeStyle = line!
          ctx.beginPath()
          ctx.moveTo(chartArea.left, middle)
          ctx.lineTo(chartArea.right, middle)
          ctx.stroke()
          ctx.fillStyle = action === 'heating' ? heat! : action === 'cooling' ? cold! : ink2!
          for (const [from, to] of spans ?? []) {
            const a = left(from)
            const b = left(to)
            if (to >= x.min && from <= x.max) ctx.fillRect(a, middle - 5, Math.max(1, b - a), 10)
          }
          share?.forEach(({ x: from, y }, k) => {
            const next = share[k + 1]?.x ?? x.max
            const a = left(from)
            const pixel = Math.floor(a)
            if (y > 0 && next >= x.min && from <= x.max)
              ctx.fillRect(pixel, middle + 6 - 14 * y, Math.max(1, Math.ceil(left(next)) - pixel), 14 * y)
          })
        })
        ctx.fillStyle = look!
        ctx.strokeStyle = ink!
        let lastAt = -Infinity
        for (const { at: hour } of marks) {
          if (hour < x.min || hour > x.max) continue
          const px = x.getPixelForValue(hour)
          if (px - lastAt < 4) continue
          lastAt = px
          ctx.lineWidth = 1.5
          ctx.beginPath()
          ctx.moveTo(px, chartArea.top)
          ctx.lineTo(px, chartArea.top + 24)
          ctx.stroke()
          ctx.beginPath()
          ctx.moveTo(px, chartArea.top)
          ctx.lineTo(px + 14, chartArea.top)
          ctx.lineTo(px + 9, chartArea.top + 5)
          ctx.lineTo(px + 14, chartArea.top + 10)
          ctx.lineTo(px, chartArea.top + 10)
          ctx.fill()
        }
        if (at !== undefined && at >= x.min && at <= x.max) {
          const px = x.getPixelForValue(at)
          ctx.lineWidth = 1
          ctx.strokeStyle = ink!
          ctx.beginPath()
          ctx.moveTo(px, chartArea.top)
          ctx.lineTo(px, chartArea.bottom + 32 + rows.length * ROW)
          ctx.stroke()
        }
        ctx.restore()
      },
    }),
    [ink, ink2, line, tint, heat, cold, look],
  )
  const [from, to] = window
  // As many marks as there is room for their words.
  const [width, setWidth] = useState(640)
  useLayoutEffect(() => {
    const element = box.current
    if (!element || typeof ResizeObserver === 'undefined') return
    const observer = new ResizeObserver(([entry]) => setWidth(entry!.contentRect.width))
    observer.observe(element)
    return () => observer.disconnect()
  }, [])
  const marks = Math.max(3, Math.floor((width - GUTTER) / MARK))
  const stepH = steps.find((each) => (to - from) / each <= marks) ?? steps[steps.length - 1]!
  const options = useMemo(
    (): ChartOptions<'line'> => ({
      animation: false,
      maintainAspectRatio: false,
      parsing: false,
      normalized: true,
      events: [],
      layout: { padding: { bottom: 16 + relays.length * ROW, left: 8, right: 8 } },
      plugins: { legend: { display: false }, tooltip: { enabled: false } },
      scales: {
        x: {
          type: 'linear',
          min: from,
          max: to,
          grid: { color: line! },
          border: { color: ink! },
          ticks: {
            stepSize: stepH,
            autoSkip: false,
            includeBounds: false,
            maxRotation: 0,
            color: ink2!,
            font: { family: 'B612', size: 12 },
            callback: (value) => timeText(Number(value), stepH),
          },
        },
        y: {
          grid: { color: line! },
          border: { color: ink! },
          grace: '4%',
          ticks: { color: ink2!, font: { family: 'B612', size: 12 }, maxTicksLimit: 7 },
          title: { display: true, text: unit, color: ink2!, font: { family: 'B612', size: 12 } },
          afterFit: (scale) => {
            scale.width = GUTTER
          },
        },
      },
    }),
    [relays.length, from, to, stepH, timeText, unit, ink, ink2, line],
  )
  const data = useMemo(
    () => ({
      datasets: traces.map(({ name, points, look: way }) => ({
        label: name,
        data: points as { x: number; y: number }[],
        borderColor: way === 'other' ? tint! : way === 'thin' ? ink2! : ink!,
        borderWidth: way === 'main' ? 1.75 : 1.25,
        borderDash: way === 'main' ? [] : way === 'other' ? [2, 2] : way === 'thin' ? [1, 3] : [5, 4],
        pointRadius: 0,
        spanGaps: false,
      })),
    }),
    [traces, ink, ink2, tint],
  )
  // What is drawn by hand has to be drawn anew when only it has changed.
  useEffect(() => {
    chart.current?.draw()
  }, [cursor, flags, relays, band])

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
  }, [])

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
  return (
    <div className="strip" aria-label={label}>
      <ul className="strip-legend" style={{ height: LEGEND }} aria-hidden>
        {traces.map(({ id, name, look: way }) => (
          <li key={id} data-look={way}>
            {name}
          </li>
        ))}
      </ul>
      <div
        ref={box}
        className="strip-box"
        role="slider"
        tabIndex={0}
        aria-label={`${label}. Arrows move the cursor, plus and minus zoom, Page keys move along, Home shows all.`}
        aria-valuemin={0}
        aria-valuemax={Math.round(hours * 60)}
        aria-valuenow={Math.round((cursor ?? from) * 60)}
        aria-valuetext={cursor === undefined ? 'no cursor' : timeText(cursor, 0)}
        onPointerDown={down}
        onPointerMove={move}
        onPointerUp={up}
        onPointerCancel={up}
        onPointerLeave={(event) => {
          if (event.pointerType === 'mouse' && !hand.current) onCursor(undefined)
        }}
        onKeyDown={keys}
      >
        <Line
          ref={(made) => {
            chart.current = (made as Chart<'line'> | undefined) ?? null
          }}
          data={data}
          options={options}
          plugins={[plugin]}
          role="img"
          aria-label={label}
          key={theme}
        />
      </div>
    </div>
  )
}
