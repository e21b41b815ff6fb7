import type { Rung } from '../scaleValues'
import { rungName, type Scale, tintOf } from './scale'
import { TOP } from './scaleLayout'
import { cond, ink } from './scaleText'

interface Props {
  readonly scale: Scale
  readonly rung: Rung
  /** Rungs that run at the pointer. */
  readonly running: ReadonlySet<string> | undefined
  /** The rung whose values are spelled out where there is no room for all. */
  readonly chosen: string | undefined
  readonly onChoose: ((rung: string) => void) | undefined
}

/** A stage: its column, the bar from cut-in to cut-out, and both to be moved. */
export function ScaleRung({ scale, rung, running, chosen, onChoose }: Props) {
  const { single, compact, both, left, right, pitch, columnX, y, say, heats, cools, first, marks, sliding } = scale
  const numbered = !single
  const { id, action, stage, on, off } = rung
  const x = columnX(action, stage)
  const side = action === 'heating' ? -1 : 1
  const near = action === 'heating' ? left : right
  const tint = tintOf[action]
  const crowded = Math.abs(y(on) - y(off)) < 22
  const narrow = pitch > 0 && pitch < 80
  const spelled = single || (compact || narrow ? id === (chosen ?? first?.id) : true)
  const top = Math.min(y(on), y(off))
  const tall = Math.abs(y(on) - y(off))
  const runs = running === undefined || running.has(id)
  const mark = marks[`${id}/bar`]
  const anchor = action === 'heating' ? ('end' as const) : ('start' as const)
  const cap = (part: 'on' | 'off') => {
    const at = y(part === 'on' ? on : off)
    const shift = crowded ? (y(on) > y(off) === (part === 'on') ? 9 : -9) : 0
    return (
      <g {...sliding(part, id, rungName(scale, rung, part), part === 'on' ? on : off, marks[`${id}/${part}`])}>
        <rect x={x - 22} y={at - 12} width={44} height={24} fill="transparent" />
        <path d={`M${near} ${at}H${x - side * 17}`} stroke={tint} />
        <rect
          x={x - 17}
          y={at - 3}
          width={34}
          height={6}
          fill={part === 'on' ? tint : 'var(--blank)'}
          stroke={tint}
          strokeWidth="1.5"
        />
        {spelled ? (
          <text
            x={
              single
                ? x + side * 33
                : compact
                  ? columnX(action, action === 'heating' ? heats.length : cools.length) + side * 24
                  : x + side * 22
            }
            y={at + 5 + shift}
            textAnchor={anchor}
            style={ink(single ? 16 : 15, part === 'on' ? 700 : 400)}
          >
            {say(part === 'on' ? on : off)}
            <tspan dx="5" style={cond(single ? 15 : 14)}>
              {part}
            </tspan>
          </text>
        ) : null}
      </g>
    )
  }
  return (
    <g key={id} onPointerDown={() => onChoose?.(id)} onFocus={() => onChoose?.(id)}>
      {numbered ? (
        <>
          <path d={`M${x} ${TOP + 6}V${top - 8}`} stroke="var(--edge)" strokeDasharray="1 4" />
          <text x={x} y={18} textAnchor="middle" style={{ font: '600 17px var(--font-cond)' }}>
            {compact || narrow ? '' : both ? (action === 'heating' ? 'Heats ' : 'Cools ') : 'Stage '}
            {stage}
          </text>
          <text
            x={x}
            y={33}
            textAnchor="middle"
            style={cond(14, runs ? (action === 'heating' ? 'var(--heat-text)' : 'var(--cold-text)') : 'var(--ink2)')}
          >
            {compact || narrow ? (runs ? 'runs' : 'rests') : `${rung.moves} ${runs ? 'runs' : 'rests'}`.trim()}
          </text>
        </>
      ) : null}
      <g {...sliding('bar', id, rungName(scale, rung, 'bar'), rung.set, mark)}>
        <rect x={x - 16} y={top} width={32} height={Math.max(4, tall)} fill="transparent" />
        <rect
          x={x - 12}
          y={top}
          width={24}
          height={Math.max(2, tall)}
          fill={runs ? tint : `url(#rest-${action})`}
          stroke={tint}
          strokeWidth={runs ? 0 : 1.5}
        />
        {tall > 30 ? (
          <text
            x={x}
            y={top + tall / 2 + 7}
            textAnchor="middle"
            style={{
              font: '700 19px var(--font-sans)',
              fill: runs ? 'var(--on-solid)' : 'var(--ink)',
              ...(runs ? {} : { paintOrder: 'stroke' as const, stroke: 'var(--paper)', strokeWidth: 5 }),
            }}
          >
            {stage}
          </text>
        ) : null}
        {mark ? (
          <g transform={`translate(${x - 8} ${top - 26})`}>
            <path d="M8 0L16 15H0Z" fill="var(--look)" />
            <path d="M8 5V10" stroke="var(--on-solid)" strokeWidth="2" />
          </g>
        ) : null}
      </g>
      {cap('off')}
      {cap('on')}
    </g>
  )
}
