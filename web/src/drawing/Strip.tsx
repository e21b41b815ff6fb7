import { CategoryScale, Chart, Filler, LinearScale, LineElement, type ChartOptions, PointElement } from 'chart.js'
import { useEffect, useLayoutEffect, useMemo, useRef, useState } from 'react'
import { Line } from 'react-chartjs-2'
import type { StripFlag, StripRelay, StripTrace } from './stripParts'
import { GUTTER, ROW, stripPlugin } from './stripPlugin'
import { useStripHand } from './useStripHand'

Chart.register(LinearScale, CategoryScale, LineElement, PointElement, Filler)

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

/** Room that a mark's word needs, px. */
const MARK = 62
const LEGEND = 22

const steps = [0.25, 0.5, 1, 2, 3, 6, 12, 24, 48, 168, 336, 730, 1460]

const colour = (name: string) => getComputedStyle(document.documentElement).getPropertyValue(name).trim()

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
    () =>
      stripPlugin(shown, { ink: ink!, ink2: ink2!, line: line!, tint: tint!, heat: heat!, cold: cold!, look: look! }),
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

  const hand = useStripHand({ box, chart, window, onWindow, cursor, onCursor, hours })
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
        {...hand}
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
