import { scaleLinear, scaleLog } from 'd3-scale'
import { useRef, type PointerEvent } from 'react'
import { drawnNote, drawnText, through } from './drawn'
import { useBox } from './useBox'
import { svgSpot, useHandles } from './useHandles'

type Spot = readonly [x: number, y: number]

/** One lane, in the units that are shown. */
interface LaneDrawing {
  readonly id: string
  readonly title: string
  readonly boundTitle?: string | undefined
  readonly bound?: number | undefined
  readonly lines: readonly { readonly look: 'main' | 'other' | 'counted'; readonly spots: readonly Spot[] }[]
  readonly here: number
  readonly hereText: string
  readonly keeps?: boolean | undefined
}

/** A setting across, in the units that are shown. */
export interface TradeDrawing {
  readonly title: string
  readonly unit: string
  readonly low: number
  readonly high: number
  readonly step: number
  readonly decimals: number
  readonly now: number
  readonly offer?: number | undefined
  readonly lanes: readonly LaneDrawing[]
  readonly bars: readonly { readonly id: string; readonly title: string; readonly ranges: readonly Spot[] }[]
  readonly all: readonly Spot[]
}

interface Props {
  readonly values: TradeDrawing
  readonly label: string
  readonly compact: boolean
  readonly onMove: (value: number, done: boolean) => void
}

const USUAL = { wide: { width: 460, height: 440 }, narrow: { width: 374, height: 460 } }
const LEFT = 64
const RIGHT = 28
/** Title over a lane, the rule with its thumb, and one bar. */
const [TITLE, RULE, BAR] = [24, 46, 15]

/** A round top for a lane that holds all of its lines, and what binds it. */
function topOf({ lines, bound = 0, here }: LaneDrawing): number {
  const most = Math.max(bound * 1.4, here, ...lines.flatMap(({ spots }) => spots.map(([, y]) => y)))
  return scaleLinear([0, most > 0 ? most : 1], [0, 1])
    .nice(3)
    .domain()[1]!
}

/** Figures of a rule stand no nearer than this, px. */
const LEAST_APART = 34
/** First digits in the order in which they are wanted on a rule. */
const roundness = ['1', '2', '5', '4', '3', '8', '6', '1.5', '7', '9']

/** Both ends, then the rounder ones first. */
function rounder([low, high, ...rest]: readonly number[]): readonly number[] {
  const rank = (value: number) => {
    const at = roundness.indexOf(String(Number(value.toExponential().split('e')[0])))
    return at < 0 ? roundness.length : at
  }
  return [low!, high!, ...[...rest].sort((a, b) => rank(a) - rank(b))]
}

const dashes = { main: undefined, other: '5 3', counted: '1 3' } as const

