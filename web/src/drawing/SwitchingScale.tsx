import { type PointerEvent, useEffect, useRef, useState } from 'react'
import { ScaleAlarm } from './scale/ScaleAlarm'
import { ScaleCutOut } from './scale/ScaleCutOut'
import { ScaleLimit } from './scale/ScaleLimit'
import { ScalePatterns } from './scale/ScalePatterns'
import { ScalePointer } from './scale/ScalePointer'
import { ScaleRule } from './scale/ScaleRule'
import { ScaleRung } from './scale/ScaleRung'
import { ScaleSetpoint } from './scale/ScaleSetpoint'
import { ScaleSwing } from './scale/ScaleSwing'
import { StageSpacing } from './scale/StageSpacing'
import type { Scale } from './scale/scale'
import { scaleLayout, TOP } from './scale/scaleLayout'
import { spanOf } from './scaleSpan'
import type { ScalePart, ScaleValues } from './scaleValues'
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

const USUAL = { wide: { width: 760, height: 440 }, narrow: { width: 374, height: 440 } }

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
  const { rungs, lowest, highest, alarm, alarmLow, cutOuts = [], pointer } = values
  const wanted = spanOf(values)
  const [span, setSpan] = useState(wanted)
  const layout = scaleLayout({ values, span, width, height, compact, step })
  const { low, high, perUnit, single, first, say, columnX } = layout
  const { handle, held } = useHandles((event: PointerEvent) => ({
    x: 0,
    y: high - (svgSpot(svg.current!, event, width, height).y - TOP) / perUnit,
  }))
  // The scale stands still under a hand and fits itself anew when it is let go.
  const [wantedLow, wantedHigh] = wanted
  useEffect(() => {
    if (held === undefined) setSpan([wantedLow, wantedHigh])
  }, [held, wantedLow, wantedHigh])

  const sliding: Scale['sliding'] = (part, rung, label, value, mark) =>
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

  const scale: Scale = { ...layout, unit, differenceUnit, marks, handle, sliding }
  return (
    <svg
      ref={svg}
      viewBox={`0 0 ${width} ${height}`}
      className="w-full h-full max-h-[640px] select-none"
      aria-label={`Switching points, ${unit}`}
      role="group"
    >
      <ScalePatterns />
      <ScaleRule scale={scale} values={values} />
      {single && first ? (
        <text x={columnX(first.action, 1)} y={20} textAnchor="middle" style={{ font: '600 18px var(--font-cond)' }}>
          {first.action === 'heating' ? 'Heats' : 'Cools'}
        </text>
      ) : null}
      {compact || !single || !first ? null : <ScaleSwing scale={scale} first={first} />}
      {compact ? null : <StageSpacing scale={scale} rungs={rungs} />}
      {rungs.map((rung) => (
        <ScaleRung key={rung.id} scale={scale} rung={rung} running={running} chosen={chosen} onChoose={onChoose} />
      ))}
      {lowest === undefined ? null : <ScaleLimit scale={scale} part="lowest" value={lowest} />}
      {highest === undefined ? null : <ScaleLimit scale={scale} part="highest" value={highest} />}
      {alarm === undefined ? null : <ScaleAlarm scale={scale} part="alarm" value={alarm} />}
      {alarmLow === undefined ? null : <ScaleAlarm scale={scale} part="alarmLow" value={alarmLow} />}
      {cutOuts.map((cutOut) => (
        <ScaleCutOut key={cutOut.tag} scale={scale} cutOut={cutOut} />
      ))}
      {pointer === undefined || !onPointer ? null : (
        <ScalePointer scale={scale} pointer={pointer} onPointer={onPointer} />
      )}
      {first ? <ScaleSetpoint scale={scale} rungs={rungs} first={first} moves={moves} /> : null}
    </svg>
  )
}
