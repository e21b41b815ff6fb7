import { checkFields, InputError } from './checkField'
import { findCalculation } from './registry'

/** What was put into a sum that was kept, when it can still be opened: the calculation is there and takes it. */
export function keptInput(calc: string, given: string): Readonly<Record<string, unknown>> | undefined {
  const entry = findCalculation(calc)
  if (!entry) return undefined
  try {
    const input: unknown = JSON.parse(given)
    checkFields(entry.inputs, input)
    return input
  } catch (error) {
    // A note may come from a file of somebody else's making: what does not read is told by its words alone.
    if (error instanceof SyntaxError || error instanceof InputError) return undefined
    throw error
  }
}
