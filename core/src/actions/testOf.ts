import { loopContext } from '../loop/context'
import type { ProofTest } from '../commissioning/proofTest'
import { proofTests } from '../commissioning/proofTests'
import { Refused } from '../units/refused'
import type { Edited } from '../wiring/edited'
import type { Hand } from './action'

/** A test of a loop by its id. @throws Refused when this loop has none of that name */
export function testOf({ job, loop }: Edited, id: string, { data }: Pick<Hand, 'data'>): ProofTest {
  const test = proofTests(loopContext(job, loop, data)).find((each) => each.id === id)
  if (!test) throw new Refused('test', { must: 'other', says: `"${id.slice(0, 60)}" is no test of this loop` })
  return test
}
