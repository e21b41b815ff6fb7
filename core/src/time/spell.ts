/**
 * Seconds as a fitter says them: "45 s", "12 min", "1 h 30 min".
 * @example spell(5400) // '90 min'
 */
export function spell(seconds: number): string {
  if (seconds < 120) return `${Math.round(seconds)} s`
  const minutes = Math.round(seconds / 60)
  if (minutes < 120) return `${minutes} min`
  const left = minutes % 60
  return `${Math.floor(minutes / 60)} h${left > 0 ? ` ${left} min` : ''}`
}
