import { useEffect, useRef, useState, type PointerEvent } from 'react'
import { trueMinus } from '@nachtigal/core/units/quantity'
import { axis } from './axis'
import { drawnNote, drawnText, through } from './drawn'
import { useBox } from './useBox'
import { svgSpot, useHandles } from './useHandles'

type Pair = readonly [outdoor: number, supply: number]
export type ResetHandle = 'design' | 'warm' | 'minimum' | 'maximum' | 'shutdown'

/** Everything in the unit that is shown. */
interface ResetDrawing {
  readonly design: Pair
  readonly warm: Pair
  readonly minimum?: number | undefined
  readonly maximum?: number | undefined
  readonly shutdown?: number | undefined
  readonly line: readonly Pair[]
  readonly setback: readonly Pair[]
  readonly need: readonly Pair[]
  readonly returns: readonly Pair[]
  /** Return under which a boiler condenses, or must not burn. */
  readonly returnLimit: number
  readonly condensing: boolean
  readonly fixed: number
  readonly now?: Pair | undefined
  readonly hours: readonly { readonly from: number; readonly to: number; readonly hours: number }[]
}

interface Props {
  readonly values: ResetDrawing
  readonly unit: string
  readonly step: number
  readonly compact: boolean
  readonly marks: Readonly<Partial<Record<ResetHandle | 'return', string>>>
  readonly onMove: (handle: ResetHandle, to: { readonly x: number; readonly y: number }, done: boolean) => void
}

const USUAL = { wide: { width: 760, height: 440 }, narrow: { width: 374, height: 440 } }

