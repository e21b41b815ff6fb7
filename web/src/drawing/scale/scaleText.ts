/** Figures on the scale, with paper behind them so that no line runs through. */
export const ink = (size: number, weight = 400) => ({
  font: `${weight} ${size}px var(--font-sans)`,
  paintOrder: 'stroke' as const,
  stroke: 'var(--paper)',
  strokeWidth: 4,
})
/** Words on the scale. */
export const cond = (size: number, colour = 'var(--ink2)') => ({
  font: `500 ${size}px var(--font-cond)`,
  fill: colour,
  paintOrder: 'stroke' as const,
  stroke: 'var(--paper)',
  strokeWidth: 4,
})
