import { drawnNote } from '../drawn'
import type { Reset } from './reset'
import type { ResetDrawing } from './resetDrawing'

/** What comes back, and where a boiler condenses or must not burn. */
export function ResetReturn({ reset, values }: { reset: Reset; values: ResetDrawing }) {
  const { x, y, span, draw, say, unit, marks } = reset
  const { returns, returnLimit, condensing } = values
  const limitY = y.at(returnLimit)
  const coolReturns = returns.filter(([, s]) => s < returnLimit)
  return (
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
  )
}
