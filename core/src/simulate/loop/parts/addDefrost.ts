import type { ResolvedChain, ResolvedDevice } from '../../../document/chain'
import { fieldValue } from '../../../plant/fieldValue'
import type { Parts } from './parts'
import { HOUR_S } from './parts'

/** No coil gets as warm as this. */
const NEVER_C = 300

/** Whether anything feels the coil for a controller: the input that it has for that is joined. */
export const hasCoilProbe = ({ devices, connections }: ResolvedChain, controller: string): boolean =>
  devices.some(
    ({ id, facts }) =>
      id === controller &&
      Object.entries(facts.ports).some(
        ([port, { kind, ...rest }]) =>
          kind === 'probe-in' &&
          'feels' in rest &&
          rest.feels === 'coil' &&
          connections.some(({ to }) => to.device === controller && to.port === port),
      ),
  )

/** Coil, its melting, and the fan that runs all the while. */
export function addDefrost(parts: Parts, fan: ResolvedDevice, heater: ResolvedDevice | undefined): void {
  const cold = parts.driven.find(({ ends }) => ends.some(({ does }) => does === 'cooling'))
  if (!cold) return
  if (!parts.driven.some(({ actuator }) => actuator === fan.id))
    parts.controls.push({ id: 'fan runs', kind: 'constant', drives: fan.id })
  const plan = parts.whole(cold.plan).defrost
  if (!plan) return
  const probed = hasCoilProbe(parts.given.chain, cold.plan.output.device)
  parts.probes.push({ id: 'coil', node: 'coil', lagS: fieldValue(parts.given.data, 'lag.coil').typical })
  const opens = parts.contacts.find(
    ({ plan: { output }, drives }) => output.device === cold.plan.output.device && drives === cold.actuator,
  )
  parts.controls.push({
    ...{
      id: 'defrost',
      kind: 'defrost',
      by: probed ? plan.by : 'time',
      cooling: cold.actuator,
      fan: fan.id,
      coil: 'coil',
    },
    ...(heater ? { heater: heater.id } : {}),
    ...(opens ? { opens: opens.control } : {}),
    everyS: plan.everyH * HOUR_S,
    ...(plan.coilC === undefined || !probed ? {} : { coilC: plan.coilC }),
    blindS: plan.blindMin * 60,
    // What nothing feels ends nothing, and holds no fan back.
    endC: probed ? plan.endC : NEVER_C,
    longestS: Math.max(60, plan.longestMin * 60),
    dripS: plan.dripMin * 60,
    fanBackC: probed ? plan.fanBackC : NEVER_C,
  })
}
