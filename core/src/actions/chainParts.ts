import { resolveChain, type PortRef } from '../document/chain'
import type { DeviceProfile } from '../device/deviceProfile'
import { Refused } from '../units/refused'
import { takeOverPower } from '../survey/takeOverPower'
import { portOf } from '../wiring/chainEdit'
import type { Edited } from '../wiring/edited'
import { wireList } from '../wiring/wireList'
import type { Hand } from './action'
import { followChain } from './followChain'

/** A name as it is repeated to whoever typed it. */
const cut = (text: string) => `"${text.slice(0, 60)}"`

/** A device of the shelf, or of the job's own, by its id. @throws Refused when there is none */
export function profileOf({ job }: Edited, id: string, { shelf = [] }: Pick<Hand, 'shelf'>): DeviceProfile {
  const found = shelf.find((each) => each.id === id) ?? Object.values(job.profiles).find((each) => each.id === id)
  if (!found) throw new Refused('profile', { must: 'other', says: `${cut(id)} is no device of the shelf` })
  return found
}

/** Holds the id of a device to those of this loop and its job. @throws Refused when there is none of it */
export function requireDevice({ job, loop }: Edited, id: string, field = 'device'): string {
  if (!Object.hasOwn(loop.chain.devices, id) && !Object.hasOwn(job.devices, id))
    throw new Refused(field, { must: 'other', says: `${cut(id)} is no device of this chain` })
  return id
}

/** Holds the id of a supply to those that the job has. @throws Refused when there is none of it */
export function requireSupply({ job }: Edited, id: string, field = 'supply'): string {
  if (!Object.hasOwn(job.devices, id))
    throw new Refused(field, { must: 'other', says: `${cut(id)} is no supply of this job` })
  return id
}

/** Holds a port to those that its device has. @throws Refused when there is none of it */
export function requirePort(edited: Edited, ref: PortRef, field: string): PortRef {
  if (!portOf(edited, ref))
    throw new Refused(field, { must: 'other', says: `${cut(`${ref.device} ${ref.port}`)} is no port of this chain` })
  return ref
}

/** The documents after a change of the chain, with all that follows from it: plates of loads, plans of new outputs, wires that were worked at. */
export function chainChanged(before: Edited, after: Edited, hand: Hand): Edited {
  const { job, loop } = before
  const { rows } = wireList(resolveChain(job, loop.chain), job.practice, loop.wiring.rows)
  return followChain(takeOverPower(before, after, hand.data), rows, hand)
}

/** What a function of the chain refuses by its message is told of the input's field. */
export function asRefusal<T>(field: string, make: () => T): T {
  try {
    return make()
  } catch (error) {
    if (error instanceof Refused || !(error instanceof RangeError)) throw error
    throw new Refused(field, { must: 'other', says: `does not go: ${error.message}` })
  }
}
