import type { Probe } from './probe'

/**
 * Whether two probes follow one curve, written the same way.
 * @example sameCurve({ kind: 'rtd', r0Ohm: 100 }, { kind: 'rtd', r0Ohm: 1000 }) // false
 */
export function sameCurve(one: Probe, other: Probe): boolean {
  if (one.kind === 'table' && other.kind === 'table')
    return (
      one.points.length === other.points.length &&
      one.points.every(([t, r], i) => t === other.points[i]![0] && r === other.points[i]![1])
    )
  const plain = (probe: Probe) => JSON.stringify(Object.entries(probe).sort(([a], [b]) => (a < b ? -1 : 1)))
  return plain(one) === plain(other)
}
