import { partNames, type Scale } from './scale'
import { cond, ink } from './scaleText'

/** A limit of the setpoint, as a hook opposite the rungs. */
export function ScaleLimit({ scale, part, value }: { scale: Scale; part: 'lowest' | 'highest'; value: number }) {
  const { both, margin, free, left, away, awayAnchor, compact, clampedY, y, say, first, marks, sliding } = scale
  const at = clampedY(value)
  const hook = part === 'highest' ? 1 : -1
  const pinned = Math.abs(at - y(value)) > 1
  const x0 = both ? margin : free
  const out = (distance: number) => (both ? x0 - distance : away(distance))
  return (
    <g {...sliding(part, first?.id ?? '', partNames[part], value, marks[part])}>
      <rect x={Math.min(x0, out(70))} y={at - 16} width={70} height={32} fill="transparent" />
      {both ? <path d={`M${x0} ${at}H${left}`} stroke="var(--line)" /> : null}
      <path
        d={`M${out(12)} ${at}H${x0}M${x0} ${at}v${hook * 14}`}
        stroke={marks[part] ? 'var(--look)' : 'var(--ink)'}
        strokeWidth="3"
        fill="none"
      />
      {pinned ? <path d={`M${out(26)} ${at + hook * 4}l4 ${-hook * 8}l4 ${hook * 8}Z`} fill="var(--ink2)" /> : null}
      <text x={out(compact ? 20 : 40)} y={at + 5} textAnchor={awayAnchor} style={ink(14)}>
        {say(value)}
        {compact || both ? null : (
          <tspan dx="8" style={cond(15)}>
            {part === 'highest' ? 'highest the keys allow' : 'lowest'}
          </tspan>
        )}
      </text>
      {compact || both ? (
        <text x={out(20)} y={at + (part === 'lowest' ? -12 : 22)} textAnchor={awayAnchor} style={cond(14)}>
          {part}
        </text>
      ) : null}
    </g>
  )
}
