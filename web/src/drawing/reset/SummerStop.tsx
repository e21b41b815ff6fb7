import { capital } from '@nachtigal/core/words/terms'
import { drawnText } from '../drawn'
import type { Reset } from './reset'

/** Outdoor temperature over which nothing is heated. */
export function SummerStop({
  reset,
  shutdown,
  title,
}: {
  readonly reset: Reset
  readonly shutdown: number
  /** What it is called in the practice of the job. */
  readonly title: string
}) {
  const { x, span, step, floor, compact, say, unit, handle, onMove } = reset
  return (
    <g
      {...handle({
        id: 'shutdown',
        label: capital(title),
        at: { x: shutdown, y: 0 },
        step: { x: step, y: 0 },
        says: `over ${say(shutdown)} ${unit} outdoors`,
        low: span.x[0],
        high: span.x[1],
        move: (to, done) => onMove('shutdown', to, done),
      })}
    >
      <rect x={x.at(shutdown) - 16} y={16} width={32} height={floor - 16} fill="transparent" />
      <path d={`M${x.at(shutdown)} 44V${floor}`} stroke="var(--ink)" strokeWidth="1.5" />
      <path
        d={`M${x.at(shutdown) - 8} 24h16v14l-8 8l-8-8Z`}
        fill="var(--blank)"
        stroke="var(--ink)"
        strokeWidth="1.5"
      />
      <text
        x={x.at(shutdown) + (compact ? -12 : 14)}
        y={62}
        textAnchor={compact ? 'end' : 'start'}
        style={{ font: '600 15px var(--font-cond)', paintOrder: 'stroke', stroke: 'var(--paper)', strokeWidth: 4 }}
      >
        {title}
      </text>
      <text
        x={x.at(shutdown) + (compact ? -12 : 14)}
        y={80}
        textAnchor={compact ? 'end' : 'start'}
        style={drawnText(13)}
      >
        over {say(shutdown)}
      </text>
    </g>
  )
}
