import { useRef } from 'react'
import { useResizeObserver } from 'usehooks-ts'
import { linesOf } from './wrapText'
import { readingsLayout, type OnTheRule } from './readingsLayout'

interface Props {
  readonly loops: readonly (OnTheRule & {
    readonly shown: string
    readonly heats: boolean
    /** Words for the colour of its name: stop or look, where something is. */
    readonly needs?: 'stop' | 'look' | undefined
  })[]
  readonly unit: string
  /** Width of its place, px, where that is known before it is laid out. */
  readonly width?: number
}

/** Names under each other take too much room with more loops than this, and under so many px. */
const MOST = 12
const LEAST = 640
const NAMES = 34
const VALUE = 16
const ELBOW = 22
const RULE = 24

/** All readings of a job on one lying rule, each with its setpoint under it. */
export function ReadingsRule({ loops, unit, width: known = 0 }: Props) {
  const box = useRef<HTMLDivElement>(null)
  const { width = known } = useResizeObserver({ ref: box as React.RefObject<HTMLElement> })
  const read = loops.some(({ reading }) => reading !== undefined)
  return (
    <div ref={box} className="min-w-0">
      {width < LEAST || loops.length > MOST || !read ? null : <Rule loops={loops} unit={unit} width={width} />}
    </div>
  )
}

function Rule({ loops, unit, width }: Props & { width: number }) {
  const { placed, scale, pitch, ticks, fine } = readingsLayout(loops, width)
  const of = new Map(loops.map((loop) => [loop.id, loop]))
  const top = NAMES + VALUE
  const rule = top + ELBOW
  const told = placed
    .map(({ id, name, set }) => {
      const { shown } = of.get(id)!
      return `${name} ${shown}${set === undefined ? '' : `, setpoint ${Math.round(set * 10) / 10}`}`
    })
    .join('; ')
  return (
    <svg width={width} height={rule + RULE + 14} className="block" role="img" aria-label={`Readings: ${told}`}>
      {placed.map(({ id, name, x, at, reading }) => {
        const { shown, needs } = of.get(id)!
        const size = linesOf(name, pitch - 6, 15) <= 1 ? 15 : 13
        return (
          <g key={id}>
            <Name text={name} x={x} width={pitch - 6} size={size} colour={needs ? `var(--${needs})` : 'var(--ink)'} />
            <text
              x={x}
              y={NAMES + 12}
              textAnchor="middle"
              style={{ font: '400 14px var(--font-sans)', fill: 'var(--ink)' }}
            >
              {shown}
            </text>
            <path
              d={`M${x} ${top + 2}v5L${at} ${rule - 8}v4`}
              fill="none"
              stroke={reading === undefined ? 'var(--edge)' : 'var(--ink)'}
              strokeDasharray={reading === undefined ? '4 3' : undefined}
            />
            {reading === undefined ? null : <path d={`M${at - 5} ${rule - 8}h10l-5 9Z`} fill="var(--ink)" />}
          </g>
        )
      })}
      <rect
        x=".75"
        y={rule}
        width={width - 1.5}
        height={RULE}
        fill="var(--blank)"
        stroke="var(--ink)"
        strokeWidth="1.5"
      />
      {fine.map((tick) => (
        <path key={tick} d={`M${scale(tick)} ${rule + RULE}v-5`} stroke="var(--ink)" />
      ))}
      {ticks.map((tick) => (
        <g key={tick}>
          <path d={`M${scale(tick)} ${rule + RULE}v-9`} stroke="var(--ink)" strokeWidth="1.5" />
          <text
            x={scale(tick)}
            y={rule + 13}
            textAnchor="middle"
            style={{ font: '400 13px var(--font-sans)', fill: 'var(--ink2)' }}
          >
            {scale(tick) > width - 44 ? '' : String(tick).replace('-', '−')}
          </text>
        </g>
      ))}
      <text
        x={width - 8}
        y={rule + 14}
        textAnchor="end"
        style={{ font: '400 12px var(--font-sans)', fill: 'var(--ink2)' }}
      >
        {unit}
      </text>
      {placed.map(({ id, set, reading }) => {
        if (set === undefined) return null
        const { heats } = of.get(id)!
        const at = scale(set)
        const to = reading === undefined ? at : scale(reading)
        const colour = heats ? 'var(--heat)' : 'var(--cold)'
        return (
          <g key={id} fill={colour}>
            <rect x={at - 1.5} y={rule + RULE + 1} width="3" height="11" />
            <rect x={Math.min(at, to)} y={rule + RULE + 4} width={Math.abs(to - at)} height="5" />
          </g>
        )
      })}
    </svg>
  )
}

/** A name under which its reading stands, on two lines where it is long. */
function Name({
  text,
  x,
  width,
  size,
  colour,
}: {
  text: string
  x: number
  width: number
  size: number
  colour: string
}) {
  const words = text.split(' ')
  let first = text
  let second = ''
  if (linesOf(text, width, size) > 1) {
    let cut = Math.max(1, Math.ceil(words.length / 2))
    while (cut > 1 && linesOf(words.slice(0, cut).join(' '), width, size) > 1) cut--
    first = words.slice(0, cut).join(' ')
    second = words.slice(cut).join(' ')
  }
  const most = Math.max(4, Math.floor(width / (0.4 * size)))
  const short = (line: string) => (line.length > most ? `${line.slice(0, most - 1)}…` : line)
  return (
    <text textAnchor="middle" style={{ font: `600 ${size}px var(--font-cond)`, fill: colour }}>
      <title>{text}</title>
      <tspan x={x} y={second ? 14 : 28}>
        {short(first)}
      </tspan>
      {second ? (
        <tspan x={x} y={29}>
          {short(second)}
        </tspan>
      ) : null}
    </text>
  )
}
