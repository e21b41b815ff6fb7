import { trueMinus } from '@nachtigal/core/units/quantity'
import { drawnNote } from '../drawn'
import type { Reset } from './reset'
import type { ResetDrawing } from './resetDrawing'

/** The hours of the year behind, what the line saves, and both axes. */
export function ResetFrame({ reset, hours }: { reset: Reset; hours: ResetDrawing['hours'] }) {
  const { x, y, span, floor, most, gain, compact, unit } = reset
  return (
    <>
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
    </>
  )
}
