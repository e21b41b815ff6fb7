import { roundToStep } from '@nachtigal/core/units/displayRound'
import { stepFor } from '../axis'

/** Room of a mark and of a figure, px. */
const [MARK, FIGURE] = [5, 26]

/** The marks of a scale: each value, and which of them carry a figure. */
export function scaleTicks(low: number, high: number, perUnit: number) {
  const minor = stepFor(perUnit, MARK)
  const major = Math.max(stepFor(perUnit, FIGURE), minor * 2)
  const values = Array.from({ length: Math.floor((high - low) / minor) + 2 }, (_, i) =>
    roundToStep((Math.ceil(low / minor) + i) * minor, minor),
  ).filter((v) => v >= low && v <= high)
  const isMajor = (v: number) => Math.abs(v / major - Math.round(v / major)) < 1e-6
  return { values, isMajor }
}
