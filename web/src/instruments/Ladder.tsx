import { type KeyboardEvent, type PointerEvent, useEffect, useRef, useState } from 'react'
import { roundToStep } from '@nachtigal/core/units/displayRound'
import { trueMinus } from '@nachtigal/core/units/quantity'

export type LadderPart = 'set' | 'on' | 'off' | 'bar' | 'lowest' | 'highest' | 'alarm'

/** Everything in the unit that is shown: the ladder converts nothing. */
export interface LadderValues {
  readonly action: 'heating' | 'cooling'
  readonly set: number
  readonly on: number
  readonly off: number
  readonly lowest?: number | undefined
  readonly highest?: number | undefined
  readonly alarm?: number | undefined
}

interface Props {
  readonly values: LadderValues
  readonly unit: string
  readonly differenceUnit: string
  /** Display step of the controller. */
  readonly step: number
  /** What is wrong on the scale itself: a sentence at a part. */
  readonly marks: Partial<Record<LadderPart, string>>
  readonly moves: string
  readonly compact: boolean
  /** A part is where the hand holds it; `done` when it is let go. */
  readonly onMove: (part: LadderPart, value: number, done: boolean) => void
}

const HEIGHT = 440
const TOP = 34
const BOTTOM = 424
const RULE = 52
const names: Record<LadderPart, string> = {
  set: 'Set',
  on: 'Cut-in',
  off: 'Cut-out',
  bar: 'Whole rung',
  lowest: 'Lowest set',
  highest: 'Highest set',
  alarm: 'High alarm',
}
/** Keys are told to the log once the hand rests. */
const REST_MS = 600

/** Span of the scale: the working points, and what else stands near enough to be drawn; the rest is pinned to the ends. */
function spanOf({ set, on, off, lowest, highest, alarm }: LadderValues): readonly [number, number] {
  let low = Math.min(set, on, off)
  let high = Math.max(set, on, off)
  const most = Math.max(12, 7 * (high - low))
  for (const value of [highest, alarm, lowest]
    .filter((v) => v !== undefined)
    .sort((a, b) => Math.abs(a - set) - Math.abs(b - set)))
    if (Math.max(high, value) - Math.min(low, value) <= most) {
      low = Math.min(low, value)
      high = Math.max(high, value)
    }
  const room = Math.max((high - low) * 0.16, 1)
  return [low - room, high + room]
}

const niceSteps = [0.1, 0.2, 0.5, 1, 2, 5, 10, 20, 50, 100]
const stepFor = (perUnit: number, least: number) => niceSteps.find((step) => step * perUnit >= least) ?? 100

/**
 * The ladder: a temperature scale with every switching point on it, to be dragged, moved by arrow keys or typed elsewhere.
 * Heating stands left of the scale in copper, cooling right in verdigris; limits and alarms stand opposite.
 */
