import { drawnText } from '../drawn'
import type { Reset } from './reset'
import type { Pair } from './resetDrawing'

/** What it is outdoors now, and what the line asks for. */
export function ResetNow({ reset, now }: { reset: Reset; now: Pair }) {
  const { x, y, span, floor, compact, say, unit } = reset
  return (
    <g role="img" aria-label={`Now ${say(now[0])} ${unit} outdoors, ${say(now[1])} ${unit} asked for`}>
      <path d={`M${x.at(span.x[0])} ${y.at(now[1])}H${x.at(now[0])}V${floor}`} stroke="var(--ink)" fill="none" />
      <circle cx={x.at(now[0])} cy={y.at(now[1])} r={8} fill="var(--ink)" />
      <text x={x.at(now[0]) + 14} y={y.at(now[1]) - 12} style={drawnText(compact ? 20 : 30)}>
        {say(now[1])}
      </text>
      <rect x={x.at(now[0]) - 24} y={floor + 6} width={48} height={22} fill="var(--mark)" stroke="var(--ink)" />
      <text x={x.at(now[0])} y={floor + 22} textAnchor="middle" style={{ font: '700 13px var(--font-sans)' }}>
        {say(now[0])}
      </text>
    </g>
  )
}
