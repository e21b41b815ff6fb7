import type { OnOffBehaviour } from '../job/behaviour'
import { ordered } from '../job/chain'
import { inConvention } from '../job/replan'
import type { FieldData } from '../plant/fieldValue'
import { asSet } from '../profile/asSet'
import type { ContactPort } from '../profile/deviceProfile'
import { controlOutputs } from '../wiring/reach'
import type { Edited } from '../wiring/chainEdit'
import { defaultBehaviour } from './defaultBehaviour'

/**
 * Gives every controlled output a plan: the starting one where it has none, and the same switching points in the controller's own
 * convention where the controller was changed under it. Values derived from a change ride in the same command.
 * @param makeId ids for new plans, made by the client
 */
export function withDefaultPlans({ job, loop }: Edited, data: FieldData, makeId: () => string): Edited {
  const outputsOf = (device: string): readonly string[] => {
    const held = loop.chain.devices[device]
    const facts = held && job.profiles[held.profile]
    if (!held || !facts) return []
    const resolved = { ...held, id: device, facts: asSet(facts, held.set), shared: false }
    return controlOutputs(resolved).filter((port) => resolved.facts.ports[port]?.kind === 'contact')
  }
  const stands = ({ output }: OnOffBehaviour) => outputsOf(output.device).includes(output.port)
  const plans: Record<string, OnOffBehaviour> = Object.fromEntries(
    Object.entries(loop.settings.planned).filter(([, plan]) => stands(plan)),
  )
  for (const device of ordered(loop.chain.devices)) {
    const facts = job.profiles[device.profile]
    if (!facts?.controller) continue
    const offered = Object.values(facts.controller.conventions).sort((a, b) => a.order - b.order)
    const inputs = Object.entries(facts.ports).flatMap(([id, port]) =>
      port.kind === 'probe-in' && port.feels === undefined ? [id] : [],
    )
    const staged = facts.controller.controls?.staged === true
    outputsOf(device.id).forEach((port, i) => {
      const found = Object.entries(plans).find(([, { output }]) => output.device === device.id && output.port === port)
      const order = Object.keys(plans).length + 1
      if (!found) {
        plans[makeId()] = defaultBehaviour(
          loop,
          facts.controller!,
          { device: device.id, port },
          { device: device.id, port: inputs[i] ?? inputs[0] ?? 'probe1' },
          order,
          data,
          { contact: facts.ports[port] as ContactPort, stage: staged ? i : 0 },
        )
        return
      }
      const [id, plan] = found
      const own = offered.find(({ convention }) => convention === plan.convention) ?? offered[0]
      if (!own || (own.convention === plan.convention && (own.swingIs ?? 'total') === (plan.swingIs ?? 'total'))) return
      plans[id] = inConvention(plan, own.convention, own.swingIs)
    })
  }
  return { job, loop: { ...loop, settings: { ...loop.settings, planned: plans } } }
}