export function Ladder({ values, unit, differenceUnit, step, marks, moves, compact, onMove }: Props) {
  const width = compact ? 374 : 760
  const svg = useRef<SVGSVGElement>(null)
  const [held, setHeld] = useState<{ part: LadderPart; offset: number } | null>(null)
  const [span, setSpan] = useState(() => spanOf(values))
  const { action, set, on, off, lowest, highest, alarm } = values
  const wanted = spanOf(values)
  // The scale stands still under a hand and fits itself anew when it is let go.
  useEffect(() => {
    if (!held) setSpan(wanted)
  }, [held, wanted[0], wanted[1]])
  const [low, high] = span
  const perUnit = (BOTTOM - TOP) / (high - low)
  const y = (value: number) => BOTTOM - (value - low) * perUnit
  const clampedY = (value: number) => Math.min(BOTTOM, Math.max(TOP, y(value)))
  const heats = action === 'heating'
  const side = heats ? -1 : 1
  const left = width / 2 - RULE / 2 + (compact ? side * -10 : side * -40)
  const right = left + RULE
  const near = heats ? left : right
  const far = heats ? right : left
  const out = (distance: number) => near + side * distance
  const away = (distance: number) => far - side * distance
  const anchor = heats ? 'end' : 'start'
  const awayAnchor = heats ? 'start' : 'end'
  const decimals = step < 1 ? 1 : 0
  const say = (value: number) => trueMinus(value.toFixed(decimals))
  const tint = heats ? 'var(--heat)' : 'var(--cold)'
  const rungX = out(compact ? 62 : 96)
  const valueX = rungX + side * 33

  const valueOf: Record<LadderPart, number | undefined> = { set, on, off, bar: set, lowest, highest, alarm }
  const valueAt = (event: PointerEvent) => {
    const box = svg.current!.getBoundingClientRect()
    const scale = Math.max(width / box.width, HEIGHT / box.height)
    const blankY = (box.height - HEIGHT / scale) / 2
    return high - ((event.clientY - box.top - blankY) * scale - TOP) / perUnit
  }
  const timer = useRef<ReturnType<typeof setTimeout>>(undefined)
  const handle = (part: LadderPart) => ({
    role: 'slider',
    tabIndex: 0,
    'aria-label': names[part],
    'aria-orientation': 'vertical' as const,
    'aria-valuemin': Number(low.toFixed(1)),
    'aria-valuemax': Number(high.toFixed(1)),
    'aria-valuenow': Number((valueOf[part] ?? 0).toFixed(2)),
    'aria-valuetext': `${say(valueOf[part] ?? 0)} ${unit}${marks[part] ? `, ${marks[part]}` : ''}`,
    className: 'cursor-ns-resize ladder-handle',
    style: { touchAction: 'none' as const },
    onPointerDown: (event: PointerEvent<SVGGElement>) => {
      event.currentTarget.setPointerCapture(event.pointerId)
      setHeld({ part, offset: (valueOf[part] ?? 0) - valueAt(event) })
    },
    onPointerMove: (event: PointerEvent<SVGGElement>) => {
      if (held?.part === part) onMove(part, roundToStep(valueAt(event) + held.offset, step), false)
    },
    onPointerUp: (event: PointerEvent<SVGGElement>) => {
      if (held?.part !== part) return
      onMove(part, roundToStep(valueAt(event) + held.offset, step), true)
      setHeld(null)
    },
    onPointerCancel: () => setHeld(null),
    onKeyDown: (event: KeyboardEvent) => {
      const by = { ArrowUp: 1, ArrowDown: -1, PageUp: 10, PageDown: -10 }[event.key]
      if (by === undefined) return
      event.preventDefault()
      const next = roundToStep((valueOf[part] ?? 0) + by * (event.shiftKey ? 10 : 1) * step, step)
      onMove(part, next, false)
      clearTimeout(timer.current)
      timer.current = setTimeout(() => onMove(part, next, true), REST_MS)
    },
    onBlur: () => {
      if (timer.current === undefined) return
      clearTimeout(timer.current)
      timer.current = undefined
      if (valueOf[part] !== undefined) onMove(part, valueOf[part], true)
    },
  })

  const minor = stepFor(perUnit, 5)
  const major = Math.max(stepFor(perUnit, 26), minor * 2)
  const ticks = Array.from({ length: Math.floor((high - low) / minor) + 2 }, (_, i) =>
    roundToStep((Math.ceil(low / minor) + i) * minor, minor),
  ).filter((v) => v >= low && v <= high)
  const isMajor = (v: number) => Math.abs(v / major - Math.round(v / major)) < 1e-6
  const swing = Math.abs(on - off)
  const middle = (y(on) + y(off)) / 2
  const setY = clampedY(set)
  const label = (size: number, weight = 400) => ({
    font: `${weight} ${size}px var(--font-sans)`,
    paintOrder: 'stroke' as const,
    stroke: 'var(--paper)',
    strokeWidth: 4,
  })
  const cond = (size: number, colour = 'var(--ink2)') => ({
    font: `500 ${size}px var(--font-cond)`,
    fill: colour,
    paintOrder: 'stroke' as const,
    stroke: 'var(--paper)',
    strokeWidth: 4,
  })
  const crowded = Math.abs(y(on) - y(off)) < 22
  const cap = (part: 'on' | 'off') => {
    const at = y(part === 'on' ? on : off)
    const shift = crowded ? (y(on) > y(off) === (part === 'on') ? 9 : -9) : 0
    return (
      <g {...handle(part)}>
        <rect x={rungX - 22} y={at - 12} width={44} height={24} fill="transparent" />
        <path d={`M${near} ${at}H${rungX - side * 17}`} stroke={tint} />
        <rect
          x={rungX - 17}
          y={at - 3}
          width={34}
          height={6}
          fill={part === 'on' ? tint : 'var(--blank)'}
          stroke={tint}
          strokeWidth="1.5"
        />
        <text x={valueX} y={at + 5 + shift} textAnchor={anchor} style={label(16, part === 'on' ? 700 : 400)}>
          {say(part === 'on' ? on : off)}
          <tspan dx="6" style={cond(15)}>
            {part === 'on' ? 'in' : 'out'}
          </tspan>
        </text>
      </g>
    )
  }
  const limit = (part: 'lowest' | 'highest', value: number) => {
    const at = clampedY(value)
    const hook = part === 'highest' ? 1 : -1
    const pinned = Math.abs(at - y(value)) > 1
    return (
      <g {...handle(part)}>
        <rect x={Math.min(far, away(70))} y={at - 16} width={70} height={32} fill="transparent" />
        <path
          d={`M${away(12)} ${at}H${far}M${far} ${at}v${hook * 14}`}
          stroke={marks[part] ? 'var(--look)' : 'var(--ink)'}
          strokeWidth="3"
          fill="none"
        />
        {pinned ? <path d={`M${away(26)} ${at - hook * -4}l4 ${-hook * 8}l4 ${hook * 8}Z`} fill="var(--ink2)" /> : null}
        <text x={away(compact ? 20 : 40)} y={at + 5} textAnchor={awayAnchor} style={label(14)}>
          {say(value)}
          {compact ? null : (
            <tspan dx="8" style={cond(15)}>
              {part === 'highest' ? 'highest the keys allow' : 'lowest'}
            </tspan>
          )}
        </text>
        {compact ? (
          <text x={away(20)} y={at + (part === 'lowest' ? -12 : 22)} textAnchor={awayAnchor} style={cond(14)}>
            {part}
          </text>
        ) : null}
      </g>
    )
  }
  return (
    <svg
      ref={svg}
      viewBox={`0 0 ${width} ${HEIGHT}`}
      className="w-full h-full max-h-[468px] select-none"
      aria-label={`Ladder, ${unit}`}
      role="group"
    >
      <defs>
        <pattern id="rest" width="5" height="5" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
          <path d="M0 0V5" stroke={tint} opacity=".8" />
        </pattern>
      </defs>
      <rect
        x={left}
        y={TOP - 10}
        width={RULE}
        height={BOTTOM - TOP + 20}
        fill="var(--blank)"
        stroke="var(--ink)"
        strokeWidth="1.5"
      />
      {ticks.map((v) => (
        <g key={v}>
          <path
            d={`M${right} ${y(v)}h${isMajor(v) ? -12 : -5}M${left} ${y(v)}h${isMajor(v) ? 7 : 4}`}
            stroke="var(--ink)"
            strokeWidth={isMajor(v) ? 1.5 : 1}
          />
          {isMajor(v) && Math.abs(y(v) - setY) > 9 ? (
            <text x={right - 16} y={y(v) + 4.5} textAnchor="end" style={{ font: '400 13px var(--font-sans)' }}>
              {trueMinus(String(v))}
            </text>
          ) : null}
        </g>
      ))}
      <text x={rungX} y={20} textAnchor="middle" style={{ font: '600 18px var(--font-cond)' }}>
        {heats ? 'Heats' : 'Cools'}
      </text>
      {compact ? null : <path d={`M${near} ${setY}H${out(196)}`} stroke="var(--ink)" strokeDasharray="1 4" />}
      {compact ? null : <path d={`M${out(40)} ${y(on)}V${y(off)}`} stroke="var(--ink)" />}
      {compact || crowded ? null : (
        <>
          <path
            d={`M${out(40) - 3} ${Math.min(y(on), y(off)) + 6}l3-6l3 6ZM${out(40) - 3} ${Math.max(y(on), y(off)) - 6}l3 6l3-6Z`}
            fill="var(--ink)"
          />
          <text
            transform={`translate(${out(40) + (heats ? 15 : -8)} ${middle}) rotate(-90)`}
            textAnchor="middle"
            style={cond(15, 'var(--ink)')}
          >
            {say(swing)} {differenceUnit}
          </text>
        </>
      )}
      <g {...handle('bar')}>
        <rect
          x={rungX - 16}
          y={Math.min(y(on), y(off))}
          width={32}
          height={Math.max(4, Math.abs(y(on) - y(off)))}
          fill="transparent"
        />
        <rect
          x={rungX - 12}
          y={Math.min(y(on), y(off))}
          width={24}
          height={Math.max(2, Math.abs(y(on) - y(off)))}
          fill={tint}
        />
        {Math.abs(y(on) - y(off)) > 30 ? (
          <text
            x={rungX}
            y={middle + 7}
            textAnchor="middle"
            style={{ font: '700 19px var(--font-sans)', fill: 'var(--on-solid)' }}
          >
            1
          </text>
        ) : null}
        {marks.bar ? (
          <g transform={`translate(${rungX - 8} ${Math.min(y(on), y(off)) - 26})`}>
            <path d="M8 0L16 15H0Z" fill="var(--look)" />
            <path d="M8 5V10" stroke="var(--on-solid)" strokeWidth="2" />
          </g>
        ) : null}
      </g>
      {cap('off')}
      {cap('on')}
      {lowest === undefined ? null : limit('lowest', lowest)}
      {highest === undefined ? null : limit('highest', highest)}
      {alarm === undefined ? null : (
        <g {...handle('alarm')}>
          <rect x={Math.min(far, away(60))} y={clampedY(alarm) - 16} width={60} height={32} fill="transparent" />
          <path d={`M${far} ${clampedY(alarm)}H${away(30)}`} stroke="var(--stop)" strokeWidth="1.5" />
          <path
            d={`M${away(12)} ${clampedY(alarm) - 7}h${-side * 22}l${side * 7} 7l${-side * 7} 7h${side * 22}Z`}
            fill="var(--stop)"
          />
          <text x={away(compact ? 38 : 44)} y={clampedY(alarm) + 5} textAnchor={awayAnchor} style={label(14)}>
            {say(alarm)}
            <tspan dx="8" style={cond(15)}>
              {compact ? '' : 'high alarm'}
            </tspan>
          </text>
        </g>
      )}
      <g {...handle('set')}>
        <rect x={left} y={setY - 14} width={RULE} height={28} fill="transparent" />
        <path
          d={`M${near} ${setY - 9}L${near - side * 24} ${setY}L${near} ${setY + 9}Z`}
          fill="var(--paper)"
          stroke="var(--ink)"
          strokeWidth="1.5"
        />
        <path d={`M${near - side * 24} ${setY}H${far}`} stroke="var(--ink)" strokeWidth="3" />
        {compact ? null : (
          <>
            <rect
              x={Math.min(out(196), out(318))}
              y={setY - 16}
              width={122}
              height={32}
              fill="var(--mark)"
              stroke={marks.set ? 'var(--look)' : 'var(--ink)'}
              strokeWidth="1.5"
            />
            <text x={Math.min(out(196), out(318)) + 10} y={setY + 5} style={{ font: '500 16px var(--font-cond)' }}>
              set
            </text>
            <text
              x={Math.max(out(196), out(318)) - 10}
              y={setY + 6}
              textAnchor="end"
              style={{ font: '700 16px var(--font-sans)' }}
            >
              {say(set)} {unit}
            </text>
            <text x={Math.min(out(196), out(318))} y={setY + 34} style={cond(15)}>
              {moves}
            </text>
          </>
        )}
      </g>
    </svg>
  )
}
