import {
  CategoryScale,
  Chart,
  Filler,
  Legend,
  LinearScale,
  LineElement,
  type ChartOptions,
  type Plugin,
  PointElement,
  Tooltip,
} from 'chart.js'
import { useMemo } from 'react'
import { Line } from 'react-chartjs-2'

Chart.register(LinearScale, CategoryScale, LineElement, PointElement, Filler, Legend, Tooltip)

export interface StripTrace {
  readonly name: string
  readonly points: readonly { readonly x: number; readonly y: number }[]
  readonly dashed?: boolean
}

export interface StripRelay {
  readonly name: string
  readonly action: 'heating' | 'cooling'
  /** Spans in which it is on, in hours. */
  readonly spans: readonly (readonly [number, number])[]
}

interface Props {
  readonly traces: readonly StripTrace[]
  readonly relays: readonly StripRelay[]
  /** Shaded band between cut-in and cut-out, in the unit that is shown. */
  readonly band?: readonly [number, number]
  readonly bandAction: 'heating' | 'cooling'
  readonly hours: number
  readonly unit: string
  readonly label: string
  /** Changes with the theme, so that the drawing takes the new colours. */
  readonly theme: string
}

const ROW = 20

const colour = (name: string) => getComputedStyle(document.documentElement).getPropertyValue(name).trim()

/** The strip: temperatures above, relays as bars beneath on the same time, the band shaded. */
export function Strip({ traces, relays, band, bandAction, hours, unit, label, theme }: Props) {
  const [ink, ink2, line, tint] = useMemo(
    () => [colour('--ink'), colour('--ink2'), colour('--line'), colour(bandAction === 'heating' ? '--heat' : '--cold')],
    [theme, bandAction],
  )
  const plugin = useMemo(
    (): Plugin<'line'> => ({
      id: 'relays',
      beforeDatasetsDraw({ ctx, chartArea, scales }) {
        if (!band) return
        const [a, b] = band.map((value) => scales['y']!.getPixelForValue(value)) as [number, number]
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
          ctx.beginPath()
          ctx.moveTo(chartArea.left, at)
          ctx.lineTo(chartArea.right, at)
          ctx.stroke()
        }
        ctx.restore()
      },
      afterDraw({ ctx, chartArea, scales }) {
        const x = scales['x']!
        ctx.save()
        ctx.font = '500 14px "Barlow Condensed"'
        relays.forEach(({ spans, action, name }, i) => {
          const middle = chartArea.bottom + 40 + i * ROW
          ctx.fillStyle = ink2!
          ctx.textAlign = 'right'
          ctx.fillText(name, chartArea.left - 6, middle + 4)
          ctx.strokeStyle = line!
          ctx.beginPath()
          ctx.moveTo(chartArea.left, middle)
          ctx.lineTo(chartArea.right, middle)
          ctx.stroke()
          ctx.fillStyle = colour(action === 'heating' ? '--heat' : '--cold')
          for (const [from, to] of spans)
            ctx.fillRect(
              x.getPixelForValue(from),
              middle - 5,
              Math.max(1, x.getPixelForValue(to) - x.getPixelForValue(from)),
              10,
            )
        })
        ctx.restore()
      },
    }),
    [band, relays, ink2, line, tint],
  )
  const options = useMemo(
    (): ChartOptions<'line'> => ({
      animation: false,
      maintainAspectRatio: false,
      parsing: false,
      normalized: true,
      layout: { padding: { bottom: 14 + relays.length * ROW, left: 8 } },
      interaction: { mode: 'index', intersect: false, axis: 'x' },
      plugins: {
        legend: {
          align: 'start',
          labels: { color: ink!, boxHeight: 0, boxWidth: 28, font: { family: 'B612', size: 13 } },
        },
        tooltip: {
          callbacks: {
            title: ([item]) =>
              `${String(Math.floor(item?.parsed.x ?? 0)).padStart(2, '0')}:${String(Math.round(((item?.parsed.x ?? 0) % 1) * 60)).padStart(2, '0')}`,
            label: ({ dataset, parsed }) => `${dataset.label ?? ''} ${parsed.y?.toFixed(1) ?? ''} ${unit}`,
          },
        },
      },
      scales: {
        x: {
          type: 'linear',
          min: 0,
          max: hours,
          grid: { color: line! },
          border: { color: ink! },
          ticks: { stepSize: 3, color: ink2!, font: { family: 'B612', size: 12 }, callback: (value) => `${value} h` },
        },
        y: {
          grid: { color: line! },
          border: { color: ink! },
          ticks: { color: ink2!, font: { family: 'B612', size: 12 } },
          title: { display: true, text: unit, color: ink2!, font: { family: 'B612', size: 12 } },
          afterFit: (scale) => {
            scale.width = 64
          },
        },
      },
    }),
    [relays.length, hours, unit, ink, ink2, line],
  )
  const data = useMemo(
    () => ({
      datasets: traces.map(({ name, points, dashed }) => ({
        label: name,
        data: [...points],
        borderColor: ink!,
        borderWidth: dashed ? 1.25 : 1.75,
        borderDash: dashed ? [5, 4] : [],
        pointRadius: 0,
      })),
    }),
    [traces, ink],
  )
  return (
    <div className="h-full w-full relative">
      <Line data={data} options={options} plugins={[plugin]} role="img" aria-label={label} key={theme} />
    </div>
  )
}
