import type { ScaleValues } from '../scaleValues'
import type { Scale } from './scale'
import { cond, ink } from './scaleText'

/** Where a limiter opens. */
export function ScaleCutOut({ scale, cutOut }: { scale: Scale; cutOut: NonNullable<ScaleValues['cutOuts']>[number] }) {
  const { low, high, free, freeLeft, awayAnchor, compact, single, clampedY, say, unit } = scale
  const { tag, at, opens } = cutOut
  const pinned = at < low || at > high
  const cy = clampedY(at) + (pinned ? (at > high ? -14 : 14) : 0)
  const out = freeLeft ? -1 : 1
  return (
    <g role="img" aria-label={`${tag} ${opens === 'rise' ? 'opens over' : 'opens under'} ${say(at)} ${unit}`}>
      <path d={`M${free} ${cy}h${out * 12}`} stroke="var(--stop)" strokeWidth="3" />
      <path
        transform={`translate(${free + out * 20 - 7} ${cy - 7}) scale(.875)`}
        d="M4.7 0H11.3L16 4.7V11.3L11.3 16H4.7L0 11.3V4.7Z"
        fill="var(--stop)"
      />
      <path d={`M${free + out * 20 - 3.5} ${cy}h7`} stroke="var(--on-solid)" strokeWidth="2" />
      <text x={free + out * 34} y={cy + 5} textAnchor={awayAnchor} style={ink(13, 700)}>
        {say(at)}
        <tspan dx="6" style={cond(14, 'var(--stop)')}>
          {compact ? (single ? tag : '') : `${tag} opens`}
        </tspan>
      </text>
    </g>
  )
}
