import { useEffect, useRef, useState, type PointerEvent } from 'react'
import { ResetCurves } from './reset/ResetCurves'
import { ResetFrame } from './reset/ResetFrame'
import { ResetLevel } from './reset/ResetLevel'
import { ResetNow } from './reset/ResetNow'
import { ResetPoint } from './reset/ResetPoint'
import { SummerStop } from './reset/SummerStop'
import type { Reset } from './reset/reset'
import type { ResetDrawing, ResetMarks } from './reset/resetDrawing'
import { resetLayout, type ResetReach, resetReach } from './reset/resetLayout'
import { useBox } from './useBox'
import { svgSpot, useHandles } from './useHandles'

interface Props {
  readonly values: ResetDrawing
  readonly unit: string
  readonly step: number
  readonly compact: boolean
  readonly marks: ResetMarks
  readonly onMove: Reset['onMove']
  /** What the summer stop is called in the practice of the job. */
  readonly stopTitle?: string
}

const USUAL = { wide: { width: 760, height: 440 }, narrow: { width: 374, height: 440 } }

/** Supply over outdoor temperature: the line, its two points, its limits, the other school, what comes back, today and the year. */
export function ResetLine({ values, unit, step, compact, marks, onMove, stopTitle = 'summer stop' }: Props) {
  const svg = useRef<SVGSVGElement>(null)
  const { width, height } = useBox(svg, compact ? USUAL.narrow : USUAL.wide)
  const { design, warm, minimum, maximum, shutdown, now, hours } = values
  const reach = resetReach(values)
  const [span, setSpan] = useState(reach)
  const layout = resetLayout({ values, span, width, height, compact, step })
  const { x, y } = layout
  const { handle, held } = useHandles((event: PointerEvent) => {
    const spot = svgSpot(svg.current!, event, width, height)
    return { x: x.from(spot.x), y: y.from(spot.y) }
  })
  const wanted = JSON.stringify(reach)
  useEffect(() => {
    if (held === undefined) setSpan(JSON.parse(wanted) as ResetReach)
  }, [held, wanted])
  const reset: Reset = { ...layout, unit, marks, handle, onMove }
  return (
    <svg
      ref={svg}
      viewBox={`0 0 ${width} ${height}`}
      className="w-full h-full max-h-[640px] select-none"
      role="group"
      aria-label={`Reset line, ${unit}`}
    >
      <defs>
        <pattern id="gain" width="8" height="8" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
          <path d="M0 0V8" stroke="var(--line)" strokeWidth="1.5" />
        </pattern>
      </defs>
      <ResetFrame reset={reset} hours={hours} />
      <ResetCurves reset={reset} values={values} />
      {shutdown === undefined ? null : <SummerStop reset={reset} shutdown={shutdown} title={stopTitle} />}
      {now ? <ResetNow reset={reset} now={now} /> : null}
      {maximum === undefined ? null : <ResetLevel reset={reset} id="maximum" value={maximum} shutdown={shutdown} />}
      {minimum === undefined ? null : <ResetLevel reset={reset} id="minimum" value={minimum} shutdown={shutdown} />}
      <ResetPoint reset={reset} id="warm" at={warm} label="warm point" />
      <ResetPoint reset={reset} id="design" at={design} label="design point" />
    </svg>
  )
}
