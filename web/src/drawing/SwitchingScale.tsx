import { type PointerEvent, useEffect, useRef, useState } from 'react'
import { roundToStep } from '@nachtigal/core/units/displayRound'
import { trueMinus } from '@nachtigal/core/units/quantity'
import { stepFor } from './axis'
import { spanOf } from './scaleSpan'
import type { ScalePart, ScaleValues, Rung } from './scaleValues'
import { useBox } from './useBox'
import { svgSpot, useHandles } from './useHandles'

interface Props {
  readonly values: ScaleValues
  /** Rungs that run at the pointer. */
  readonly running?: ReadonlySet<string>
  readonly unit: string
  readonly differenceUnit: string
  /** Display step of the controller. */
  readonly step: number
  /** What is wrong on the scale itself: a sentence at a part; parts of a rung as `id/bar`. */
  readonly marks: Readonly<Record<string, string>>
  readonly moves: string
  readonly compact: boolean
  /** The rung whose values are spelled out where there is no room for all. */
  readonly chosen?: string
  /** A part is where the hand holds it; `done` when it is let go. */
  readonly onMove: (part: ScalePart, rung: string, value: number, done: boolean) => void
  readonly onPointer?: (value: number) => void
  readonly onChoose?: (rung: string) => void
}

/** Room beside the columns of a phone for the chosen one's figures. */
const VALUE_ROOM = 74
const USUAL = { wide: { width: 760, height: 440 }, narrow: { width: 374, height: 440 } }
const TOP = 34
const RULE = 52

const tintOf = { heating: 'var(--heat)', cooling: 'var(--cold)' } as const

const partNames = {
  set: 'Setpoint',
  on: 'Cut-in',
  off: 'Cut-out',
  bar: 'Whole rung',
  lowest: 'Lowest setpoint',
  highest: 'Highest setpoint',
  alarm: 'High alarm',
  alarmLow: 'Low alarm',
} as const

/**
 * The switching points: a temperature scale with every switching point on it, to be dragged, moved by arrow keys or typed elsewhere.
 * Heating stands left of the scale in copper, cooling right in verdigris, a column for each stage; limits, alarms, cut-outs and the
 * pointer stand opposite the rungs, or outside the left columns where there are both.
 */
