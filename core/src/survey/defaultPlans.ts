import { answersOf } from '../kinds/answersOf'
import type { Behaviour } from '../settings/behaviour'
import { type PortRef, resolveChain } from '../document/chain'
import { ordered } from '../schema/ordered'
import type { ControllerPlan } from '../settings/controllerPlan'
import { keptPlan } from '../settings/keptPlan'
import { inConvention } from '../settings/switching/replan'
import type { FieldData } from '../plant/fieldValue'
import { asSet } from '../device/asSet'
import type { ControllerFacts, Port } from '../device/deviceProfile'
import type { Edited } from '../wiring/chainEdit'
import { controlOutputs } from '../wiring/reach'
import { sourceOf } from '../wiring/sources'
import { defaultBand, defaultBehaviour, defaultFan } from './defaultBehaviour'
import { defaultControllerPlan } from './defaultControllerPlan'

/** How an output of a controller is planned: a contact switches unless it takes its share of a cycle, a signal gives more or less. */
function planKind(controller: ControllerFacts, port: Port | undefined): Behaviour['kind'] | undefined {
  if (port?.kind === 'contact') return controller.controls?.['time-proportioned'] ? 'band' : 'on-off'
  if (port?.kind === 'signal-out') return controller.controls?.fan ? 'fan' : 'band'
  return undefined
}

/**
 * Gives every controlled output a plan, and every controller its own: the starting one where it has none, and the same switching points
 * in the controller's own convention where the controller was changed under it. Values derived from a change ride in the same command.
 * @param makeId ids for new plans, made by the client
 */
export function withDefaultPlans({ job, loop }: Edited, data: FieldData, makeId: () => string): Edited {
  const factsOf = (device: string) => {
    const held = loop.chain.devices[device]
    const facts = held && job.profiles[held.profile]
    return held && facts ? { ...held, id: device, facts: asSet(facts, held.set), shared: false } : undefined
  }
  const kindAt = ({ device, port }: PortRef) => {
    const found = factsOf(device)
    if (!found?.facts.controller || !controlOutputs(found).includes(port)) return undefined
    return planKind(found.facts.controller, found.facts.ports[port])
  }
  const plans: Record<string, Behaviour> = Object.fromEntries(
    Object.entries(loop.settings.planned).filter(([, { output }]) => kindAt(output) !== undefined),
  )
  const controllers: Record<string, ControllerPlan> = {}
  for (const device of ordered(loop.chain.devices)) {
    const resolved = factsOf(device.id)
    const controller = resolved?.facts.controller
    if (!resolved || !controller) continue
    const { facts } = resolved
    const volts = voltsOf({ job, loop }, device.id)
    const whole = { ...defaultControllerPlan(loop, controller, data, volts) }
    // A cut-off as it was begun with goes along when another battery feeds it; one that was set stays.
    const other = defaultControllerPlan(loop, controller, data, (volts ?? 12) > 18 ? 12 : 24).battery
    const { battery, ...rest } = loop.settings.controllers?.[device.id] ?? {}
    const begun = JSON.stringify(battery) === JSON.stringify(other)
    const kept: ControllerPlan = { ...rest, ...(battery && !begun ? { battery } : {}) }
    const stays = Object.entries(kept).filter(([part]) => part in whole || !(part in instruments))
    const next = { ...whole, ...Object.fromEntries(stays) }
    if (Object.keys(next).length > 0) controllers[device.id] = next
    const offered = Object.values(controller.conventions).sort((a, b) => a.order - b.order)
    const inputs = Object.entries(facts.ports).flatMap(([id, port]) =>
      port.kind === 'probe-in' && port.feels === undefined ? [id] : [],
    )
    controlOutputs(resolved).forEach((port, i) => {
      const at = facts.ports[port]
      const kind = planKind(controller, at)
      const found = Object.entries(plans).find(([, { output }]) => output.device === device.id && output.port === port)
      const output = { device: device.id, port }
      const input = { device: device.id, port: inputs[i] ?? inputs[0] ?? 'probe1' }
      const order = found?.[1].order ?? Object.keys(plans).length + 1
      if (kind !== undefined && found?.[1].kind !== kind) {
        const place = {
          contact: at?.kind === 'contact' ? at : undefined,
          action: at?.kind === 'signal-out' ? at.action : undefined,
          // One setpoint with delays between is one setpoint for all.
          stage: controller.controls?.staged && answersOf(loop)['stageSchool'] !== 'delays' ? i : 0,
        }
        const make = { 'on-off': defaultBehaviour, band: defaultBand, fan: defaultFan }[kind]
        plans[found?.[0] ?? makeId()] = keptPlan(make(loop, controller, output, input, order, data, place), controller)
        return
      }
      if (found?.[1].kind !== 'on-off') return
      const [id, plan] = [found[0], found[1]]
      const own = offered.find(({ convention }) => convention === plan.convention) ?? offered[0]
      if (!own || (own.convention === plan.convention && (own.swingIs ?? 'total') === (plan.swingIs ?? 'total'))) return
      plans[id] = inConvention(plan, own.convention, own.swingIs)
    })
  }
  const { controllers: _before, ...settings } = loop.settings
  return {
    job,
    loop: {
      ...loop,
      settings: { ...settings, planned: plans, ...(Object.keys(controllers).length > 0 ? { controllers } : {}) },
    },
  }
}

/** Parts of a controller's plan that only those have that are made for them. */
const instruments: Readonly<Partial<Record<keyof ControllerPlan, true>>> = {
  stages: true,
  reset: true,
  defrost: true,
  battery: true,
  week: true,
  timer: true,
}

/** Voltage of the supply that feeds a controller. */
function voltsOf({ job, loop }: Edited, device: string): number | undefined {
  const chain = resolveChain(job, loop.chain)
  const found = chain.devices.find(({ id }) => id === device)
  return found && sourceOf(chain, found).volts
}
