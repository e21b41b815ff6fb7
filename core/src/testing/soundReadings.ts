import type { LoopContext } from '../loop/context'
import type { ProofReading } from '../document/documents'
import type { Ask, ProofTest } from '../commissioning/proofTest'
import { proofTests } from '../commissioning/proofTests'
import { pickedText } from '../commissioning/judgedTest'
/** What was read: a number in SI, nothing (it did not happen), a choice, or which were on. */
export type Read = number | null | string | readonly string[]

/** What sound work reads where this is asked. */
function soundRead(ask: Ask): Read {
  if (ask.kind === 'set') return ask.wants
  if (ask.kind === 'choice') return ask.wants ?? Object.keys(ask.choices)[0]!
  if (ask.nothingFits) return null
  if (ask.free) return ask.expected
  const { low, high } = ask
  if (Number.isFinite(low) && Number.isFinite(high)) return (low + high) / 2
  return Number.isFinite(high) ? high - Math.max(0.1, 0.1 * Math.abs(high)) : low + 1
}

/** A reading of a step as it is kept. */
export const keptRead = (value: Read, test: string, step: string, order: number): ProofReading => ({
  order,
  test,
  step,
  unit: '',
  at: '2026-03-01T10:00:00Z',
  by: 'Ann',
  ...(value === null
    ? { state: 'over-range', text: '' }
    : typeof value === 'number'
      ? { state: 'value', text: String(value), value }
      : { state: 'value', text: typeof value === 'string' ? value : pickedText(value) }),
})

/** Sound readings of every step of a test, main ones alone; where a display has to be read beside it, that too. */
export function soundReadings(test: ProofTest): Record<string, Read> {
  return Object.fromEntries(
    test.steps.flatMap(({ id, main, asides }): [string, Read][] => [
      [id, soundRead(main.ask)],
      ...(test.kind === 'offset' ? asides.map((aside): [string, Read] => [aside.id, soundRead(aside.ask)]) : []),
    ]),
  )
}

/** Readings by id that prove every test of a loop that is not proved yet. */
export function provedReadings(context: LoopContext, from = 1): Record<string, ProofReading> {
  let order = from
  return Object.fromEntries(
    proofTests(context)
      .filter(({ result, spare }) => !spare && result.verdict !== 'good')
      .flatMap((test) =>
        Object.entries(soundReadings(test)).map(([step, value]): [string, ProofReading] => [
          `sound ${++order}`,
          keptRead(value, test.id, step, order),
        ]),
      ),
  )
}
