import { useRef, type PointerEvent } from 'react'
import { clockText } from '@nachtigal/core/time/clockText'
import { drawnNote } from './drawn'
import { useBox } from './useBox'
import { svgSpot, useHandles } from './useHandles'

export interface WeekBarDrawn {
  readonly id: string
  /** Day of the week from 0, minutes of that day. */
  readonly day: number
  readonly from: number
  readonly to: number
  /** First piece of a period on its day: it can be taken. */
  readonly starts: boolean
  readonly ends: boolean
}

interface Props {
  readonly bars: readonly WeekBarDrawn[]
  /** Which period is in hand. */
  readonly chosen: string | undefined
  /** Periods that overlap another. */
  readonly clashing: ReadonlySet<string>
  readonly titles: Readonly<Record<string, string>>
  readonly stepMin: number
  readonly compact: boolean
  readonly onChoose: (id: string) => void
  readonly onStart: (id: string, minutes: number, done: boolean) => void
  readonly onLength: (id: string, minutes: number, done: boolean) => void
  readonly lengthOf: (id: string) => number
  readonly startOf: (id: string) => number
}

const DAY = 1440
const names = ['Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat', 'Sun']

/** A week in seven rows of a day: each period as a bar, its start dragged by the bar, its run time by the end. */
export function WeekStrip({
  bars,
  chosen,
  clashing,
  titles,
  stepMin,
  compact,
  onChoose,
  onStart,
  onLength,
  lengthOf,
  startOf,
}: Props) {
  const svg = useRef<SVGSVGElement>(null)
  const { width, height } = useBox(svg, { width: compact ? 374 : 760, height: 340 })
  const row = (height - 36) / 7
  const left = compact ? 34 : 52
  const per = (width - left - 10) / DAY
  const x = (minutes: number) => left + minutes * per
  const { handle } = useHandles((event: PointerEvent) => ({
    x: (svgSpot(svg.current!, event, width, height).x - left) / per,
    y: 0,
  }))
  const told = new Set<string>()
  const hours = compact ? [0, 6, 12, 18, 24] : [0, 3, 6, 9, 12, 15, 18, 21, 24]
  return (
    <svg
      ref={svg}
      viewBox={`0 0 ${width} ${height}`}
      className="w-full h-full max-h-[460px] select-none"
      role="group"
      aria-label="Week"
    >
      {hours.map((hour) => (
        <g key={hour}>
          <path d={`M${x(hour * 60)} 24V${height - 6}`} stroke="var(--line)" />
          <text
            x={x(hour * 60)}
            y={16}
            textAnchor="middle"
            style={{ font: '400 13px var(--font-sans)', fill: 'var(--ink2)' }}
          >
            {hour}
          </text>
        </g>
      ))}
      {names.map((name, day) => (
        <g key={name}>
          <text x={left - 8} y={30 + day * row + row / 2 + 5} textAnchor="end" style={drawnNote(15, 'var(--ink)')}>
            {name}
          </text>
          <path d={`M${left} ${30 + (day + 1) * row}H${width - 10}`} stroke="var(--line)" />
        </g>
      ))}
      {bars.map((bar) => {
        const { id, day, from, to, starts, ends } = bar
        const top = 30 + day * row + 7
        const tall = Math.max(12, row - 14)
        const clash = clashing.has(id)
        // One of a period's bars stands in the order of keys; the others are for the hand.
        const first = starts && !told.has(id)
        if (first) told.add(id)
        const start = handle({
          id: `${id}/${day}/start`,
          label: `${titles[id] ?? 'Period'}, start`,
          at: { x: startOf(id), y: 0 },
          step: { x: stepMin, y: 0 },
          says: `${clockText(startOf(id) / 60)}${clash ? ', overlaps another' : ''}`,
          low: 0,
          high: DAY,
          move: (spot, done) => onStart(id, spot.x, done),
        })
        const length = handle({
          id: `${id}/${day}/end`,
          label: `${titles[id] ?? 'Period'}, run time`,
          at: { x: lengthOf(id), y: 0 },
          step: { x: stepMin, y: 0 },
          says: `${lengthOf(id)} minutes`,
          low: 0,
          high: DAY,
          move: (spot, done) => onLength(id, Math.max(stepMin, spot.x), done),
        })
        // Keys of bars do not hold their start: one that is dragged would be taken from under the hand.
        const still = {
          role: 'presentation',
          tabIndex: -1,
          'aria-label': undefined,
          'aria-valuetext': undefined,
          'aria-valuenow': undefined,
          'aria-valuemin': undefined,
          'aria-valuemax': undefined,
          'aria-orientation': undefined,
        }
        return (
          <g key={`${day}/${id}/${starts}`}>
            <g {...(starts ? start : {})} {...(first ? {} : still)} onFocus={() => onChoose(id)}>
              <rect
                x={x(from)}
                y={top - 6}
                width={Math.max(14, x(to) - x(from))}
                height={tall + 12}
                fill="transparent"
                onPointerDown={() => onChoose(id)}
              />
              <rect
                x={x(from)}
                y={top}
                width={Math.max(3, x(to) - x(from))}
                height={tall}
                fill={id === chosen ? 'var(--mark)' : 'var(--blank)'}
                stroke={clash ? 'var(--look)' : 'var(--ink)'}
                strokeWidth={clash ? 2.5 : 1.5}
              />
              {starts && x(to) - x(from) > 44 ? (
                <text x={x(from) + 6} y={top + tall / 2 + 5} style={{ font: '400 13px var(--font-sans)' }}>
                  {clockText(from / 60)}
                </text>
              ) : null}
            </g>
            {ends ? (
              <g {...length} {...(first ? {} : still)} onFocus={() => onChoose(id)}>
                <rect x={x(to) - 10} y={top - 6} width={20} height={tall + 12} fill="transparent" />
                <path d={`M${x(to) - 1} ${top + 3}V${top + tall - 3}`} stroke="var(--ink)" strokeWidth="4" />
              </g>
            ) : null}
          </g>
        )
      })}
    </svg>
  )
}
