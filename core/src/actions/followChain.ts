import { resolveChain } from '../document/chain'
import { withDefaultPlans } from '../survey/defaultPlans'
import type { Edited } from '../wiring/edited'
import { listChanges } from '../wiring/listChanges'
import { wireList } from '../wiring/wireList'
import type { WireRow } from '../wiring/wireRow'
import type { Hand } from './action'

/**
 * What follows from a changed chain rides in the same command: plans of new outputs, and what became of wires that were worked at.
 * @param before the wires of the chain as it was
 */
export function followChain(
  edited: Edited,
  before: readonly WireRow[],
  { data, newId }: Pick<Hand, 'data' | 'newId'>,
): Edited {
  const { job, loop } = withDefaultPlans(edited, data, newId)
  const { rows } = wireList(resolveChain(job, loop.chain), job.practice, loop.wiring.rows)
  const changed = listChanges(before, rows, loop.wiring.rows, loop.wiring.changed)
  if (changed === loop.wiring.changed || Object.keys(changed).length === 0) return { job, loop }
  return { job, loop: { ...loop, wiring: { ...loop.wiring, changed } } }
}
