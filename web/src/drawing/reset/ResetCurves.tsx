import { drawnNote } from '../drawn'
import type { Reset } from './reset'
import { ResetReturn } from './ResetReturn'
import type { ResetDrawing } from './resetDrawing'

/** The fixed supply, what comes back, what the emitters need, the night, and the line itself. */
export function ResetCurves({ reset, values }: { reset: Reset; values: ResetDrawing }) {
  const { x, y, span, draw, say, compact } = reset
  const { fixed, returns, need, setback, line } = values
  return (
    <>
      <path
        d={`M${x.at(span.x[0])} ${y.at(fixed)}H${x.at(span.x[1])}`}
        stroke="var(--edge)"
        strokeWidth="1.5"
        strokeDasharray="7 5"
      />
      <text x={(x.at(span.x[0]) + x.at(span.x[1])) / 2} y={y.at(fixed) - 6} textAnchor="middle" style={drawnNote(14)}>
        fixed at {say(fixed)}
      </text>
      {returns.length > 1 ? <ResetReturn reset={reset} values={values} /> : null}
      {need.length > 1 ? (
        <>
          <path d={draw(need)} stroke="var(--ink2)" strokeWidth="1.25" strokeDasharray="1 3" fill="none" />
          {/* On a phone its place is that of the highest supply and of the unit; the table says it. */}
          {compact ? null : (
            <text x={x.at(need[0]![0]) + 8} y={y.at(need[0]![1]) - 8} style={drawnNote(14)}>
              emitters need
            </text>
          )}
        </>
      ) : null}
      {setback.length > 1 ? (
        <>
          <path d={draw(setback)} stroke="var(--heat)" strokeWidth="1.5" strokeDasharray="7 4" fill="none" />
          <text
            x={x.at(setback[Math.floor(setback.length / 3)]![0])}
            y={y.at(setback[Math.floor(setback.length / 3)]![1]) + 18}
            style={drawnNote(14, 'var(--heat-text)')}
          >
            night
          </text>
        </>
      ) : null}
      <path d={draw(line)} stroke="var(--heat)" strokeWidth="4" fill="none" strokeLinejoin="round" />
    </>
  )
}
