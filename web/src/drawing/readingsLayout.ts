import { scaleLinear } from 'd3-scale'

export interface OnTheRule {
  readonly id: string
  readonly name: string
  /** In the unit that is shown. */
  readonly set?: number
  readonly reading?: number
}

interface Placed extends OnTheRule {
  /** Where its name stands, px. */
  readonly x: number
  /** Where its needle points, px; that of its setpoint where nothing was read. */
  readonly at: number
}

/** Readings of a whole job on one lying rule: names at equal pitch in the order of their values, needles where they belong. */
export function readingsLayout(loops: readonly OnTheRule[], width: number, margin = 40) {
  const values = loops.flatMap(({ set, reading }) => [set, reading]).filter((value) => value !== undefined)
  const [low, high] = values.length > 0 ? [Math.min(...values), Math.max(...values)] : [0, 1]
  const room = Math.max(2, (high - low) * 0.06)
  const scale = scaleLinear([low - room, high + room], [1, width - 1])
  const stands = ({ reading, set }: OnTheRule) => reading ?? set
  const shown = loops.filter((each) => stands(each) !== undefined).sort((a, b) => stands(a)! - stands(b)!)
  const pitch = shown.length > 1 ? (width - 2 * margin) / (shown.length - 1) : 0
  const placed: Placed[] = shown.map((each, i) => ({
    ...each,
    x: shown.length > 1 ? margin + i * pitch : width / 2,
    at: scale(stands(each)!),
  }))
  return { placed, scale, pitch: pitch || width, ticks: scale.ticks(8), fine: scale.ticks(40) }
}
