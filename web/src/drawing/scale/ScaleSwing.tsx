import type { Rung } from '../scaleValues'
import type { Scale } from './scale'
import { cond } from './scaleText'

/** The swing of the only stage, beside its bar. */
export function ScaleSwing({ scale, first }: { scale: Scale; first: Rung }) {
  const { left, right, setY, y, say, differenceUnit } = scale
  const swing = Math.abs(first.on - first.off)
  const side = first.action === 'heating' ? -1 : 1
  const near = first.action === 'heating' ? left : right
  return (
    <>
      <path d={`M${near} ${setY}H${near + side * 196}`} stroke="var(--ink)" strokeDasharray="1 4" />
      <path d={`M${near + side * 40} ${y(first.on)}V${y(first.off)}`} stroke="var(--ink)" />
      {Math.abs(y(first.on) - y(first.off)) < 22 ? null : (
        <>
          <path
            d={`M${near + side * 40 - 3} ${Math.min(y(first.on), y(first.off)) + 6}l3-6l3 6ZM${near + side * 40 - 3} ${Math.max(y(first.on), y(first.off)) - 6}l3 6l3-6Z`}
            fill="var(--ink)"
          />
          <text
            transform={`translate(${near + side * 40 + (first.action === 'heating' ? 15 : -8)} ${(y(first.on) + y(first.off)) / 2}) rotate(-90)`}
            textAnchor="middle"
            style={cond(15, 'var(--ink)')}
          >
            {say(swing)} {differenceUnit}
          </text>
        </>
      )}
    </>
  )
}
