import { useEffect, useRef, useState, type PointerEvent } from 'react'
import { trueMinus } from '@nachtigal/core/units/quantity'
import { axis } from './axis'
import { drawnNote, drawnText, through } from './drawn'
import { useBox } from './useBox'
import { svgSpot, useHandles } from './useHandles'

export type BandHandle = 'set' | 'zero' | 'full' | 'minimum' | 'maximum'

/** Temperatures in the unit that is shown, outputs in percent. */
interface BandDrawing {
  readonly action: 'heating' | 'cooling'
  readonly set: number
  readonly zero: number
  readonly full: number
  readonly minimum: number
  readonly maximum: number
  readonly corners: readonly (readonly [temperature: number, percent: number])[]
  readonly rest?: { readonly at: number; readonly percent: number } | undefined
}

interface Props {
  readonly values: BandDrawing
  readonly unit: string
  readonly step: number
  /** The output as a meter shows it, at a percentage. */
  readonly measured: (percent: number) => string
  readonly measuredTitle: string
  readonly compact: boolean
  readonly marks: Readonly<Partial<Record<BandHandle | 'rest', string>>>
  readonly onMove: (handle: BandHandle, to: { readonly x: number; readonly y: number }, done: boolean) => void
}

const USUAL = { wide: { width: 760, height: 440 }, narrow: { width: 374, height: 440 } }
const levels = [0, 25, 50, 75, 100]

