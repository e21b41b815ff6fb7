import type { Sense } from '../choices/deviceChoices'
import type { DeviceProfile } from '../device/deviceProfile'
import { suitsPractice } from '../device/suitsPractice'
import { loopContext } from '../loop/context'
import type { FieldData } from '../plant/fieldValue'
import { placing } from '../survey/placing'
import { dropWhere, type Edited, joinPorts, place, removeDevice } from '../wiring/chainEdit'
import { type LineLogic, lineLogics, type NamedContact } from '../wiring/loadLogic'

interface Tools {
  readonly shelf: readonly DeviceProfile[]
  readonly data: FieldData
  readonly makeId: () => string
}

/** What one guard feels for all stages: the flow and the cold of the same water. */
const once: ReadonlySet<Sense> = new Set(['flow', 'frost'])

const permissivesOf = ({ contacts }: LineLogic): readonly NamedContact[] =>
  contacts.filter(({ device: { facts } }) => facts.permissive !== undefined && once.has(facts.permissive.senses))

/** The contacts of a relay that has one coil, and the coil; nothing of what is none. */
function coilAndContacts({ category, ports }: DeviceProfile) {
  const coils = Object.entries(ports).flatMap(([id, port]) => (port.kind === 'load' ? [id] : []))
  const [coil] = coils
  if (category !== 'relay' || coil === undefined || coils.length > 1) return undefined
  return {
    coil,
    contacts: Object.entries(ports).flatMap(([id, port]) =>
      port.kind === 'contact' && port.movedBy === coil ? [id] : [],
    ),
  }
}

/**
 * A chain in which each stage's call has permissives of its own, with one of each before the coil of a relay whose contacts lie in the calls instead:
 * one flow switch and one freeze thermostat for the whole plant. What the relay's coil is fed from is still to come.
 * @returns undefined where no two stages have the same guards, or the shelf has no relay with a contact for each
 */
export function permissivesOnce(edited: Edited, { shelf, data, makeId }: Tools): Edited | undefined {
  const { chain } = loopContext(edited.job, edited.loop, data)
  const stages = lineLogics(chain).filter(
    (line) =>
      line.port.kind === 'contact-in' &&
      line.port.does !== 'none' &&
      // What a relay passes on already stands once.
      line.relays.length === 0 &&
      permissivesOf(line).length > 0,
  )
  const [first] = stages
  if (!first || stages.length < 2) return undefined
  const sortsOf = (line: LineLogic) => new Set(permissivesOf(line).map(({ device }) => device.facts.id))
  const sorts = sortsOf(first)
  if (
    stages.some(
      (line) => permissivesOf(line).length !== sorts.size || [...sortsOf(line)].some((sort) => !sorts.has(sort)),
    )
  )
    return undefined
  const relay = shelf.find(
    (profile) =>
      suitsPractice(profile, edited.job.practice) && (coilAndContacts(profile)?.contacts.length ?? 0) >= stages.length,
  )
  if (!relay) return undefined
  const { coil, contacts } = coilAndContacts(relay)!
  const permissives = permissivesOf(first).map(({ device, portId }) => ({
    id: device.id,
    profile: device.facts,
    portId,
    dialC: device.dialC,
  }))
  const bare = stages.flatMap(permissivesOf).reduce((left, { device }) => removeDevice(left, device.id), edited)
  // What was joined by itself on the way is not asked for: only the calls go straight to their stages again.
  const { connections } = edited.loop.chain
  const calls = new Set(stages.map(({ load }) => load.id))
  let next = dropWhere(bare, ({ from, to }) => {
    const stood = Object.values(connections).some(
      (each) => JSON.stringify([each.from, each.to]) === JSON.stringify([from, to]),
    )
    return !stood && !calls.has(to.device)
  })
  const k = makeId()
  next = place(next, relay, k, placing(next.loop, relay, data))
  stages.forEach(({ load, portId }, i) => {
    const call = { device: load.id, port: portId }
    const fed = Object.values(next.loop.chain.connections).find(
      ({ to }) => to.device === call.device && to.port === call.port,
    )
    const through = { device: k, port: contacts[i]! }
    if (fed) next = joinPorts(next, fed.from, through)
    next = joinPorts(next, through, call)
  })
  for (const { id, profile, dialC } of permissives)
    next = place(next, profile, id, dialC === undefined ? {} : { dialC })
  permissives.forEach(({ id, portId }, i) => {
    const after = permissives[i + 1]
    next = joinPorts(
      next,
      { device: id, port: portId },
      after ? { device: after.id, port: after.portId } : { device: k, port: coil },
    )
  })
  return next
}
