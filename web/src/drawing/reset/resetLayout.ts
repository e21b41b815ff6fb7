import { trueMinus } from '@nachtigal/core/units/quantity'
import { axis } from '../axis'
import { through } from '../drawn'
import type { ResetDrawing, Pair } from './resetDrawing'

export interface ResetReach {
  readonly x: readonly [number, number]
  readonly y: readonly [number, number]
}

/** Outdoor and supply temperatures that have to be in sight. */
export function resetReach({
  design,
  warm,
  minimum,
  maximum,
  shutdown,
  line,
  need,
  returns,
  fixed,
}: ResetDrawing): ResetReach {
  const outdoors = [
    ...line.map(([o]) => o),
    ...need.map(([o]) => o),
    design[0],
    warm[0],
    ...(shutdown === undefined ? [] : [shutdown + 2]),
  ]
  const supplies = [...line, ...need, ...returns].map(([, s]) => s).concat(design[1], warm[1], fixed)
  return {
    x: [Math.min(...outdoors), Math.max(...outdoors)],
    y: [Math.min(...supplies, minimum ?? Infinity) - 4, Math.max(...supplies, maximum ?? -Infinity) + 6],
  }
}

interface Given {
  readonly values: ResetDrawing
  readonly span: ResetReach
  readonly width: number
  readonly height: number
  readonly compact: boolean
  readonly step: number
}

/** Where everything of the reset line stands, px. */
export type ResetLayout = ReturnType<typeof resetLayout>

/** Lays the reset line out: both axes, the foot of the drawing, and how points become a path. */
export function resetLayout({ values: { line, fixed, hours }, span, width, height, compact, step }: Given) {
  const x = axis(span.x[0], span.x[1], compact ? 34 : 48, width - (compact ? 12 : 90), compact ? 34 : 44)
  const y = axis(span.y[0], span.y[1], height - 60, 24, 30)
  const decimals = step < 1 ? 1 : 0
  const say = (value: number) => trueMinus(value.toFixed(decimals))
  const draw = (points: readonly Pair[]) => through(points.map(([o, s]) => [x.at(o), y.at(s)]))
  const floor = height - 60
  const most = Math.max(1, ...hours.map((band) => band.hours))
  const gain =
    line.length > 1 && fixed > Math.min(...line.map(([, s]) => s))
      ? `${draw(line)}L${x.at(line.at(-1)![0])} ${y.at(fixed)}L${x.at(line[0]![0])} ${y.at(fixed)}Z`
      : ''
  return { span, width, height, compact, step, x, y, floor, most, gain, say, draw }
}
