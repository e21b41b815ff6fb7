/** Text on an instrument: paper behind it where it runs over lines. */
export const drawnText = (size: number, weight = 400) => ({
  font: `${weight} ${size}px var(--font-sans)`,
  paintOrder: 'stroke' as const,
  stroke: 'var(--paper)',
  strokeWidth: 4,
})

/** Notes and labels on an instrument. */
export const drawnNote = (size: number, fill = 'var(--ink2)') => ({
  font: `500 ${size}px var(--font-cond)`,
  fill,
  paintOrder: 'stroke' as const,
  stroke: 'var(--paper)',
  strokeWidth: 4,
})

/** A line through points of a drawing. */
export const through = (points: readonly (readonly [number, number])[]): string =>
  points.map(([x, y], i) => `${i === 0 ? 'M' : 'L'}${x.toFixed(1)} ${y.toFixed(1)}`).join('')
