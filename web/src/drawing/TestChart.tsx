import { CategoryScale, Chart, Filler, LinearScale, LineElement, PointElement, type ChartOptions } from 'chart.js'
import { useMemo } from 'react'
import { Scatter } from 'react-chartjs-2'
import type { ProofChart } from '@nachtigal/core/commissioning/proofTest'
import { useAppSelector } from '../state/store'

Chart.register(LinearScale, CategoryScale, LineElement, PointElement, Filler)

const colour = (name: string) => getComputedStyle(document.documentElement).getPropertyValue(name).trim()

/** What was planned as a line with what may stray about it, what was read as points, what the display said beside them. */
export function TestChart({ chart, label }: { chart: ProofChart; label: string }) {
  const theme = useAppSelector((state) => state.view.theme)
  const { data, options } = useMemo(() => {
    const [ink, ink2, line, look, blank] = ['--ink', '--ink2', '--line', '--look', '--blank'].map(colour)
    const sorted = [...chart.points].sort((a, b) => a.x - b.x)
    const through = (pick: (point: (typeof sorted)[number]) => number) =>
      sorted.map((point) => ({ x: point.x, y: pick(point) }))
    const points = (pick: (point: (typeof sorted)[number]) => number | undefined) =>
      chart.points.flatMap((point) => {
        const y = pick(point)
        return y === undefined ? [] : [{ x: point.x, y }]
      })
    const text = { color: ink2, font: { family: 'B612', size: 12 } }
    const scale = (title: string) => ({
      grid: { color: line },
      border: { color: ink },
      ticks: text,
      title: { display: true, text: title, ...text },
    })
    const chartOptions: ChartOptions<'scatter'> = {
      animation: false,
      responsive: true,
      maintainAspectRatio: false,
      scales: { x: { type: 'linear', ...scale(chart.xTitle) }, y: { type: 'linear', ...scale(chart.yTitle) } },
    }
    return {
      options: chartOptions,
      data: {
        datasets: [
          {
            label: 'most',
            data: through((p) => p.high),
            showLine: true,
            pointRadius: 0,
            borderWidth: 0,
            fill: '+1',
            backgroundColor: blank,
          },
          { label: 'least', data: through((p) => p.low), showLine: true, pointRadius: 0, borderWidth: 0 },
          {
            label: 'planned',
            data: through((p) => p.should),
            showLine: true,
            pointRadius: 0,
            borderColor: ink,
            borderWidth: 1.5,
          },
          {
            label: 'display',
            data: points((p) => p.display),
            pointStyle: 'rect' as const,
            pointRadius: 5,
            pointBorderColor: ink,
            backgroundColor: 'transparent',
          },
          {
            label: 'meter',
            data: points((p) => p.read),
            pointStyle: 'triangle' as const,
            pointRadius: 6,
            rotation: 180,
            backgroundColor: look,
            pointBorderColor: ink,
          },
        ],
      },
    }
    // The tokens are other ones at night: drawn anew then.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [chart, theme])
  return (
    <figure className="test-chart">
      <div role="img" aria-label={label}>
        <Scatter data={data} options={options} />
      </div>
      <figcaption className="small text-ink2">line: planned, band: may stray, ▼ meter, □ display</figcaption>
    </figure>
  )
}
