import type { Words } from './words'

/** A way out where wishes fight, with the figure that it would take. */
export type WayOut =
  | { readonly way: 'tolerance'; readonly toK: number }
  | { readonly way: 'more-power' | 'smaller-power'; readonly toW: number }
  | { readonly way: 'more-mass'; readonly times: number }
  | { readonly way: 'modulate' }

/** What was tried, and what came of it. */
export interface AdviceFacts {
  /** Settings as they would be keyed; none where no setting helps. */
  readonly settings: { readonly setpointC?: number; readonly swingK?: number }
  readonly holds: boolean
  /** What it still goes beyond what it may stray, K. */
  readonly beyondK: number
  /** How often it starts in its worst hour, as a share of what is allowed. */
  readonly overStarts: number
  readonly ways: readonly WayOut[]
}

/** What to set, in words that stand on a button; nothing where nothing is set. */
export function saySettings(
  { settings: { setpointC, swingK } }: AdviceFacts,
  { say, term }: Words,
): string | undefined {
  const parts = [
    ...(setpointC === undefined ? [] : [`set ${say(setpointC, 'temperature')}`]),
    ...(swingK === undefined ? [] : [`${term('differential')} ${say(swingK, 'difference')}`]),
  ]
  return parts.length === 0 ? undefined : parts.join(', ')
}

/** One way out with its figure. */
function sayWay(way: WayOut, { say }: Words): string {
  if (way.way === 'tolerance') return `let it stray by ${say(way.toK, 'difference')}`
  if (way.way === 'more-power') return `${say(way.toW, 'power')} or more`
  if (way.way === 'smaller-power') return `a power of ${say(way.toW, 'power')} or less`
  if (way.way === 'more-mass') return `${way.times.toFixed(1)} times the water or mass`
  return 'a control that modulates'
}

/** What was tried and what came of it: whether settings do, else what fights and the ways out. */
export function sayAdvice(facts: AdviceFacts, words: Words): string {
  const { say } = words
  if (facts.holds) return 'Tried: then it holds.'
  const left = [
    ...(facts.beyondK > 0 ? [`goes ${say(facts.beyondK, 'difference')} beyond what it may stray`] : []),
    ...(facts.overStarts > 1 ? [`starts ${facts.overStarts.toFixed(1)} times as often as it may`] : []),
  ]
  const ways = facts.ways.map((way) => sayWay(way, words))
  const best = Object.keys(facts.settings).length > 0 ? 'Tried: the best set still ' : 'Tried: no set helps; it '
  return `${best}${left.join(' and ')}. ${ways.length > 0 ? `Ways out: ${ways.join('; ')}.` : ''}`.trim()
}
