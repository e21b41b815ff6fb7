/**
 * Fresh air that keeps carbon dioxide at a level while people breathe.
 * Formula: V = people · L/h · 1000/(target − outdoor).
 * @param lPerHEach carbon dioxide that each gives off, L/h
 * @returns m³/h, or undefined where the target is no more than what is outdoors
 * Source: balance of a room that is well mixed; 18 L/h at rest (practice).
 * @example freshAir(4, 18, 420, 1000) // 124.1
 */
export const freshAir = (
  people: number,
  lPerHEach: number,
  outdoorPpm: number,
  targetPpm: number,
): number | undefined => (targetPpm > outdoorPpm ? (people * lPerHEach * 1000) / (targetPpm - outdoorPpm) : undefined)