/** Supply over outdoor temperature: the line, its two points, its limits, the other school, what comes back, today and the year. */
export function ResetLine({ values, unit, step, compact, marks, onMove }: Props) {
  const svg = useRef<SVGSVGElement>(null)
  const { width, height } = useBox(svg, compact ? USUAL.narrow : USUAL.wide)
  const {
    design,
    warm,
    minimum,
    maximum,
    shutdown,
    line,
    setback,
    need,
    returns,
    returnLimit,
    condensing,
    fixed,
    now,
    hours,
  } = values
  const outdoors = [
    ...line.map(([o]) => o),
    ...need.map(([o]) => o),
    design[0],
    warm[0],
    ...(shutdown === undefined ? [] : [shutdown + 2]),
  ]
  const supplies = [...line, ...need, ...returns].map(([, s]) => s).concat(design[1], warm[1], fixed)
  const reach = {
    x: [Math.min(...outdoors), Math.max(...outdoors)] as const,
    y: [Math.min(...supplies, minimum ?? Infinity) - 4, Math.max(...supplies, maximum ?? -Infinity) + 6] as const,
  }
  const [span, setSpan] = useState(reach)
  const x = axis(span.x[0], span.x[1], compact ? 34 : 48, width - (compact ? 12 : 90), compact ? 34 : 44)
  const y = axis(span.y[0], span.y[1], height - 60, 24, 30)
  const { handle, held } = useHandles((event: PointerEvent) => {
    const spot = svgSpot(svg.current!, event, width, height)
    return { x: x.from(spot.x), y: y.from(spot.y) }
  })
  const wanted = JSON.stringify(reach)
  useEffect(() => {
    if (held === undefined) setSpan(JSON.parse(wanted) as typeof reach)
  }, [held, wanted])
  const decimals = step < 1 ? 1 : 0
  const say = (value: number) => trueMinus(value.toFixed(decimals))
  const draw = (points: readonly Pair[]) => through(points.map(([o, s]) => [x.at(o), y.at(s)]))
  const floor = height - 60
  const most = Math.max(1, ...hours.map((band) => band.hours))
  const gain =
    line.length > 1 && fixed > Math.min(...line.map(([, s]) => s))
      ? `${draw(line)}L${x.at(line.at(-1)![0])} ${y.at(fixed)}L${x.at(line[0]![0])} ${y.at(fixed)}Z`
      : ''
  const mark = (id: ResetHandle) => marks[id]
  const point = (id: 'design' | 'warm', [o, s]: Pair, label: string) => {
    const [px, py] = [x.at(o), y.at(s)]
    const above = id === 'design'
    return (
      <g
        {...handle({
          id,
          label: above ? 'Design point' : 'Warm point',
          at: { x: o, y: s },
          step: { x: step, y: step },
          says: `${say(o)} outdoors, ${say(s)} ${unit} supply${mark(id) ? `, ${mark(id)!}` : ''}`,
          low: span.y[0],
          high: span.y[1],
          move: (to, done) => onMove(id, to, done),
        })}
      >
        <rect x={px - 22} y={py - 22} width={44} height={44} fill="transparent" />
        <rect
          x={px - 9}
          y={py - 9}
          width={18}
          height={18}
          fill="var(--blank)"
          stroke={mark(id) ? 'var(--look)' : 'var(--ink)'}
          strokeWidth="1.5"
        />
        <path d={`M${px - 4} ${py}h8M${px} ${py - 4}v8`} stroke="var(--ink)" strokeWidth="1.5" />
        <text
          x={px + (above ? 16 : -16)}
          y={py + (above ? 26 : -26)}
          textAnchor={above ? 'start' : 'end'}
          style={{ font: '600 15px var(--font-cond)', paintOrder: 'stroke', stroke: 'var(--paper)', strokeWidth: 4 }}
        >
          {label}
        </text>
        <text
          x={px + (above ? 16 : -16)}
          y={py + (above ? 44 : -10)}
          textAnchor={above ? 'start' : 'end'}
          style={drawnText(13)}
        >
          {compact ? `${say(o)}, ${say(s)}` : `${say(o)} outdoors, ${say(s)} supply`}
        </text>
      </g>
    )
  }
  const level = (id: 'minimum' | 'maximum', value: number) => {
    const py = y.at(Math.min(span.y[1], Math.max(span.y[0], value)))
    const lineEnd = shutdown === undefined ? span.x[1] : Math.min(shutdown, span.x[1])
    const px = id === 'maximum' ? x.at(span.x[0]) + 8 : x.at(lineEnd) - 8
    return (
      <g
        {...handle({
          id,
          label: id === 'maximum' ? 'Maximum supply' : 'Minimum supply',
          at: { x: 0, y: value },
          step: { x: 0, y: step },
          says: `${say(value)} ${unit}${mark(id) ? `, ${mark(id)!}` : ''}`,
          low: span.y[0],
          high: span.y[1],
          move: (to, done) => onMove(id, to, done),
        })}
      >
        <rect x={px - 8} y={py - 16} width={id === 'maximum' ? 80 : 16} height={32} fill="transparent" />
        <rect x={px - 6} y={py - 6} width={12} height={12} fill="var(--heat)" stroke="var(--paper)" />
        <text
          x={id === 'maximum' ? px + 12 : px}
          y={id === 'maximum' ? (compact ? py - 10 : py + 18) : py - 11}
          textAnchor={id === 'maximum' ? 'start' : 'end'}
          style={{ font: '600 15px var(--font-cond)', paintOrder: 'stroke', stroke: 'var(--paper)', strokeWidth: 4 }}
        >
          {id === 'maximum' ? 'max' : 'min'} {say(value)}
        </text>
      </g>
    )
  }
  const limitY = y.at(returnLimit)
  const coolReturns = returns.filter(([, s]) => s < returnLimit)
  return (
    <svg
      ref={svg}
      viewBox={`0 0 ${width} ${height}`}
      className="w-full h-full max-h-[640px] select-none"
      role="group"
      aria-label={`Reset line, ${unit}`}
    >
      <defs>
        <pattern id="gain" width="8" height="8" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
          <path d="M0 0V8" stroke="var(--line)" strokeWidth="1.5" />
        </pattern>
      </defs>
      {hours.map((band) => (
        <rect
          key={band.from}
          x={Math.max(x.at(span.x[0]), x.at(band.from)) + 1}
          y={floor - (44 * band.hours) / most}
          width={Math.max(0, Math.min(x.at(span.x[1]), x.at(band.to)) - Math.max(x.at(span.x[0]), x.at(band.from)) - 2)}
          height={(44 * band.hours) / most}
          fill="var(--line)"
        />
      ))}
      {gain ? <path d={gain} fill="url(#gain)" /> : null}
      {y.ticks.map((v) => (
        <g key={v}>
          <path d={`M${x.at(span.x[0])} ${y.at(v)}H${x.at(span.x[1])}`} stroke="var(--line)" />
          <text
            x={x.at(span.x[0]) - 8}
            y={y.at(v) + 4.5}
            textAnchor="end"
            style={{ font: '400 13px var(--font-sans)' }}
          >
            {trueMinus(String(v))}
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
      <path
        d={`M${x.at(span.x[0])} 16V${floor}H${x.at(span.x[1])}`}
        stroke="var(--ink)"
        strokeWidth="1.5"
        fill="none"
      />
      <text x={x.at(span.x[0]) + 6} y={18} style={drawnNote(15)}>
        supply, {unit}
      </text>
      <text x={x.at(span.x[1])} y={floor + 42} textAnchor="end" style={drawnNote(15)}>
        outdoors, {unit}
      </text>
      {compact ? null : (
        <text x={x.at(span.x[0])} y={floor + 42} style={drawnNote(14)}>
          bars: hours of a made-up year
        </text>
      )}
      <path
        d={`M${x.at(span.x[0])} ${y.at(fixed)}H${x.at(span.x[1])}`}
        stroke="var(--edge)"
        strokeWidth="1.5"
        strokeDasharray="7 5"
      />
      <text x={(x.at(span.x[0]) + x.at(span.x[1])) / 2} y={y.at(fixed) - 6} textAnchor="middle" style={drawnNote(14)}>
        fixed at {say(fixed)}
      </text>
      {returns.length > 1 ? (
        <g
          role="img"
          aria-label={`Return, coolest ${say(Math.min(...returns.map(([, s]) => s)))} ${unit}${marks.return ? `, ${marks.return}` : ''}`}
        >
          <path d={draw(returns)} stroke="var(--ink)" strokeWidth="1.5" strokeDasharray="2 3" fill="none" />
          {coolReturns.length > 1 ? (
            <path
              d={draw(coolReturns)}
              stroke={condensing ? 'var(--fits)' : 'var(--stop)'}
              strokeWidth="5"
              opacity=".55"
              fill="none"
            />
          ) : null}
          {returnLimit > span.y[0] && returnLimit < span.y[1] ? (
            <>
              <path
                d={`M${x.at(span.x[0])} ${limitY}H${x.at(span.x[1])}`}
                stroke={condensing ? 'var(--fits)' : 'var(--stop)'}
                strokeDasharray="1 4"
                strokeWidth="1.5"
              />
              <text
                x={x.at(span.x[0]) + 6}
                y={limitY - 5}
                style={drawnNote(14, condensing ? 'var(--fits)' : 'var(--stop)')}
              >
                {condensing ? `return under ${say(returnLimit)} condenses` : `return not under ${say(returnLimit)}`}
              </text>
            </>
          ) : null}
          <text x={x.at(returns[0]![0]) + 4} y={y.at(returns[0]![1]) + 16} style={drawnNote(14)}>
            return
          </text>
        </g>
      ) : null}
      {need.length > 1 ? (
        <>
          <path d={draw(need)} stroke="var(--ink2)" strokeWidth="1.25" strokeDasharray="1 3" fill="none" />
          <text x={x.at(need[0]![0]) + 8} y={y.at(need[0]![1]) - 8} style={drawnNote(14)}>
            emitters need
          </text>
        </>
      ) : null}
      {setback.length > 1 ? (
        <>
          <path d={draw(setback)} stroke="var(--heat)" strokeWidth="1.5" strokeDasharray="7 4" fill="none" />
          <text
            x={x.at(setback[Math.floor(setback.length / 3)]![0])}
            y={y.at(setback[Math.floor(setback.length / 3)]![1]) + 18}
            style={drawnNote(14, 'var(--heat-text)')}
          >
            night
          </text>
        </>
      ) : null}
      <path d={draw(line)} stroke="var(--heat)" strokeWidth="4" fill="none" strokeLinejoin="round" />
      {shutdown === undefined ? null : (
        <g
          {...handle({
            id: 'shutdown',
            label: 'Summer stop',
            at: { x: shutdown, y: 0 },
            step: { x: step, y: 0 },
            says: `over ${say(shutdown)} ${unit} outdoors`,
            low: span.x[0],
            high: span.x[1],
            move: (to, done) => onMove('shutdown', to, done),
          })}
        >
          <rect x={x.at(shutdown) - 16} y={16} width={32} height={floor - 16} fill="transparent" />
          <path d={`M${x.at(shutdown)} 44V${floor}`} stroke="var(--ink)" strokeWidth="1.5" />
          <path
            d={`M${x.at(shutdown) - 8} 24h16v14l-8 8l-8-8Z`}
            fill="var(--blank)"
            stroke="var(--ink)"
            strokeWidth="1.5"
          />
          <text
            x={x.at(shutdown) + (compact ? -12 : 14)}
            y={compact ? 62 : 62}
            textAnchor={compact ? 'end' : 'start'}
            style={{ font: '600 15px var(--font-cond)', paintOrder: 'stroke', stroke: 'var(--paper)', strokeWidth: 4 }}
          >
            summer stop
          </text>
          <text
            x={x.at(shutdown) + (compact ? -12 : 14)}
            y={80}
            textAnchor={compact ? 'end' : 'start'}
            style={drawnText(13)}
          >
            over {say(shutdown)}
          </text>
        </g>
      )}
      {now ? (
        <g role="img" aria-label={`Now ${say(now[0])} ${unit} outdoors, ${say(now[1])} ${unit} asked for`}>
          <path d={`M${x.at(span.x[0])} ${y.at(now[1])}H${x.at(now[0])}V${floor}`} stroke="var(--ink)" fill="none" />
          <circle cx={x.at(now[0])} cy={y.at(now[1])} r={8} fill="var(--ink)" />
          <text x={x.at(now[0]) + 14} y={y.at(now[1]) - 12} style={drawnText(compact ? 20 : 30)}>
            {say(now[1])}
          </text>
          <rect x={x.at(now[0]) - 24} y={floor + 6} width={48} height={22} fill="var(--mark)" stroke="var(--ink)" />
          <text x={x.at(now[0])} y={floor + 22} textAnchor="middle" style={{ font: '700 13px var(--font-sans)' }}>
            {say(now[0])}
          </text>
        </g>
      ) : null}
      {maximum === undefined ? null : level('maximum', maximum)}
      {minimum === undefined ? null : level('minimum', minimum)}
      {point('warm', warm, 'warm point')}
      {point('design', design, 'design point')}
    </svg>
  )
}
