import { partNames, type Scale } from './scale'
import { cond, ink } from './scaleText'

/** An alarm, as a flag opposite the rungs. */
export function ScaleAlarm({ scale, part, value }: { scale: Scale; part: 'alarm' | 'alarmLow'; value: number }) {
  const { both, freeLeft, margin, free, awayAnchor, compact, clampedY, say, first, marks, sliding } = scale
  const at = clampedY(value)
  const out = both ? -1 : freeLeft ? -1 : 1
  const x0 = both ? margin : free
  return (
    <g {...sliding(part, first?.id ?? '', partNames[part], value, marks[part])}>
      <rect x={Math.min(x0, x0 + out * 60)} y={at - 16} width={60} height={32} fill="transparent" />
      <path d={`M${x0} ${at}h${out * 30}`} stroke="var(--stop)" strokeWidth="1.5" />
      <path d={`M${x0 + out * 12} ${at - 7}h${out * 22}l${-out * 7} 7l${out * 7} 7h${-out * 22}Z`} fill="var(--stop)" />
      {marks[part] ? <path d={`M${x0 + out * 5} ${at - 22}l7 13h-14Z`} fill="var(--look)" /> : null}
      <text x={x0 + out * (compact ? 38 : 44)} y={at + 5} textAnchor={awayAnchor} style={ink(14)}>
        {say(value)}
        <tspan dx="8" style={cond(15)}>
          {compact || both ? '' : part === 'alarm' ? 'high alarm' : 'low alarm'}
        </tspan>
      </text>
    </g>
  )
}
