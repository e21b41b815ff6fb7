import type { Scale } from './scale'
import { cond, ink } from './scaleText'

interface Props {
  readonly scale: Scale
  readonly pointer: number
  readonly onPointer: (value: number) => void
}

/** What the probe is at, to be moved. */
export function ScalePointer({ scale, pointer, onPointer }: Props) {
  const { both, margin, left, low, high, beside, awayAnchor, compact, step, clampedY, say, unit, handle } = scale
  return (
    <g
      {...handle({
        id: 'pointer',
        label: 'Probe is at',
        at: { x: 0, y: pointer },
        step: { x: 0, y: step },
        says: `${say(pointer)} ${unit}`,
        low,
        high,
        move: (to) => onPointer(to.y),
      })}
    >
      {both ? <path d={`M${margin} ${clampedY(pointer)}H${left}`} stroke="var(--ink)" strokeDasharray="2 3" /> : null}
      <rect x={Math.min(beside(0), beside(96))} y={clampedY(pointer) - 16} width={96} height={32} fill="transparent" />
      <path
        d={`M${beside(3)} ${clampedY(pointer)}L${beside(24)} ${clampedY(pointer) - 11}V${clampedY(pointer) + 11}Z`}
        fill="var(--ink)"
      />
      <text
        x={beside(compact && both ? 26 : 30)}
        y={clampedY(pointer) + (compact ? 6 : 8)}
        textAnchor={awayAnchor}
        style={ink(compact ? 16 : 24)}
      >
        {say(pointer)}
        {compact || both ? null : (
          <tspan dx="6" style={cond(15)}>
            probe
          </tspan>
        )}
      </text>
    </g>
  )
}