/** Output over temperature: both ends of the band, the setpoint, least and most, what a meter shows, and where it comes to rest. */
export function BandChart({ values, unit, step, measured, measuredTitle, compact, marks, onMove }: Props) {
  const svg = useRef<SVGSVGElement>(null)
  const { width, height } = useBox(svg, compact ? USUAL.narrow : USUAL.wide)
  const { action, set, zero, full, minimum, maximum, corners, rest } = values
  const points = [zero, full, set, ...corners.map(([t]) => t), ...(rest ? [rest.at] : [])]
  const room = Math.max(Math.abs(full - zero) * 0.25, 0.5)
  const reach = [Math.min(...points) - room, Math.max(...points) + room] as const
  const [span, setSpan] = useState(reach)
  const x = axis(span[0], span[1], compact ? 40 : 60, width - (compact ? 62 : 110), compact ? 40 : 56)
  const y = axis(0, 100, height - 56, 40, 40)
  const { handle, held } = useHandles((event: PointerEvent) => {
    const spot = svgSpot(svg.current!, event, width, height)
    return { x: x.from(spot.x), y: y.from(spot.y) }
  })
  const [reachLow, reachHigh] = reach
  useEffect(() => {
    if (held === undefined) setSpan([reachLow, reachHigh])
  }, [held, reachLow, reachHigh])
  const tint = action === 'heating' ? 'var(--heat)' : 'var(--cold)'
  const decimals = step < 1 ? 1 : 0
  const say = (value: number) => trueMinus(value.toFixed(decimals))
  const floor = y.at(0)
  const end = (id: 'zero' | 'full', value: number) => {
    const py = y.at(id === 'zero' ? 0 : 100)
    return (
      <g
        {...handle({
          id,
          label: id === 'zero' ? 'Nothing at' : 'Full at',
          at: { x: value, y: 0 },
          step: { x: step, y: 0 },
          says: `${say(value)} ${unit}${marks[id] ? `, ${marks[id]}` : ''}`,
          low: span[0],
          high: span[1],
          move: (to, done) => onMove(id, to, done),
        })}
      >
        <rect x={x.at(value) - 22} y={py - 22} width={44} height={44} fill="transparent" />
        <path d={`M${x.at(value)} ${y.at(100)}V${floor}`} stroke={tint} strokeDasharray="1 4" />
        <rect
          x={x.at(value) - 9}
          y={py - 9}
          width={18}
          height={18}
          fill={id === 'full' ? tint : 'var(--blank)'}
          stroke={tint}
          strokeWidth="1.5"
        />
        <text x={x.at(value)} y={id === 'full' ? py - 16 : py - 16} textAnchor="middle" style={drawnText(15, 700)}>
          {say(value)}
        </text>
      </g>
    )
  }
  const bound = (id: 'minimum' | 'maximum', value: number) => (
    <g
      {...handle({
        id,
        label: id === 'minimum' ? 'Least output' : 'Most output',
        at: { x: 0, y: value },
        step: { x: 0, y: 1 },
        says: `${value.toFixed(0)} %`,
        low: 0,
        high: 100,
        move: (to, done) => onMove(id, { x: to.x, y: Math.min(100, Math.max(0, to.y)) }, done),
      })}
    >
      <rect x={x.at(span[0]) - 4} y={y.at(value) - 14} width={44} height={28} fill="transparent" />
      <path
        d={`M${x.at(span[0]) + 26} ${y.at(value)}H${x.at(span[0]) + 2}v${id === 'minimum' ? -10 : 10}`}
        stroke="var(--ink)"
        strokeWidth="3"
        fill="none"
      />
    </g>
  )
  return (
    <svg
      ref={svg}
      viewBox={`0 0 ${width} ${height}`}
      className="w-full h-full max-h-[640px] select-none"
      role="group"
      aria-label={`Band, ${unit}`}
    >
      <rect
        x={x.at(Math.min(zero, full))}
        y={y.at(100)}
        width={Math.abs(x.at(full) - x.at(zero))}
        height={floor - y.at(100)}
        fill={tint}
        opacity=".1"
      />
      {levels.map((v) => (
        <g key={v}>
          <path d={`M${x.at(span[0])} ${y.at(v)}H${x.at(span[1])}`} stroke="var(--line)" />
          <text x={x.at(span[0]) - 8} y={y.at(v) + 4.5} textAnchor="end" style={{ font: '400 13px var(--font-sans)' }}>
            {v}
          </text>
          <text x={x.at(span[1]) + 8} y={y.at(v) + 4.5} style={{ font: '400 13px var(--font-sans)' }}>
            {measured(v)}
          </text>
        </g>
      ))}
      {x.ticks.map((v) => (
        <g key={v}>
          <path d={`M${x.at(v)} ${floor}v7`} stroke="var(--ink)" />
          <text x={x.at(v)} y={floor + 22} textAnchor="middle" style={{ font: '400 13px var(--font-sans)' }}>
            {trueMinus(String(v))}
          </text>
        </g>
      ))}
      <path d={`M${x.at(span[0])} 32V${floor}H${x.at(span[1])}V32`} stroke="var(--ink)" strokeWidth="1.5" fill="none" />
      <text x={x.at(span[0]) - 8} y={22} textAnchor="start" style={drawnNote(15)}>
        output, %
      </text>
      <text x={width - 6} y={22} textAnchor="end" style={drawnNote(15)}>
        {measuredTitle}
      </text>
      <text
        x={x.at(span[compact && set > (span[0] + span[1]) / 2 ? 0 : 1])}
        y={floor + 42}
        textAnchor={compact && set > (span[0] + span[1]) / 2 ? 'start' : 'end'}
        style={drawnNote(15)}
      >
        probe, {unit}
      </text>
      <path
        d={through(
          [
            [span[0], corners[0]![0] < corners.at(-1)![0] ? corners[0]![1] : corners.at(-1)![1]] as const,
            ...[...corners].sort((a, b) => a[0] - b[0]),
            [span[1], corners[0]![0] < corners.at(-1)![0] ? corners.at(-1)![1] : corners[0]![1]] as const,
          ].map(([t, p]) => [x.at(t), y.at(p)]),
        )}
        stroke={tint}
        strokeWidth="4"
        fill="none"
        strokeLinejoin="round"
      />
      {bound('minimum', minimum)}
      {bound('maximum', maximum)}
      {end('zero', zero)}
      {end('full', full)}
      {rest ? (
        <g
          role="img"
          aria-label={`Settles at ${say(rest.at)} ${unit}, ${rest.percent.toFixed(0)} %${marks.rest ? `, ${marks.rest}` : ''}`}
        >
          <path
            d={`M${x.at(span[0])} ${y.at(rest.percent)}H${x.at(rest.at)}V${floor}`}
            stroke="var(--ink)"
            fill="none"
          />
          <circle cx={x.at(rest.at)} cy={y.at(rest.percent)} r={8} fill="var(--ink)" />
          <text x={x.at(rest.at) + 14} y={y.at(rest.percent) - 10} style={drawnText(compact ? 20 : 28)}>
            {say(rest.at)}
          </text>
          <text x={x.at(rest.at) + 14} y={y.at(rest.percent) + 8} style={drawnNote(15)}>
            {compact ? 'settles' : 'settles here at design'}
          </text>
          {marks.rest ? <path d={`M${x.at(rest.at)} ${y.at(rest.percent) - 30}l8 15h-16Z`} fill="var(--look)" /> : null}
        </g>
      ) : null}
      <g
        {...handle({
          id: 'set',
          label: 'Setpoint',
          at: { x: set, y: 0 },
          step: { x: step, y: 0 },
          says: `${say(set)} ${unit}`,
          low: span[0],
          high: span[1],
          move: (to, done) => onMove('set', to, done),
        })}
      >
        <rect x={x.at(set) - 22} y={floor - 6} width={44} height={50} fill="transparent" />
        <path d={`M${x.at(set)} ${floor}l9 14h-18Z`} fill="var(--paper)" stroke="var(--ink)" strokeWidth="1.5" />
        <path d={`M${x.at(set)} 40V${floor}`} stroke="var(--ink)" strokeDasharray="2 3" />
        <rect x={x.at(set) - 38} y={floor + 14} width={76} height={24} fill="var(--mark)" stroke="var(--ink)" />
        <text x={x.at(set)} y={floor + 31} textAnchor="middle" style={{ font: '700 14px var(--font-sans)' }}>
          set {say(set)}
        </text>
      </g>
    </svg>
  )
}
