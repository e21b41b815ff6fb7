import type { Rung } from '../scaleValues'
import type { Scale } from './scale'
import { RULE } from './scaleLayout'
import { cond } from './scaleText'

interface Props {
  readonly scale: Scale
  readonly rungs: readonly Rung[]
  readonly first: Rung
  /** What moves with the setpoint, in words. */
  readonly moves: string
}

/** The setpoint: its notch in the rule, and the chip with its value where there is room. */
export function ScaleSetpoint({ scale, rungs, first, moves }: Props) {
  const { left, right, single, compact, set, setY, y, say, unit, marks, sliding } = scale
  const side = first.action === 'heating' ? -1 : 1
  const near = first.action === 'heating' ? left : right
  const chipFar = near + side * 204
  // Beyond the only rung, else beside the notch where stage 1 leaves room.
  const chipX = single ? Math.min(chipFar, near + side * 326) : side > 0 ? right + 8 : left - 130
  const chipY = single
    ? setY - 16
    : side > 0
      ? Math.max(
          setY,
          ...rungs.filter((r) => r.stage === 1 && r.action === first.action).map((r) => Math.max(y(r.on), y(r.off))),
        ) + 16
      : Math.min(
          setY,
          ...rungs.filter((r) => r.stage === 1 && r.action === first.action).map((r) => Math.min(y(r.on), y(r.off))),
        ) - 48
  return (
    <g {...sliding('set', first.id, single ? 'Setpoint' : 'Setpoint, all stages', set, marks['set'])}>
      <rect x={left} y={setY - 14} width={RULE} height={28} fill="transparent" />
      <path
        d={
          side > 0
            ? `M${right} ${setY - 9}L${right - 24} ${setY}L${right} ${setY + 9}Z`
            : `M${left} ${setY - 9}L${left + 24} ${setY}L${left} ${setY + 9}Z`
        }
        fill="var(--paper)"
        stroke="var(--ink)"
        strokeWidth="1.5"
      />
      <path
        d={side > 0 ? `M${right - 24} ${setY}H${left}` : `M${left + 24} ${setY}H${right}`}
        stroke="var(--ink)"
        strokeWidth="3"
      />
      {compact ? null : (
        <>
          <rect
            x={chipX}
            y={chipY}
            width={122}
            height={32}
            fill="var(--mark)"
            stroke={marks['set'] ? 'var(--look)' : 'var(--ink)'}
            strokeWidth="1.5"
          />
          <text x={chipX + 10} y={chipY + 21} style={{ font: '500 16px var(--font-cond)' }}>
            set
          </text>
          <text x={chipX + 112} y={chipY + 22} textAnchor="end" style={{ font: '700 16px var(--font-sans)' }}>
            {say(set)} {unit}
          </text>
          <text
            x={side < 0 && !single ? left - 8 : chipX}
            y={chipY + (side < 0 && !single ? -6 : 50)}
            textAnchor={side < 0 && !single ? 'end' : 'start'}
            style={cond(15)}
          >
            {moves}
          </text>
        </>
      )}
    </g>
  )
}
