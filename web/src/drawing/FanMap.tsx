import { useRef, type PointerEvent } from 'react'
import { axis } from './axis'
import { drawnNote, drawnText } from './drawn'
import { useBox } from './useBox'
import { svgSpot, useHandles } from './useHandles'

export type FanHandle = 'set' | 'full' | 'here'

interface Cell {
  readonly percent: number
  readonly command: 'temperature' | 'humidity' | 'minimum' | 'off'
}

interface Props {
  /** Temperatures in the unit that is shown, humidity and speed in percent. */
  readonly low: number
  readonly high: number
  readonly lowPercent: number
  readonly highPercent: number
  readonly cells: readonly (readonly Cell[])[]
  readonly set: number
  readonly full: number
  readonly humiditySet?: number | undefined
  readonly humidityFull?: number | undefined
  readonly here: { readonly x: number; readonly y: number; readonly says: string }
  readonly unit: string
  readonly step: number
  readonly compact: boolean
  readonly onMove: (handle: FanHandle, to: { readonly x: number; readonly y: number }, done: boolean) => void
}

const USUAL = { wide: { width: 760, height: 440 }, narrow: { width: 374, height: 440 } }

/** Speed over temperature and humidity as a map: which demand commands where, and the point it works at. */
export function FanMap({
  low,
  high,
  lowPercent,
  highPercent,
  cells,
  set,
  full,
  humiditySet,
  humidityFull,
  here,
  unit,
  step,
  compact,
  onMove,
}: Props) {
  const svg = useRef<SVGSVGElement>(null)
  const { width, height } = useBox(svg, compact ? USUAL.narrow : USUAL.wide)
  const x = axis(low, high, compact ? 40 : 60, width - 24, compact ? 40 : 60)
  const y = axis(lowPercent, highPercent, height - 56, 24, 40)
  const humid = humiditySet !== undefined
  const { handle } = useHandles((event: PointerEvent) => {
    const spot = svgSpot(svg.current!, event, width, height)
    return { x: x.from(spot.x), y: y.from(spot.y) }
  })
  const decimals = step < 1 ? 1 : 0
  const rows = cells.length
  const wide = (x.at(high) - x.at(low)) / (cells[0]?.length ?? 1)
  const tall = (y.at(lowPercent) - y.at(highPercent)) / rows
  const corner = (id: 'set' | 'full', at: { x: number; y: number }, label: string) => (
    <g
      {...handle({
        id,
        label,
        at,
        step: { x: step, y: humid ? 1 : 0 },
        says: `${at.x.toFixed(decimals)} ${unit}${humid ? `, ${at.y.toFixed(0)} % humidity` : ''}`,
        low,
        high,
        move: (to, done) => onMove(id, to, done),
      })}
    >
      <rect x={x.at(at.x) - 22} y={y.at(at.y) - 22} width={44} height={44} fill="transparent" />
      <rect
        x={x.at(at.x) - 9}
        y={y.at(at.y) - 9}
        width={18}
        height={18}
        fill={id === 'full' ? 'var(--cold)' : 'var(--blank)'}
        stroke="var(--ink)"
        strokeWidth="1.5"
      />
      <text
        x={x.at(at.x) + 14}
        y={y.at(at.y) + 24}
        style={{ font: '600 15px var(--font-cond)', paintOrder: 'stroke', stroke: 'var(--paper)', strokeWidth: 4 }}
      >
        {id === 'set' ? 'begins' : 'full'}
      </text>
      <text x={x.at(at.x) + 14} y={y.at(at.y) + 41} style={drawnText(13)}>
        {at.x.toFixed(decimals)}
        {humid ? `, ${at.y.toFixed(0)} %` : ''}
      </text>
    </g>
  )
  const begins = { x: set, y: humiditySet ?? lowPercent }
  const ends = { x: full, y: humidityFull ?? lowPercent }
  const middle = (lowPercent + highPercent) / 2
  return (
    <svg
      ref={svg}
      viewBox={`0 0 ${width} ${height}`}
      className="w-full h-full max-h-[640px] select-none"
      role="group"
      aria-label={`Fan map, ${unit}`}
    >
      <defs>
        <pattern id="damp" width="6" height="6" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
          <path d="M0 0V6" stroke="var(--paper)" strokeWidth="1.4" opacity=".7" />
        </pattern>
      </defs>
      {cells.flatMap((row, r) =>
        row.map(({ percent, command }, c) => (
          <g key={`${r}/${c}`}>
            <rect
              x={x.at(low) + c * wide}
              y={y.at(highPercent) + r * tall}
              width={wide + 0.5}
              height={tall + 0.5}
              fill="var(--cold)"
              opacity={command === 'off' ? 0 : 0.08 + (0.72 * percent) / 100}
            />
            {command === 'humidity' ? (
              <rect
                x={x.at(low) + c * wide}
                y={y.at(highPercent) + r * tall}
                width={wide + 0.5}
                height={tall + 0.5}
                fill="url(#damp)"
              />
            ) : null}
          </g>
        )),
      )}
      <path
        d={`M${x.at(low)} 24V${y.at(lowPercent)}H${x.at(high)}`}
        stroke="var(--ink)"
        strokeWidth="1.5"
        fill="none"
      />
      {x.ticks.map((v) => (
        <g key={v}>
          <path d={`M${x.at(v)} ${y.at(lowPercent)}v7`} stroke="var(--ink)" />
          <text x={x.at(v)} y={y.at(lowPercent) + 22} textAnchor="middle" style={{ font: '400 13px var(--font-sans)' }}>
            {v}
          </text>
        </g>
      ))}
      {humid
        ? y.ticks.map((v) => (
            <g key={v}>
              <path d={`M${x.at(low)} ${y.at(v)}h-7`} stroke="var(--ink)" />
              <text x={x.at(low) - 10} y={y.at(v) + 4.5} textAnchor="end" style={{ font: '400 13px var(--font-sans)' }}>
                {v}
              </text>
            </g>
          ))
        : null}
      <text x={x.at(high)} y={y.at(lowPercent) + 42} textAnchor="end" style={drawnNote(15)}>
        air, {unit}
      </text>
      {humid ? (
        <text x={x.at(low) + 6} y={20} style={drawnNote(15)}>
          humidity, %
        </text>
      ) : null}
      <text x={x.at(low) + 10} y={y.at(lowPercent) - 10} style={drawnNote(15, 'var(--ink)')}>
        at rest
      </text>
      <text
        x={x.at(high) - 8}
        y={y.at(lowPercent + (highPercent - lowPercent) * 0.12)}
        textAnchor="end"
        style={drawnNote(15, 'var(--ink)')}
      >
        temperature asks
      </text>
      {humid ? (
        <text
          x={x.at(low) + 10}
          y={y.at(lowPercent + (highPercent - lowPercent) * 0.88)}
          style={drawnNote(15, 'var(--ink)')}
        >
          humidity asks (hatched)
        </text>
      ) : null}
      {corner('set', begins, 'Where it begins')}
      {corner('full', ends, 'Full speed')}
      <g
        {...handle({
          id: 'here',
          label: 'Working point',
          at: { x: here.x, y: humid ? here.y : middle },
          step: { x: step, y: humid ? 1 : 0 },
          says: here.says,
          low,
          high,
          move: (to, done) => onMove('here', to, done),
        })}
      >
        <circle cx={x.at(here.x)} cy={y.at(humid ? here.y : middle)} r={22} fill="transparent" />
        <circle
          cx={x.at(here.x)}
          cy={y.at(humid ? here.y : middle)}
          r={8}
          fill="var(--ink)"
          stroke="var(--paper)"
          strokeWidth="2"
        />
        <text x={x.at(here.x) + 14} y={y.at(humid ? here.y : middle) - 10} style={drawnText(compact ? 18 : 24)}>
          {here.says.split(',')[0]}
        </text>
      </g>
    </svg>
  )
}
