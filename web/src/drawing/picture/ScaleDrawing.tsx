import type { ScalePicture } from '@nachtigal/core/calc/picture'
import type { UnitPreferences } from '@nachtigal/core/units/quantity'
import { axisView } from './axisView'

const WIDTH = 480
const PAD = 40
const RULE = { top: 78, height: 22 }
const LEVEL = 17

/** Spreads labels over levels so that none lies on another. */
function levelsOf(places: readonly number[], width: number): number[] {
  const ends: number[] = []
  const order = [...places.keys()].sort((a, b) => places[a]! - places[b]!)
  const levels = places.map(() => 0)
  for (const i of order) {
    const free = ends.findIndex((end) => end <= places[i]! - width / 2)
    const level = free < 0 ? ends.length : free
    ends[level] = places[i]! + width / 2
    levels[i] = level
  }
  return levels
}

/** A rule on its side: bands for what spans, solid marks for cut-in, hollow ones for cut-out, the setpoint as a chevron below. */
export function ScaleDrawing({
  picture,
  preferences,
  label,
}: {
  picture: ScalePicture
  preferences: UnitPreferences
  label: string
}) {
  const axis = axisView(picture.axis, preferences)
  const values = [...picture.marks.map(({ at }) => at), ...picture.bands.flatMap(({ from, to }) => [from, to])]
  const [low, high] = [Math.min(...values), Math.max(...values)]
  const room = Math.max((high - low) * 0.15, 0.2)
  const place = (at: number) => PAD + ((at - low + room) / (high - low + 2 * room)) * (WIDTH - 2 * PAD)
  const above = picture.marks.filter(({ look }) => look !== 'set')
  const below = picture.marks.filter(({ look }) => look === 'set')
  const levels = levelsOf(
    above.map(({ at }) => place(at)),
    72,
  )
  const top = Math.max(0, ...levels) * LEVEL
  const lows = levelsOf(
    below.map(({ at }) => place(at)),
    90,
  )
  const y = RULE.top + Math.max(0, top - LEVEL * 2)
  return (
    <svg
      viewBox={`0 0 ${WIDTH} ${y + RULE.height + 58 + Math.max(0, ...lows) * LEVEL}`}
      role="img"
      aria-label={label}
      className="w-full h-full"
    >
      <rect
        x={PAD / 2}
        y={y}
        width={WIDTH - PAD}
        height={RULE.height}
        fill="var(--blank)"
        stroke="var(--ink)"
        strokeWidth="1.5"
      />
      {picture.bands.map(({ title, from, to, look }, i) => (
        <rect
          key={`${title}-${i}`}
          x={place(from)}
          y={y + (look === 'plain' ? 15 : 4)}
          width={Math.max(2, place(to) - place(from))}
          height={look === 'plain' ? 4 : 9}
          fill={look === 'plain' ? 'var(--edge)' : look === 'heat' ? 'var(--heat)' : 'var(--cold)'}
          opacity={picture.bands.length > 3 ? 0.5 : 1}
        >
          <title>{title}</title>
        </rect>
      ))}
      {above.map(({ title, at, look }, i) => {
        const x = place(at)
        const text = y - 14 - levels[i]! * LEVEL
        return (
          <g key={`${title}-${i}`}>
            <path
              d={`M${x} ${text + 3}V${y + RULE.height}`}
              stroke="var(--ink)"
              strokeWidth={look === 'on' ? 2.5 : 1}
              strokeDasharray={look === 'off' ? '3 3' : undefined}
            />
            <text x={x} y={text} fontSize="13" textAnchor="middle" fontWeight={look === 'on' ? 700 : 400}>
              {title} {axis.say(at).split('\u00a0')[0]}
            </text>
          </g>
        )
      })}
      {below.map(({ title, at }, i) => {
        const x = place(at)
        const bottom = y + RULE.height
        return (
          <g key={title}>
            <path
              d={`M${x - 8} ${bottom + 14}L${x} ${bottom + 4}L${x + 8} ${bottom + 14}M${x} ${bottom + 4}V${y}`}
              fill="none"
              stroke="var(--ink)"
              strokeWidth="2"
            />
            <text x={x} y={bottom + 30 + lows[i]! * LEVEL} fontSize="13" fontWeight="700" textAnchor="middle">
              {title} {axis.say(at).split('\u00a0')[0]}
            </text>
          </g>
        )
      })}
      <text
        x={WIDTH - PAD / 2}
        y={y + RULE.height + 50 + Math.max(0, ...lows) * LEVEL}
        fontSize="13"
        textAnchor="end"
        style={{ fill: 'var(--ink2)' }}
      >
        {axis.title}
      </text>
    </svg>
  )
}
