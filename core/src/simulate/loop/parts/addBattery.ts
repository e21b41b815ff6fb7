import { answersOf } from '../../../kinds/answersOf'
import { fieldValue } from '../../../plant/fieldValue'
import { sourceOf } from '../../../wiring/sources'
import { type Driven } from '../loopActuators'
import type { Parts, RunGiven } from './parts'
import { HOUR_S } from './parts'

/** A battery by its label: charge per volt between empty and full, at rest. */
export function batteryOf({ loop, chain, data }: RunGiven, driven: readonly Driven[]) {
  const controller = chain.devices.find(({ id }) => id === driven[0]?.plan.output.device)
  const blocks = controller && (sourceOf(chain, controller).volts ?? 12) > 18 ? 2 : 1
  const answers = answersOf(loop)
  const amperHours = typeof answers['batteryAh'] === 'number' ? answers['batteryAh'] : 100
  const fullV = fieldValue(data, 'bat.rest.full').typical * blocks
  const fifthV = fieldValue(data, 'bat.rest.fifth').typical * blocks
  return { fullV, coulombPerV: (amperHours * HOUR_S * 0.8) / (fullV - fifthV) }
}

/** The battery that loads draw from, and the cut-off of the controller that watches it. */
export function addBattery(parts: Parts): void {
  const [first] = parts.driven
  const plan = first && parts.whole(first.plan).battery
  const ids = parts.driven.map(({ actuator }) => actuator)
  const sag = fieldValue(parts.given.data, 'bat.sag').typical
  parts.probes.push({ id: 'volts', node: 'battery', lagS: 2, sags: Object.fromEntries(ids.map((id) => [id, sag])) })
  if (!plan) return
  parts.controls.push({ id: 'battery', kind: 'battery', probe: 'volts', ...plan })
  for (const driven of parts.driven) parts.need(driven.plan, 'battery', 'its battery cut-off')
}