export function SwitchingScale({
  values,
  running,
  unit,
  differenceUnit,
  step,
  marks,
  moves,
  compact,
  chosen,
  onMove,
  onPointer,
  onChoose,
}: Props) {
  const svg = useRef<SVGSVGElement>(null)
  const { width, height } = useBox(svg, compact ? USUAL.narrow : USUAL.wide)
  const bottom = height - 16
  const { rungs, lowest, highest, alarm, alarmLow, cutOuts = [], ice, fights = [], pointer } = values
  const wanted = spanOf(values)
  const [span, setSpan] = useState(wanted)
  const [low, high] = span
  const perUnit = (bottom - TOP) / (high - low)
  const y = (value: number) => bottom - (value - low) * perUnit
  const clampedY = (value: number) => Math.min(bottom, Math.max(TOP, y(value)))
  const { handle, held } = useHandles((event: PointerEvent) => ({
    x: 0,
    y: high - (svgSpot(svg.current!, event, width, height).y - TOP) / perUnit,
  }))
  // The scale stands still under a hand and fits itself anew when it is let go.
  const [wantedLow, wantedHigh] = wanted
  useEffect(() => {
    if (held === undefined) setSpan([wantedLow, wantedHigh])
  }, [held, wantedLow, wantedHigh])

  const heats = rungs.filter(({ action }) => action === 'heating')
  const cools = rungs.filter(({ action }) => action === 'cooling')
  const both = heats.length > 0 && cools.length > 0
  const single = rungs.length === 1
  const most = Math.max(heats.length, cools.length)
  const [first] = rungs
  const set = first?.set ?? 0
  const setY = clampedY(set)
  // Free side of the rule: for limits and alarms, right of heating, left of cooling.
  const freeLeft = cools.length > 0
  const decimals = step < 1 ? 1 : 0
  const say = (value: number) => trueMinus(value.toFixed(decimals))
  // On a phone the gutter is as wide as the longest figure in it, with its mark.
  const told = [lowest, highest, alarm, alarmLow, ...cutOuts.map(({ at }) => at)].filter((value) => value !== undefined)
  const gutter = compact ? Math.max(66, 38 + Math.max(0, ...told.map((value) => say(value).length)) * 8) : 264
  const left = both
    ? width / 2 - RULE / 2 + (compact ? 20 : 30)
    : single
      ? width / 2 - RULE / 2 + (compact ? (freeLeft ? 10 : -10) : freeLeft ? -20 : 20)
      : freeLeft
        ? gutter
        : width - RULE - gutter
  const right = left + RULE
  const free = freeLeft ? left : right
  const away = (distance: number) => (freeLeft ? free - distance : free + distance)
  // Where both are there, limits, alarms and the pointer stand outside the left columns.
  const margin = compact ? 58 : 104
  const awayAnchor = freeLeft ? ('end' as const) : ('start' as const)
  const columnRoom = both ? left - margin - 40 : compact ? width - gutter - RULE - 30 - VALUE_ROOM : 400
  const pitch = single ? 0 : Math.min(compact ? 60 : 96, columnRoom / most)
  const start = single ? (compact ? 62 : 96) : compact ? 30 : 56
  const columnX = (action: Rung['action'], stage: number) =>
    action === 'heating' ? left - start - (stage - 1) * pitch : right + start + (stage - 1) * pitch
  const beside = (distance: number) => (both ? margin - distance : away(distance))
  const numbered = !single
  const named = (rung: Rung, part: 'on' | 'off' | 'bar') => {
    const of = `${both ? (rung.action === 'heating' ? 'Heating' : 'Cooling') : 'Stage'} ${rung.stage}`
    return numbered ? `${of}, ${partNames[part].toLowerCase()}` : partNames[part]
  }
  const sliding = (part: ScalePart, rung: string, label: string, value: number, mark: string | undefined) =>
    handle({
      id: `${rung}/${part}`,
      label,
      at: { x: 0, y: value },
      step: { x: 0, y: step },
      says: `${say(value)} ${unit}${mark ? `, ${mark}` : ''}`,
      low,
      high,
      move: (to, done) => onMove(part, rung, to.y, done),
    })

  const minor = stepFor(perUnit, 5)
  const major = Math.max(stepFor(perUnit, 26), minor * 2)
  const ticks = Array.from({ length: Math.floor((high - low) / minor) + 2 }, (_, i) =>
    roundToStep((Math.ceil(low / minor) + i) * minor, minor),
  ).filter((v) => v >= low && v <= high)
  const isMajor = (v: number) => Math.abs(v / major - Math.round(v / major)) < 1e-6
  const ink = (size: number, weight = 400) => ({
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

  const rungAt = (rung: Rung) => {
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
        <g {...sliding(part, id, named(rung, part), part === 'on' ? on : off, marks[`${id}/${part}`])}>
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
        <g {...sliding('bar', id, named(rung, 'bar'), rung.set, mark)}>
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

  const limit = (part: 'lowest' | 'highest', value: number) => {
    const at = clampedY(value)
    const hook = part === 'highest' ? 1 : -1
    const pinned = Math.abs(at - y(value)) > 1
    const x0 = both ? margin : free
    const out = (distance: number) => (both ? x0 - distance : away(distance))
    return (
      <g {...sliding(part, first?.id ?? '', partNames[part], value, marks[part])}>
        <rect x={Math.min(x0, out(70))} y={at - 16} width={70} height={32} fill="transparent" />
        {both ? <path d={`M${x0} ${at}H${left}`} stroke="var(--line)" /> : null}
        <path
          d={`M${out(12)} ${at}H${x0}M${x0} ${at}v${hook * 14}`}
          stroke={marks[part] ? 'var(--look)' : 'var(--ink)'}
          strokeWidth="3"
          fill="none"
        />
        {pinned ? <path d={`M${out(26)} ${at + hook * 4}l4 ${-hook * 8}l4 ${hook * 8}Z`} fill="var(--ink2)" /> : null}
        <text x={out(compact ? 20 : 40)} y={at + 5} textAnchor={awayAnchor} style={ink(14)}>
          {say(value)}
          {compact || both ? null : (
            <tspan dx="8" style={cond(15)}>
              {part === 'highest' ? 'highest the keys allow' : 'lowest'}
            </tspan>
          )}
        </text>
        {compact || both ? (
          <text x={out(20)} y={at + (part === 'lowest' ? -12 : 22)} textAnchor={awayAnchor} style={cond(14)}>
            {part}
          </text>
        ) : null}
      </g>
    )
  }
  const flag = (part: 'alarm' | 'alarmLow', value: number) => {
    const at = clampedY(value)
    const out = both ? -1 : freeLeft ? -1 : 1
    const x0 = both ? margin : free
    return (
      <g {...sliding(part, first?.id ?? '', partNames[part], value, marks[part])}>
        <rect x={Math.min(x0, x0 + out * 60)} y={at - 16} width={60} height={32} fill="transparent" />
        <path d={`M${x0} ${at}h${out * 30}`} stroke="var(--stop)" strokeWidth="1.5" />
        <path
          d={`M${x0 + out * 12} ${at - 7}h${out * 22}l${-out * 7} 7l${out * 7} 7h${-out * 22}Z`}
          fill="var(--stop)"
        />
        {marks[part] ? <path d={`M${x0 + out * 5} ${at - 22}l7 13h-14Z`} fill="var(--look)" /> : null}
        <text x={x0 + out * (compact ? 38 : 44)} y={at + 5} textAnchor={awayAnchor} style={ink(14)}>
          {say(value)}
          <tspan dx="8" style={cond(15)}>
            {compact || both ? '' : part === 'alarm' ? 'high alarm' : 'low alarm'}
          </tspan>
        </text>
      </g>
    )
  }
  const swing = first ? Math.abs(first.on - first.off) : 0
  const side = first?.action === 'heating' ? -1 : 1
  const near = first?.action === 'heating' ? left : right
  const chipFar = near + side * 204
  // Beyond the only rung, else beside the notch where stage 1 leaves room.
  const chipX = single ? Math.min(chipFar, near + side * 326) : side > 0 ? right + 8 : left - 130
  const chipY = single
    ? setY - 16
    : side > 0
      ? Math.max(
          setY,
          ...rungs.filter((r) => r.stage === 1 && r.action === first?.action).map((r) => Math.max(y(r.on), y(r.off))),
        ) + 16
      : Math.min(
          setY,
          ...rungs.filter((r) => r.stage === 1 && r.action === first?.action).map((r) => Math.min(y(r.on), y(r.off))),
        ) - 48
  const pairs = (action: Rung['action']) => {
    const stages = rungs.filter((rung) => rung.action === action)
    return stages.slice(1).map((rung, i) => [stages[i]!, rung] as const)
  }
  return (
    <svg
      ref={svg}
      viewBox={`0 0 ${width} ${height}`}
      className="w-full h-full max-h-[640px] select-none"
      aria-label={`Switching points, ${unit}`}
      role="group"
    >
      <defs>
        {(['heating', 'cooling'] as const).map((action) => (
          <pattern
            key={action}
            id={`rest-${action}`}
            width="5"
            height="5"
            patternUnits="userSpaceOnUse"
            patternTransform="rotate(45)"
          >
            <path d="M0 0V5" stroke={tintOf[action]} opacity=".8" />
          </pattern>
        ))}
        <pattern id="ice" width="7" height="7" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
          <path d="M0 0V7" stroke="var(--edge)" />
        </pattern>
      </defs>
      {ice !== undefined && y(ice) < bottom + 8 ? (
        <g role="img" aria-label={`Ice under ${say(ice)} ${unit}`}>
          <rect x={0} y={y(ice)} width={width} height={Math.max(0, bottom + 10 - y(ice))} fill="url(#ice)" />
          <path d={`M0 ${y(ice)}H${width}`} stroke="var(--note)" strokeWidth="1.5" />
          <text x={freeLeft ? width - 8 : 8} y={y(ice) - 6} textAnchor={freeLeft ? 'end' : 'start'} style={cond(14)}>
            ice under {say(ice)} {unit}
          </text>
        </g>
      ) : null}
      <rect
        x={left}
        y={TOP - 10}
        width={RULE}
        height={bottom - TOP + 20}
        fill="var(--blank)"
        stroke="var(--ink)"
        strokeWidth="1.5"
      />
      {fights.map(({ from, to }) => (
        <g
          key={`${from}/${to}`}
          role="img"
          aria-label={`Heating and cooling fight from ${say(from)} to ${say(to)} ${unit}`}
        >
          <rect
            x={left - 60}
            y={clampedY(to)}
            width={RULE + 120}
            height={Math.max(3, clampedY(from) - clampedY(to))}
            fill="url(#rest-heating)"
          />
          <rect
            x={left - 60}
            y={clampedY(to)}
            width={RULE + 120}
            height={Math.max(3, clampedY(from) - clampedY(to))}
            fill="url(#rest-cooling)"
          />
          <text x={left + RULE / 2} y={clampedY(to) - 5} textAnchor="middle" style={cond(14, 'var(--ink)')}>
            fight
          </text>
        </g>
      ))}
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
      {single && first ? (
        <text x={columnX(first.action, 1)} y={20} textAnchor="middle" style={{ font: '600 18px var(--font-cond)' }}>
          {first.action === 'heating' ? 'Heats' : 'Cools'}
        </text>
      ) : null}
      {compact || !single || !first ? null : (
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
      )}
      {compact
        ? null
        : (['heating', 'cooling'] as const).flatMap((action) =>
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
          )}
      {rungs.map(rungAt)}
      {lowest === undefined ? null : limit('lowest', lowest)}
      {highest === undefined ? null : limit('highest', highest)}
      {alarm === undefined ? null : flag('alarm', alarm)}
      {alarmLow === undefined ? null : flag('alarmLow', alarmLow)}
      {cutOuts.map(({ tag, at, opens }) => {
        const pinned = at < low || at > high
        const cy = clampedY(at) + (pinned ? (at > high ? -14 : 14) : 0)
        const out = freeLeft ? -1 : 1
        return (
          <g
            key={tag}
            role="img"
            aria-label={`${tag} ${opens === 'rise' ? 'opens over' : 'opens under'} ${say(at)} ${unit}`}
          >
            <path d={`M${free} ${cy}h${out * 12}`} stroke="var(--stop)" strokeWidth="3" />
            <path
              transform={`translate(${free + out * 20 - 7} ${cy - 7}) scale(.875)`}
              d="M4.7 0H11.3L16 4.7V11.3L11.3 16H4.7L0 11.3V4.7Z"
              fill="var(--stop)"
            />
            <path d={`M${free + out * 20 - 3.5} ${cy}h7`} stroke="var(--on-solid)" strokeWidth="2" />
            <text x={free + out * 34} y={cy + 5} textAnchor={awayAnchor} style={ink(13, 700)}>
              {say(at)}
              <tspan dx="6" style={cond(14, 'var(--stop)')}>
                {compact ? (single ? tag : '') : `${tag} opens`}
              </tspan>
            </text>
          </g>
        )
      })}
      {pointer === undefined || !onPointer ? null : (
        <g
          {...handle({
            id: 'pointer',
            label: 'Probe is at',
            at: { x: 0, y: pointer },
            step: { x: 0, y: step },
            says: `${say(pointer)} ${unit}`,
            low,
            high,
            move: (to) => onPointer(to.y),
          })}
        >
          {both ? (
            <path d={`M${margin} ${clampedY(pointer)}H${left}`} stroke="var(--ink)" strokeDasharray="2 3" />
          ) : null}
          <rect
            x={Math.min(beside(0), beside(96))}
            y={clampedY(pointer) - 16}
            width={96}
            height={32}
            fill="transparent"
          />
          <path
            d={`M${beside(3)} ${clampedY(pointer)}L${beside(24)} ${clampedY(pointer) - 11}V${clampedY(pointer) + 11}Z`}
            fill="var(--ink)"
          />
          <text
            x={beside(compact && both ? 26 : 30)}
            y={clampedY(pointer) + (compact ? 6 : 8)}
            textAnchor={awayAnchor}
            style={ink(compact ? 16 : 24)}
          >
            {say(pointer)}
            {compact || both ? null : (
              <tspan dx="6" style={cond(15)}>
                probe
              </tspan>
            )}
          </text>
        </g>
      )}
      {first ? (
        <g {...sliding('set', first.id, numbered ? 'Setpoint, all stages' : 'Setpoint', set, marks['set'])}>
          <rect x={left} y={setY - 14} width={RULE} height={28} fill="transparent" />
          <path
            d={
              side > 0
                ? `M${right} ${setY - 9}L${right - 24} ${setY}L${right} ${setY + 9}Z`
                : `M${left} ${setY - 9}L${left + 24} ${setY}L${left} ${setY + 9}Z`
            }
            fill="var(--paper)"
            stroke="var(--ink)"
            strokeWidth="1.5"
          />
          <path
            d={side > 0 ? `M${right - 24} ${setY}H${left}` : `M${left + 24} ${setY}H${right}`}
            stroke="var(--ink)"
            strokeWidth="3"
          />
          {compact ? null : (
            <>
              <rect
                x={chipX}
                y={chipY}
                width={122}
                height={32}
                fill="var(--mark)"
                stroke={marks['set'] ? 'var(--look)' : 'var(--ink)'}
                strokeWidth="1.5"
              />
              <text x={chipX + 10} y={chipY + 21} style={{ font: '500 16px var(--font-cond)' }}>
                set
              </text>
              <text x={chipX + 112} y={chipY + 22} textAnchor="end" style={{ font: '700 16px var(--font-sans)' }}>
                {say(set)} {unit}
              </text>
              <text
                x={side < 0 && !single ? left - 8 : chipX}
                y={chipY + (side < 0 && !single ? -6 : 50)}
                textAnchor={side < 0 && !single ? 'end' : 'start'}
                style={cond(15)}
              >
                {moves}
              </text>
            </>
          )}
        </g>
      ) : null}
    </svg>
  )
}
