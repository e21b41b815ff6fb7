import { type LoopContext, loopContext } from '../loop/context'
import type { ProofReading } from '../document/documents'
import type { ProofTest } from '../commissioning/proofTest'
import { proofTests } from '../commissioning/proofTests'
import type { Edited } from '../wiring/edited'
import { fieldData } from './fieldData'
import { keptRead, type Read } from './soundReadings'

/** A loop with these readings of one test, by step (or step/aside). */
export function answered(
  edited: Edited,
  test: string,
  read: Readonly<Record<string, Read>>,
  more: Partial<ProofReading> = {},
): LoopContext {
  const readings = Object.fromEntries(
    Object.entries(read).map(([step, value], i): [string, ProofReading] => [
      `${test}-${step}-${i}`,
      { ...keptRead(value, test, step, i + 1), ...more },
    ]),
  )
  const { job, loop } = edited
  return loopContext(
    job,
    { ...loop, proof: { ...loop.proof, readings: { ...loop.proof.readings, ...readings } } },
    fieldData,
  )
}

/** A test of a loop by the start of its id. @throws RangeError when there is none */
export function testOf(context: LoopContext, start: string): ProofTest {
  const found = proofTests(context).find(({ id }) => id.startsWith(start))
  if (!found)
    throw new RangeError(
      `no test ${start} in ${proofTests(context)
        .map(({ id }) => id)
        .join(', ')}`,
    )
  return found
}

/** A test judged by readings: the test with what came of it. */
export function judged(edited: Edited, start: string, read: Readonly<Record<string, Read>>): ProofTest {
  const { job, loop } = edited
  const { id } = testOf(loopContext(job, loop, fieldData), start)
  return testOf(answered(edited, id, read), id)
}
