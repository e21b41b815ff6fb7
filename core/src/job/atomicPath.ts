/**
 * Whether the value at a path is written as a whole: half of one plan, reading or profile against half of another would mean
 * nothing, so a change names all of it.
 */
export function atomicPath(path: readonly string[]): boolean {
  const [a, b] = path
  if (a === 'profiles' || a === 'instruments') return path.length === 2
  if (a === 'settings') return path.length === (b === 'planned' ? 3 : 4)
  if (a === 'wiring') return path.length === (b === 'rows' ? 4 : 3)
  if (a === 'chain') return b === 'connections' && path.length === 3
  if (a === 'proof') return path.length === 3
  if (a === 'survey') return (b === 'ways' && path.length === 3) || (b === 'found' && path.length === 4)
  if (a === 'handover' && (b === 'ticks' || b === 'past')) return path.length === 3
  return (a === 'handover' || a === 'waivers' || a === 'temporary' || a === 'notes') && path.length === 2
}
