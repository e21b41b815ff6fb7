import { Chart, Legend, LinearScale, LineElement, type ChartOptions, PointElement, Tooltip } from 'chart.js'
import { useMemo } from 'react'
import { Line } from 'react-chartjs-2'
import type { LinesPicture } from '@nachtigal/core/calc/picture'
import { plainDigits } from '@nachtigal/core/units/plainDigits'
import { type UnitPreferences } from '@nachtigal/core/units/quantity'
import { axisView } from './axisView'

Chart.register(LinearScale, LineElement, PointElement, Legend, Tooltip)

interface Props {
  readonly picture: LinesPicture
  readonly preferences: UnitPreferences
  readonly label: string
  readonly theme: string
}

const colour = (name: string) => getComputedStyle(document.documentElement).getPropertyValue(name).trim()
const font = { family: 'B612', size: 12 }

/** Curves with the spots that matter on them, each named. */
export function LinesDrawing({ picture, preferences, label, theme }: Props) {
  const { data, options } = useMemo(() => {
    const [ink, ink2, line, edge, mark] = ['--ink', '--ink2', '--line', '--edge', '--mark'].map(colour)
    const x = axisView(picture.x, preferences)
    const y = axisView(picture.y, preferences)
    const point = ([px, py]: readonly [number, number]) => ({ x: x.toShown(px), y: y.toShown(py) })
    const every = [...picture.lines.flatMap(({ points }) => points), ...picture.spots.map(({ at }) => at)]
    const xs = every.map(([px]) => x.toShown(px))
    const [low, high] = [Math.min(...xs), Math.max(...xs)]
    const spread = high > low ? 0 : 1
    return {
      data: {
        datasets: [
          ...picture.spots.map(({ title, at }) => ({
            label: title,
            data: [point(at)],
            showLine: false,
            pointStyle: 'circle' as const,
            pointRadius: 6,
            pointHoverRadius: 8,
            pointBackgroundColor: mark!,
            pointBorderColor: ink!,
            pointBorderWidth: 2,
            borderColor: ink!,
          })),
          ...picture.lines.map(({ title, points, look = 'main' }) => ({
            label: title,
            data: points.map(point),
            borderColor: look === 'main' ? ink! : ink2!,
            borderWidth: look === 'main' ? 2 : 1.5,
            borderDash: look === 'main' ? [] : [5, 4],
            pointRadius: 0,
            pointStyle: 'line' as const,
          })),
          ...(picture.across ?? []).map(({ title, at }) => ({
            label: title,
            data: [low - spread, high + spread].map((end) => ({ x: end, y: y.toShown(at) })),
            borderColor: edge!,
            borderWidth: 1.5,
            borderDash: [2, 3],
            pointRadius: 0,
            pointStyle: 'line' as const,
          })),
        ],
      },
      options: {
        animation: false,
        maintainAspectRatio: false,
        parsing: false,
        normalized: true,
        layout: { padding: { right: 8 } },
        interaction: { mode: 'nearest', intersect: false },
        plugins: {
          legend: {
            align: 'start',
            labels: {
              color: ink!,
              // Numbered spots are told by the table beside the drawing; a pair of limits has one name.
              filter: ({ text, datasetIndex }, { datasets }) =>
                !/^\d+$/.test(text) && datasets.findIndex((set) => set.label === text) === datasetIndex,
              usePointStyle: true,
              boxHeight: 8,
              boxWidth: 16,
              font: { family: 'B612', size: 12 },
            },
          },
          tooltip: {
            callbacks: {
              title: () => '',
              label: ({ dataset, parsed }) =>
                `${dataset.label ?? ''}: ${plainDigits(parsed.x ?? 0, 4)} ${x.label}, ${plainDigits(parsed.y ?? 0, 4)} ${y.label}`,
            },
          },
        },
        scales: Object.fromEntries(
          (
            [
              ['x', x],
              ['y', y],
            ] as const
          ).map(([name, axis]) => [
            name,
            {
              type: 'linear',
              grid: { color: line! },
              border: { color: ink! },
              ...(name === 'x' ? { min: low - spread, max: high + spread } : {}),
              ticks: { color: ink2!, font, maxTicksLimit: 7 },
              title: { display: true, text: axis.title, color: ink2!, font },
            },
          ]),
        ),
      } as ChartOptions<'line'>,
    }
    // The theme changes the colours that are read from the page.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [picture, preferences, theme])
  return <Line data={data} options={options} role="img" aria-label={label} />
}
