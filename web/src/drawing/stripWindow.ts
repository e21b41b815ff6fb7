/** Shortest window: minutes are enough to see a start. */
const LEAST_H = 0.25

/** So much wider or narrower is one step of the zoom. */
export const ZOOM = 1.5

/** The hours that are shown, from and to. */
export type StripWindow = readonly [number, number]

/** A window of the same middle, wider or narrower, held within the run. */
export function zoomed([from, to]: StripWindow, at: number, by: number, hours: number): [number, number] {
  const width = Math.min(hours, Math.max(LEAST_H, (to - from) * by))
  const share = to > from ? (at - from) / (to - from) : 0.5
  const start = Math.min(hours - width, Math.max(0, at - share * width))
  return [start, start + width]
}

/** A window moved along by so many hours, held within the run. */
export function panned([from, to]: StripWindow, by: number, hours: number): [number, number] {
  const moved = Math.min(hours - (to - from), Math.max(0, from + by)) - from
  return [from + moved, to + moved]
}
