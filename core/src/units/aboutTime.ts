/**
 * How long something takes, in round words: a guess is not told to the second.
 * @param ms from 0 on
 * @returns such as "about 40 s", "about 3 min", "about 2 h"
 */
export function aboutTime(ms: number): string {
  const s = ms / 1000
  if (s < 90) return `about ${Math.max(1, s < 10 ? Math.round(s) : Math.round(s / 5) * 5)}\u00a0s`
  if (s < 5400) return `about ${Math.round(s / 60)}\u00a0min`
  return `about ${Math.round(s / 3600)}\u00a0h`
}
