import type { Quantity } from '../../units/quantity'
import { counted, type Words } from '../words'
import type { VerdictWords } from '../sentences'

/** What was read of a figure and what is good, or what was seen and what should be. */
export type ReadAndGood =
  | {
      readonly kind: 'number'
      readonly value: number | null
      readonly quantity: Quantity
      readonly decimals: number | undefined
      readonly expected: number
      /** Null where that side is open. */
      readonly low: number | null
      readonly high: number | null
      readonly free: boolean
      readonly nothingFits: boolean
    }
  | { readonly kind: 'seen'; readonly seen: string; readonly wanted: string | undefined }
  | { readonly kind: 'on'; readonly on: readonly string[]; readonly wanted: readonly string[] }

const DUST = 1e-9
/** A width of a temperature is a difference. */
const widthOf = (quantity: Quantity): Quantity => (quantity === 'temperature' ? 'difference' : quantity)

/** Expected value and what may stray, in a few words. */
export function bandText(
  f: Pick<Extract<ReadAndGood, { kind: 'number' }>, 'expected' | 'low' | 'high' | 'quantity' | 'decimals'>,
  { say }: Words,
): string {
  const { expected, low, high, quantity, decimals } = f
  if (low === null)
    return high === null ? say(expected, quantity, decimals) : `${say(high, quantity, decimals)} at most`
  if (high === null) return `${say(low, quantity, decimals)} at least`
  if (Math.abs(expected - low - (high - expected)) < DUST)
    return `${say(expected, quantity, decimals)} \u00b1 ${say(expected - low, widthOf(quantity), decimals)}`
  return `${say(low, quantity, decimals)} to ${say(high, quantity, decimals)}`
}

/** Several of them, or none. */
export const setWords = (names: readonly string[]) => (names.length === 0 ? 'none' : names.join(', '))

function readText(f: ReadAndGood, { say }: Words): string {
  if (f.kind === 'number')
    return f.value === null ? 'It did not happen.' : `Read ${say(f.value, f.quantity, f.decimals)}.`
  return f.kind === 'seen' ? `Seen: ${f.seen.toLowerCase()}.` : `On: ${setWords(f.on)}.`
}

function shouldText(f: ReadAndGood, words: Words): string {
  if (f.kind === 'seen') return f.wanted === undefined ? '' : `It should be: ${f.wanted.toLowerCase()}.`
  if (f.kind === 'on') return `It should be: ${setWords(f.wanted)}.`
  if (f.free) return ''
  return f.nothingFits ? 'It should not happen.' : `It should be ${bandText(f, words)}.`
}

/** Verdicts that any test may come to. */
export const anyTestVerdicts = {
  'any.good': (f: { readonly readings: number }): VerdictWords => ({
    head: 'Good',
    reason: `${counted(f.readings, 'reading')}, all within what may stray.`,
    next: 'Nothing to do.',
  }),
  'any.waits': (f: {
    readonly steps: number
    readonly next: { readonly title: string; readonly does: string } | undefined
  }): VerdictWords => ({
    head: counted(f.steps, 'step waits', 'steps wait'),
    reason: f.next ? `Next: ${f.next.title[0]!.toLowerCase()}${f.next.title.slice(1)}.` : '',
    next: f.next?.does ?? '',
  }),
  'any.instrument-not-sure': (
    f: {
      readonly instrument: string
      readonly quantity: Quantity
      readonly errs: number
      readonly tolerance: number
      readonly within: number
    },
    { say }: Words,
  ): VerdictWords => ({
    head: 'Cannot tell',
    reason: `${f.instrument} may be ${say(f.errs, widthOf(f.quantity), 2)} off; for ${say(f.tolerance, widthOf(f.quantity), 2)} it must be within ${say(f.within, widthOf(f.quantity), 2)}.`,
    next: 'Read it again with a better instrument.',
  }),
  'any.not-as-it-should-be': (
    f: { readonly title: string; readonly read: ReadAndGood },
    words: Words,
  ): VerdictWords => ({
    head: `${f.title}: not as it should be`,
    reason: `${readText(f.read, words)} ${shouldText(f.read, words)}`,
    next: 'Read it once more. If it stays so, look whether what was keyed is what was planned.',
  }),
}
