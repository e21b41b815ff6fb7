/** Spans in which a sampled switch is on, as pairs of from and to in the unit of time; a sample holds until the next. */
export function onSpans(time: ArrayLike<number>, on: ArrayLike<number>): (readonly [number, number])[] {
  const spans: (readonly [number, number])[] = []
  let from: number | undefined
  for (let i = 0; i < time.length; i++) {
    if (on[i] && from === undefined) from = time[i]!
    if (!on[i] && from !== undefined) {
      spans.push([from, time[i]!])
      from = undefined
    }
  }
  if (from !== undefined) spans.push([from, time[time.length - 1]!])
  return spans
}
