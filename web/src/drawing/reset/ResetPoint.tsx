import { drawnText } from '../drawn'
import type { Reset } from './reset'
import type { Pair } from './resetDrawing'

interface Props {
  readonly reset: Reset
  readonly id: 'design' | 'warm'
  readonly at: Pair
  readonly label: string
}

/** One of the two points that make the line. */
export function ResetPoint({ reset, id, at: [o, s], label }: Props) {
  const { x, y, span, step, compact, say, unit, marks, handle, onMove } = reset
  const [px, py] = [x.at(o), y.at(s)]
  const above = id === 'design'
  return (
    <g
      {...handle({
        id,
        label: above ? 'Design point' : 'Warm point',
        at: { x: o, y: s },
        step: { x: step, y: step },
        says: `${say(o)} outdoors, ${say(s)} ${unit} supply${marks[id] ? `, ${marks[id]!}` : ''}`,
        low: span.y[0],
        high: span.y[1],
        move: (to, done) => onMove(id, to, done),
      })}
    >
      <rect x={px - 22} y={py - 22} width={44} height={44} fill="transparent" />
      <rect
        x={px - 9}
        y={py - 9}
        width={18}
        height={18}
        fill="var(--blank)"
        stroke={marks[id] ? 'var(--look)' : 'var(--ink)'}
        strokeWidth="1.5"
      />
      <path d={`M${px - 4} ${py}h8M${px} ${py - 4}v8`} stroke="var(--ink)" strokeWidth="1.5" />
      <text
        x={px + (above ? 16 : -16)}
        y={py + (above ? 26 : -26)}
        textAnchor={above ? 'start' : 'end'}
        style={{ font: '600 15px var(--font-cond)', paintOrder: 'stroke', stroke: 'var(--paper)', strokeWidth: 4 }}
      >
        {label}
      </text>
      <text
        x={px + (above ? 16 : -16)}
        y={py + (above ? 44 : -10)}
        textAnchor={above ? 'start' : 'end'}
        style={drawnText(13)}
      >
        {compact ? `${say(o)}, ${say(s)}` : `${say(o)} outdoors, ${say(s)} supply`}
      </text>
    </g>
  )
}
