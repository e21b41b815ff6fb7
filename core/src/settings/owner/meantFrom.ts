import type { ParameterView } from '../../device/parameterView'
import { parseNumber } from '../../units/parseNumber'
import { trueMinus } from '../../units/quantity'
import type { MeantRange } from './fields'

type Made =
  | { readonly meant: MeantRange | undefined }
  | { readonly problem: string }
  /** One end alone is typed: the other is yet to come. */
  | { readonly waits: true }

/**
 * The range that an owner is meant to keep, from two ends as they were typed in the unit of the display. Both empty means none; an end that
 * the keys cannot reach, or ends that change places, are told with what is allowed.
 */
export function meantFrom({
  name,
  view,
  low,
  high,
}: {
  readonly name: string
  readonly view: ParameterView
  readonly low: string
  readonly high: string
}): Made {
  if (low.trim() === '' && high.trim() === '') return { meant: undefined }
  if (low.trim() === '' || high.trim() === '') return { waits: true }
  const ends: number[] = []
  const unit = view.label === '' ? '' : ` ${view.label}`
  for (const [word, text] of [
    ['from', low],
    ['to', high],
  ] as const) {
    const parsed = parseNumber(text)
    if (!parsed.ok) return { problem: `${name}, meant ${word}: "${text.trim()}" is no number.` }
    const { value } = parsed
    if (value < view.low - 1e-9 || value > view.high + 1e-9)
      return {
        problem: `${name}, meant ${word}: ${trueMinus(String(value))}${unit} is not between ${view.text(view.low)} and ${view.text(view.high)}${unit}.`,
      }
    ends.push(value)
  }
  const [from, to] = ends as [number, number]
  if (from > to)
    return {
      problem: `${name}, meant from: ${trueMinus(String(from))}${unit} is over what it is meant to, ${trueMinus(String(to))}${unit}.`,
    }
  return { meant: { low: view.toSi(from), high: view.toSi(to) } }
}
