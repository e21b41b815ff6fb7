import type { Rung } from '../scaleValues'
import type { Scale } from './scale'
import { cond } from './scaleText'

/** From the setpoint of each stage to that of the next. */
export function StageSpacing({ scale, rungs }: { scale: Scale; rungs: readonly Rung[] }) {
  const { columnX, y, say, differenceUnit } = scale
  const pairs = (action: Rung['action']) => {
    const stages = rungs.filter((rung) => rung.action === action)
    return stages.slice(1).map((rung, i) => [stages[i]!, rung] as const)
  }
  return (['heating', 'cooling'] as const).flatMap((action) =>
    pairs(action).map(([before, rung]) => {
      const x = columnX(action, rung.stage)
      const foot = Math.max(y(rung.on), y(rung.off))
      const level = Math.max(y(before.on), y(before.off))
      const drawn =
        action === 'cooling'
          ? [foot, level]
          : [Math.min(y(before.on), y(before.off)), Math.min(y(rung.on), y(rung.off))]
      return Math.abs(drawn[1]! - drawn[0]!) < 14 ? null : (
        <g key={rung.id} stroke="var(--ink)" fill="var(--ink)">
          <path d={`M${x} ${drawn[0]! + 6}V${drawn[1]!}`} fill="none" />
          <path d={`M${x - 3} ${drawn[1]! - 6}h6l-3 6ZM${x - 3} ${drawn[0]! + 9}h6l-3-6Z`} stroke="none" />
          <text
            x={x + (action === 'cooling' ? 8 : -8)}
            y={(drawn[0]! + drawn[1]!) / 2 + 7}
            textAnchor={action === 'cooling' ? 'start' : 'end'}
            style={cond(14, 'var(--ink)')}
          >
            {say(Math.abs(rung.set - before.set))} {differenceUnit}
          </text>
        </g>
      )
    }),
  )
}
