import type { OnOffBehaviour } from '../job/behaviour'
import { ordered } from '../job/chain'
import { inConvention } from '../job/replan'
import type { FieldData } from '../plant/fieldValue'
import type { Edited } from '../wiring/chainEdit'
import { defaultBehaviour } from './defaultBehaviour'

/**
 * Gives every controlled output a plan: the starting one where it has none, and the same switching points in the controller's own
 * convention where the controller was changed under it. Values derived from a change ride in the same command.
 * @param makeId ids for new plans, made by the client
 */
export function withDefaultPlans({ job, loop }: Edited, data: FieldData, makeId: () => string): Edited {
  const stands = ({ output }: OnOffBehaviour) => {
    const device = loop.chain.devices[output.device]
    return device !== undefined && job.profiles[device.profile]?.ports[output.port]?.kind === 'contact'
  }
  const plans: Record<string, OnOffBehaviour> = Object.fromEntries(
    Object.entries(loop.settings.planned).filter(([, plan]) => stands(plan)),
  )
  for (const device of ordered(loop.chain.devices)) {
    const facts = job.profiles[device.profile]
    if (!facts?.controller) continue
    const offered = Object.values(facts.controller.conventions).sort((a, b) => a.order - b.order)
    const inputs = Object.keys(facts.ports).filter((port) => facts.ports[port]!.kind === 'probe-in')
    const outputs = Object.keys(facts.ports).filter((port) => facts.ports[port]!.kind === 'contact')
    outputs.forEach((port, i) => {
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
