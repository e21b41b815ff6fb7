import { useRef, type PointerEvent } from 'react'
import { drawnNote, drawnText } from './drawn'
import { useBox } from './useBox'
import { svgSpot, useHandles } from './useHandles'

interface Span {
  readonly from: number
  readonly to: number
  readonly on: boolean
  readonly title?: string
}

interface SpanRow {
  readonly id: string
  readonly title: string
  readonly note?: string
  readonly tint: 'heat' | 'cold' | 'ink'
  readonly spans: readonly Span[]
}

/** An end in time that can be dragged. */
interface SpanHandle {
  readonly id: string
  readonly label: string
  readonly at: number
  readonly says: string
  readonly step: number
  readonly move: (to: number, done: boolean) => void
}

interface Props {
  readonly label: string
  readonly until: number
  readonly rows: readonly SpanRow[]
  readonly handles: readonly SpanHandle[]
  readonly ticks: readonly { readonly at: number; readonly text: string }[]
  readonly compact: boolean
}

const tints = { heat: 'var(--heat)', cold: 'var(--cold)', ink: 'var(--ink)' } as const

/** Relays and phases over a stretch of time, as bars on a hairline; ends that belong to the plan are dragged. */
export function SpanStrip({ label, until, rows, handles, ticks, compact }: Props) {
  const svg = useRef<SVGSVGElement>(null)
  const { width, height } = useBox(svg, { width: compact ? 374 : 760, height: 60 + rows.length * 70 })
  const left = compact ? 12 : 170
  const rowHeight = Math.min(compact ? 84 : 80, (height - 66) / Math.max(1, rows.length))
  const per = (width - left - 20) / until
  const x = (at: number) => left + Math.min(until, Math.max(0, at)) * per
  const { handle } = useHandles((event: PointerEvent) => ({
    x: (svgSpot(svg.current!, event, width, height).x - left) / per,
    y: 0,
  }))
  return (
    <svg
      ref={svg}
      viewBox={`0 0 ${width} ${height}`}
      className="w-full h-full max-h-[440px] select-none"
      role="group"
      aria-label={label}
    >
      <defs>
        <pattern id="span-rest" width="5" height="5" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
          <path d="M0 0V5" stroke="var(--edge)" opacity=".7" />
        </pattern>
      </defs>
      {ticks.map(({ at, text }) => (
        <g key={text}>
          <path d={`M${x(at)} 30V${height - 26}`} stroke="var(--line)" />
          <text
            x={x(at)}
            y={height - 8}
            textAnchor="middle"
            style={{ font: '400 13px var(--font-sans)', fill: 'var(--ink2)' }}
          >
            {text}
          </text>
        </g>
      ))}
      {rows.map((row, i) => {
        const top = 40 + i * rowHeight + (compact ? 20 : 0)
        return (
          <g key={row.id}>
            <text
              x={compact ? left : left - 12}
              y={compact ? top - 6 : top + 18}
              textAnchor={compact ? 'start' : 'end'}
              style={{ font: '600 16px var(--font-cond)' }}
            >
              {row.title}
            </text>
            {row.note && !compact ? (
              <text x={left - 12} y={top + 35} textAnchor="end" style={drawnNote(13)}>
                {row.note}
              </text>
            ) : null}
            <path d={`M${left} ${top + 34}H${width - 20}`} stroke="var(--ink)" />
            {row.spans.map((span) => (
              <g key={`${span.from}/${span.title ?? ''}`}>
                <rect
                  x={x(span.from)}
                  y={top}
                  width={Math.max(1.5, x(span.to) - x(span.from))}
                  height={34}
                  fill={span.on ? tints[row.tint] : 'url(#span-rest)'}
                  opacity={span.on ? 1 : 0.9}
                />
                {span.title && x(span.to) - x(span.from) > 7 * span.title.length ? (
                  <text
                    x={(x(span.from) + x(span.to)) / 2}
                    y={top + 22}
                    textAnchor="middle"
                    style={
                      span.on
                        ? { font: '600 15px var(--font-cond)', fill: 'var(--on-solid)' }
                        : { ...drawnText(13), font: '600 15px var(--font-cond)' }
                    }
                  >
                    {span.title}
                  </text>
                ) : null}
              </g>
            ))}
          </g>
        )
      })}
      {handles
        .filter(({ at }) => at >= 0 && at <= until)
        .map(({ id, label: name, at, says, step, move }) => (
          <g
            key={id}
            {...handle({
              id,
              label: name,
              at: { x: at, y: 0 },
              step: { x: step, y: 0 },
              says,
              low: 0,
              high: until,
              move: (to, done) => move(to.x, done),
            })}
          >
            <rect x={x(at) - 16} y={8} width={32} height={height - 40} fill="transparent" />
            <path d={`M${x(at)} 26V${height - 26}`} stroke="var(--ink)" strokeWidth="1.5" />
            <path d={`M${x(at) - 9} 12h18v10l-9 8l-9-8Z`} fill="var(--mark)" stroke="var(--ink)" strokeWidth="1.5" />
          </g>
        ))}
    </svg>
  )
}
