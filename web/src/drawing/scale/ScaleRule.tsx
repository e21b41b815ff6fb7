import { trueMinus } from '@nachtigal/core/units/quantity'
import type { ScaleValues } from '../scaleValues'
import type { Scale } from './scale'
import { RULE, TOP } from './scaleLayout'
import { cond } from './scaleText'
import { scaleTicks } from './scaleTicks'

/** The rule itself, with ice under it and where heating and cooling fight. */
export function ScaleRule({ scale, values }: { scale: Scale; values: ScaleValues }) {
  const { width, bottom, left, right, freeLeft, low, high, perUnit, setY, y, clampedY, say, unit } = scale
  const { ice, fights = [] } = values
  const { values: ticks, isMajor } = scaleTicks(low, high, perUnit)
  return (
    <>
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
    </>
  )
}
