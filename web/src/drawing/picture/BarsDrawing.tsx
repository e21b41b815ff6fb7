import type { BarsPicture } from '@nachtigal/core/calc/picture'
import type { UnitPreferences } from '@nachtigal/core/units/quantity'
import { axisView } from './axisView'

const WIDTH = 480
const ROW = 30
const LEFT = 160

/** Amounts side by side, each with its figure; a limit as an upright. */
export function BarsDrawing({
  picture,
  preferences,
  label,
}: {
  picture: BarsPicture
  preferences: UnitPreferences
  label: string
}) {
  const axis = axisView(picture.value, preferences)
  const { bars, limit } = picture
  const most = Math.max(...bars.map(({ value }) => Math.abs(value)), limit?.at ?? 0, 1e-12)
  const long = (value: number) => (Math.abs(value) / most) * (WIDTH - LEFT - 100)
  const height = bars.length * ROW + (limit ? 26 : 8)
  return (
    <svg viewBox={`0 0 ${WIDTH} ${height}`} role="img" aria-label={label} className="w-full">
      {bars.map(({ title, value }, i) => (
        <g key={`${title}-${i}`} transform={`translate(0 ${i * ROW + 4})`}>
          <text x={LEFT - 8} y={17} fontSize="13" textAnchor="end" style={{ fill: 'var(--ink2)' }}>
            {title.length > 24 ? `${title.slice(0, 23)}…` : title}
          </text>
          <rect
            x={LEFT}
            y={4}
            width={Math.max(1, long(value))}
            height={18}
            fill={value < 0 ? 'none' : 'var(--ink2)'}
            stroke="var(--ink)"
          />
          <text x={LEFT + Math.max(1, long(value)) + 8} y={18} fontSize="14">
            {axis.say(value)}
          </text>
        </g>
      ))}
      {limit ? (
        <>
          <path d={`M${LEFT + long(limit.at)} 0V${bars.length * ROW + 8}`} stroke="var(--ink)" strokeWidth="2.5" />
          <text x={LEFT + long(limit.at)} y={bars.length * ROW + 22} fontSize="13" textAnchor="middle">
            {limit.title} {axis.say(limit.at)}
          </text>
        </>
      ) : null}
    </svg>
  )
}
