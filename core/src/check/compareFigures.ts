import type { RunFigures } from '../simulate/runFigures'
import type { Words } from '../words/words'

/** One line of two runs side by side, and by how much the second differs. */
interface ComparedRow {
  readonly what: string
  readonly first: string
  readonly second: string
  readonly difference: string
}

/** Furthest from the target either way; without one the whole excursion, K. */
export const furthestK = (
  { lowestC, highestC }: Pick<RunFigures, 'lowestC' | 'highestC'>,
  targetC: number | undefined,
) => (targetC === undefined ? highestC - lowestC : Math.max(0, targetC - lowestC, highestC - targetC))

/** Two runs held against each other in words: starts, energy, excursion, rest. */
export function compareFigures(
  [a, b]: readonly [RunFigures, RunFigures],
  targetC: number | undefined,
  { say }: Words,
): readonly ComparedRow[] {
  const row = (
    what: string,
    one: number,
    other: number,
    tell: (value: number) => string,
    differs: (value: number) => string = tell,
  ): ComparedRow => ({
    what,
    first: tell(one),
    second: tell(other),
    difference: `${other > one ? '+' : ''}${differs(other - one)}`,
  })
  const kelvin = (value: number) => say(value, 'difference')
  return [
    row('Starts', a.starts, b.starts, String),
    row('In its worst hour', a.worstHour, b.worstHour, String),
    row('Energy', a.energyKwh, b.energyKwh, (kwh) => say(kwh, 'energy')),
    row(targetC === undefined ? 'Low to high' : 'Furthest off', furthestK(a, targetC), furthestK(b, targetC), kelvin),
    row('Settles at', a.settlesC, b.settlesC, (c) => say(c, 'temperature'), kelvin),
  ]
}
