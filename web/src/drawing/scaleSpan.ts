import type { ScaleValues } from './scaleValues'

/** Span of the scale: the working points, and what else stands near enough to be drawn; the rest is pinned to the ends. */
export function spanOf({
  rungs,
  lowest,
  highest,
  alarm,
  alarmLow,
  pointer,
  cutOuts = [],
}: ScaleValues): readonly [number, number] {
  const points = rungs.flatMap(({ set, on, off }) => [set, on, off])
  let low = Math.min(...points)
  let high = Math.max(...points)
  const first = rungs[0]?.set ?? 0
  const widest = Math.max(...rungs.map(({ on, off }) => Math.abs(on - off)), 0)
  const most = Math.max(12, 7 * widest, 2.2 * (high - low))
  const near = [highest, alarm, lowest, alarmLow, pointer, ...cutOuts.map(({ at }) => at)]
  for (const value of near.filter((v) => v !== undefined).sort((a, b) => Math.abs(a - first) - Math.abs(b - first)))
    if (Math.max(high, value) - Math.min(low, value) <= most) {
      low = Math.min(low, value)
      high = Math.max(high, value)
    }
  const room = Math.max((high - low) * 0.16, 1)
  return [low - room, high + room]
}
