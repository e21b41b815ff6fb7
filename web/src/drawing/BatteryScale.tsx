import { useEffect, useRef, useState, type PointerEvent } from 'react'
import { axis } from './axis'
import { drawnNote, drawnText } from './drawn'
import { useBox } from './useBox'
import { svgSpot, useHandles } from './useHandles'

interface Props {
  readonly cutOff: number
  readonly restart: number
  /** Battery voltage over which it runs, and over which a start gets through. */
  readonly runsAbove: number
  readonly startsAbove: number
  /** Voltages with what they mean, of the battery itself. */
  readonly marksAt: readonly { readonly at: number; readonly text: string }[]
  readonly compact: boolean
  readonly onMove: (handle: 'cutOff' | 'restart', to: number, done: boolean) => void
}

const USUAL = { wide: { width: 760, height: 440 }, narrow: { width: 374, height: 440 } }
const STEP = 0.1

/** A scale of volts: left what the controller sees and is keyed to, right what the battery has then, with the cable between them. */
export function BatteryScale({ cutOff, restart, runsAbove, startsAbove, marksAt, compact, onMove }: Props) {
  const svg = useRef<SVGSVGElement>(null)
  const { width, height } = useBox(svg, compact ? USUAL.narrow : USUAL.wide)
  const all = [cutOff, restart, runsAbove, startsAbove, ...marksAt.map(({ at }) => at)]
  const reach = [Math.min(...all) - 0.5, Math.max(...all) + 0.5] as const
  const [span, setSpan] = useState(reach)
  const y = axis(span[0], span[1], height - 24, 36, 26)
  const { handle, held } = useHandles((event: PointerEvent) => ({
    x: 0,
    y: y.from(svgSpot(svg.current!, event, width, height).y),
  }))
  const [reachLow, reachHigh] = reach
  useEffect(() => {
    if (held === undefined) setSpan([reachLow, reachHigh])
  }, [held, reachLow, reachHigh])
  const left = compact ? 118 : width / 2 - 26
  const right = left + 52
  const volts = (v: number) => v.toFixed(1)
  const rung = (id: 'cutOff' | 'restart', value: number, label: string) => (
    <g
      {...handle({
        id,
        label,
        at: { x: 0, y: value },
        step: { x: 0, y: STEP },
        says: `${volts(value)} volts at the controller`,
        low: span[0],
        high: span[1],
        move: (to, done) => onMove(id, to.y, done),
      })}
    >
      <rect x={left - 130} y={y.at(value) - 18} width={130} height={36} fill="transparent" />
      <path d={`M${left} ${y.at(value)}H${left - 60}`} stroke="var(--ink)" strokeWidth="1.5" />
      <rect
        x={left - 78}
        y={y.at(value) - 5}
        width={34}
        height={10}
        fill={id === 'cutOff' ? 'var(--ink)' : 'var(--blank)'}
        stroke="var(--ink)"
        strokeWidth="1.5"
      />
      <text x={left - 86} y={y.at(value) + 6} textAnchor="end" style={drawnText(18, 700)}>
        {volts(value)}
      </text>
      <text x={left - 86} y={y.at(value) + 24} textAnchor="end" style={drawnNote(15)}>
        {label.toLowerCase()}
      </text>
    </g>
  )
  return (
    <svg
      ref={svg}
      viewBox={`0 0 ${width} ${height}`}
      className="w-full h-full max-h-[640px] select-none"
      role="group"
      aria-label="Battery, volts"
    >
      <rect x={left} y={26} width={52} height={height - 40} fill="var(--blank)" stroke="var(--ink)" strokeWidth="1.5" />
      <text x={left - 12} y={20} textAnchor="end" style={{ font: '600 16px var(--font-cond)' }}>
        at the controller
      </text>
      <text x={right + 12} y={20} style={{ font: '600 16px var(--font-cond)' }}>
        at the battery
      </text>
      {y.ticks.map((v) => (
        <g key={v}>
          <path d={`M${left} ${y.at(v)}h8M${right} ${y.at(v)}h-8`} stroke="var(--ink)" />
          <text x={left + 26} y={y.at(v) + 4.5} textAnchor="middle" style={{ font: '400 13px var(--font-sans)' }}>
            {v.toFixed(1)}
          </text>
        </g>
      ))}
      {marksAt.map(({ at, text }) => (
        <g key={text}>
          <path d={`M${right} ${y.at(at)}h${compact ? 14 : 40}`} stroke="var(--edge)" strokeDasharray="2 3" />
          <text x={right + (compact ? 18 : 46)} y={y.at(at) + 5} style={drawnNote(14)}>
            {volts(at)} {text}
          </text>
        </g>
      ))}
      {(
        [
          [runsAbove, 'runs over'],
          [startsAbove, 'starts over'],
        ] as const
      ).map(([at, text], i) =>
        i === 1 && Math.abs(startsAbove - runsAbove) < 0.02 ? null : (
          <g key={text} role="img" aria-label={`${text} ${volts(at)} volts at the battery`}>
            <path
              d={`M${left} ${y.at(cutOff)}L${right} ${y.at(at)}h${compact ? 60 : 190}`}
              stroke="var(--ink)"
              strokeWidth="1.5"
              fill="none"
              strokeDasharray={i === 1 ? '7 4' : ''}
            />
            <text
              x={right + (compact ? 66 : 196)}
              y={y.at(at) + (i === 1 ? -6 : 16)}
              textAnchor={compact ? 'start' : 'start'}
              style={drawnText(15, 700)}
            >
              {text} {at.toFixed(2)}
            </text>
          </g>
        ),
      )}
      {rung('restart', restart, 'Restart')}
      {rung('cutOff', cutOff, 'Cut-off')}
    </svg>
  )
}
