import type { Reset } from './reset'

interface Props {
  readonly reset: Reset
  readonly id: 'minimum' | 'maximum'
  readonly value: number
  /** Outdoor temperature over which nothing is heated. */
  readonly shutdown: number | undefined
}

/** The least or the most that the supply may be. */
export function ResetLevel({ reset, id, value, shutdown }: Props) {
  const { x, y, span, step, compact, say, unit, marks, handle, onMove } = reset
  const py = y.at(Math.min(span.y[1], Math.max(span.y[0], value)))
  const lineEnd = shutdown === undefined ? span.x[1] : Math.min(shutdown, span.x[1])
  const px = id === 'maximum' ? x.at(span.x[0]) + 8 : x.at(lineEnd) - 8
  return (
    <g
      {...handle({
        id,
        label: id === 'maximum' ? 'Maximum supply' : 'Minimum supply',
        at: { x: 0, y: value },
        step: { x: 0, y: step },
        says: `${say(value)} ${unit}${marks[id] ? `, ${marks[id]!}` : ''}`,
        low: span.y[0],
        high: span.y[1],
        move: (to, done) => onMove(id, to, done),
      })}
    >
      <rect x={px - 8} y={py - 16} width={id === 'maximum' ? 80 : 16} height={32} fill="transparent" />
      <rect x={px - 6} y={py - 6} width={12} height={12} fill="var(--heat)" stroke="var(--paper)" />
      <text
        x={id === 'maximum' ? px + 12 : px}
        y={id === 'maximum' ? (compact ? py - 10 : py + 18) : py - 11}
        textAnchor={id === 'maximum' ? 'start' : 'end'}
        style={{ font: '600 15px var(--font-cond)', paintOrder: 'stroke', stroke: 'var(--paper)', strokeWidth: 4 }}
      >
        {id === 'maximum' ? 'max' : 'min'} {say(value)}
      </text>
    </g>
  )
}