/** What a setting costs: one lane each for starts, how far it strays and what it takes, under one rule whose thumb is the setting. */
export function TradeOffPicture({ values, label, compact, onMove }: Props) {
  const svg = useRef<SVGSVGElement>(null)
  const { width, height } = useBox(svg, compact ? USUAL.narrow : USUAL.wide)
  const { title, unit, low, high, step, decimals, now, offer, lanes, bars, all } = values
  const [left, right] = [LEFT, width - RIGHT]
  const log = low > 0
  const scale = (log ? scaleLog() : scaleLinear()).domain([low, high]).range([left, right])
  const x = (value: number) => scale(Math.min(high, Math.max(low, value)))
  const { handle } = useHandles((event: PointerEvent) => ({
    x: scale.invert(svgSpot(svg.current!, event, width, height).x),
    y: 0,
  }))
  const rulesTop = height - RULE - bars.length * BAR - 8
  const laneHeight = (rulesTop - 6) / lanes.length - TITLE
  const placed = (lane: LaneDrawing, i: number) => {
    const top = i * (laneHeight + TITLE) + TITLE
    const most = topOf(lane)
    return { top, most, y: scaleLinear([0, most], [top + laneHeight, top]) }
  }
  const say = (value: number) => value.toFixed(decimals)
  const ticks = scale.ticks(log ? 30 : 8)
  const figures = rounder([low, high, ...ticks]).reduce<number[]>(
    (kept, value) => (kept.every((each) => Math.abs(x(each) - x(value)) > LEAST_APART) ? [...kept, value] : kept),
    [],
  )
  return (
    <svg
      ref={svg}
      viewBox={`0 0 ${width} ${height}`}
      className="w-full h-full max-h-[640px] select-none"
      role="group"
      aria-label={label}
    >
      <defs>
        <pattern id="not-allowed" width="7" height="7" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
          <path d="M0 0V7" stroke="var(--edge)" />
        </pattern>
      </defs>
      {lanes.map((lane, i) => {
        const { top, most, y } = placed(lane, i)
        const { bound } = lane
        return (
          <g key={lane.id}>
            <rect x={left} y={top} width={right - left} height={laneHeight} fill="var(--blank)" stroke="var(--line)" />
            {bound === undefined ? null : (
              <>
                <rect
                  x={left}
                  y={top}
                  width={right - left}
                  height={Math.max(0, y(bound) - top)}
                  fill="url(#not-allowed)"
                  opacity=".55"
                />
                <path d={`M${left} ${y(bound)}H${right}`} stroke="var(--ink)" strokeWidth="1.5" />
                <path
                  d={`M${left - 9} ${y(bound)}H${left}V${top + laneHeight}H${left - 9}`}
                  stroke="var(--ink)"
                  strokeWidth="3"
                  fill="none"
                />
              </>
            )}
            {[0, ...(bound === undefined ? [most / 2] : [bound]), most].map((value, k, shown) =>
              k > 0 && Math.abs(y(value) - y(shown[k - 1]!)) < 14 ? null : (
                <text
                  key={value}
                  x={left - 14}
                  y={y(value) + 4.5}
                  textAnchor="end"
                  style={{ font: `${value === bound ? 700 : 400} 12px var(--font-sans)`, fill: 'var(--ink)' }}
                >
                  {Number(value.toPrecision(3))}
                </text>
              ),
            )}
            {lane.lines.map(({ look, spots }, k) => (
              <path
                key={k}
                d={through(spots.map(([value, figure]) => [x(value), y(figure)]))}
                stroke="var(--ink)"
                strokeWidth={look === 'main' ? 2.25 : 1.25}
                strokeDasharray={dashes[look]}
                fill="none"
                strokeLinejoin="round"
              />
            ))}
            <text x={left} y={top - 6} style={drawnText(13, 600)}>
              {lane.title}
            </text>
            {lane.boundTitle ? (
              <text x={right} y={top - 6} textAnchor="end" style={drawnNote(14, 'var(--ink)')}>
                {lane.boundTitle}
              </text>
            ) : null}
            <path d={`M${x(now)} ${top}V${top + laneHeight + TITLE}`} stroke="var(--ink)" strokeWidth="1.5" />
          </g>
        )
      })}
      {all.map(([from, to]) => (
        <path
          key={from}
          d={`M${x(from)} ${TITLE}V${height - 4}M${x(to)} ${TITLE}V${height - 4}`}
          stroke="var(--fits)"
          strokeWidth="1.75"
        />
      ))}
      {offer === undefined ? null : (
        <path d={`M${x(offer)} ${TITLE}V${rulesTop}`} stroke="var(--ink)" strokeDasharray="2 3" />
      )}
      {lanes.map((lane, i) => {
        // Over every line, so that nothing runs through a figure.
        const { top, y } = placed(lane, i)
        const { keeps } = lane
        const at = y(lane.here)
        const tag = Math.min(top + laneHeight - 22, Math.max(top, at - 24))
        const wide = (keeps === undefined ? 8 : 24) + lane.hereText.length * 8
        const beside = x(now) + 8 + wide > right ? x(now) - 8 - wide : x(now) + 8
        return (
          <g key={lane.id} data-lane={lane.id} data-here={lane.here.toFixed(3)} data-keeps={keeps}>
            <circle cx={x(now)} cy={at} r="4.5" fill="var(--mark)" stroke="var(--ink)" strokeWidth="1.5" />
            <g transform={`translate(${beside} ${tag})`}>
              <rect width={wide} height="20" fill="var(--mark)" />
              {keeps === undefined ? null : keeps ? (
                <path d="M4 11L8 15L15 5" fill="none" stroke="var(--fits)" strokeWidth="2.4" />
              ) : (
                <path d="M10 4L17 17H3Z" fill="var(--look)" />
              )}
              <text
                x={keeps === undefined ? 4 : 20}
                y="15"
                textAnchor="start"
                style={{ font: '700 13px var(--font-sans)', fill: 'var(--ink)' }}
              >
                {lane.hereText}
              </text>
            </g>
          </g>
        )
      })}
      <rect
        x={left}
        y={rulesTop}
        width={right - left}
        height="30"
        fill="var(--blank)"
        stroke="var(--ink)"
        strokeWidth="1.5"
      />
      {ticks.map((value) => (
        <path key={value} d={`M${x(value)} ${rulesTop}v${figures.includes(value) ? 11 : 5}`} stroke="var(--ink)" />
      ))}
      {figures.map((value) => (
        <text
          key={value}
          x={x(value) + (value === low ? 4 : value === high ? -4 : 0)}
          y={rulesTop + 25}
          textAnchor={value === low ? 'start' : value === high ? 'end' : 'middle'}
          style={{ font: '400 12px var(--font-sans)', fill: 'var(--ink)' }}
        >
          {Number(value.toPrecision(3))}
        </text>
      ))}
      <text x={right + 8} y={rulesTop + 20} style={drawnNote(13)}>
        {unit}
      </text>
      {bars.map(({ id, title: name, ranges }, i) => {
        const y = rulesTop + RULE + i * BAR
        return (
          <g key={id}>
            <text x={left - 8} y={y + 4} textAnchor="end" style={drawnNote(13)}>
              {name}
            </text>
            <path d={`M${left} ${y}H${right}`} stroke="var(--edge)" />
            {ranges.length === 0 ? (
              <text x={left + 8} y={y + 4} style={drawnNote(13, 'var(--look)')}>
                none
              </text>
            ) : (
              ranges.map(([from, to]) => (
                <rect
                  key={from}
                  x={x(from) - 1}
                  y={y - 3}
                  width={Math.max(4, x(to) - x(from))}
                  height="6"
                  fill="var(--ink)"
                />
              ))
            )}
          </g>
        )
      })}
      <g
        {...handle({
          id: 'setting',
          label: title,
          at: { x: now, y: 0 },
          step: { x: step, y: 0 },
          says: `${say(now)} ${unit}`,
          ...{ low, high },
          move: ({ x: to }, done) => onMove(Math.min(high, Math.max(low, to)), done),
        })}
      >
        <rect x={x(now) - 38} y={rulesTop - 9} width="76" height="48" fill="transparent" />
        <rect
          x={x(now) - 34}
          y={rulesTop - 3}
          width="68"
          height="36"
          fill="var(--mark)"
          stroke="var(--ink)"
          strokeWidth="1.5"
        />
        <path
          d={`M${x(now) - 30} ${rulesTop + 15}l6 -4v8ZM${x(now) + 30} ${rulesTop + 15}l-6 -4v8Z`}
          fill="var(--ink)"
        />
        <text
          x={x(now)}
          y={rulesTop + 20}
          textAnchor="middle"
          style={{ font: '700 14px var(--font-sans)', fill: 'var(--ink)' }}
        >
          {say(now)} {unit}
        </text>
      </g>
    </svg>
  )
}
