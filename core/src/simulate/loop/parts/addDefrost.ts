import type { ResolvedDevice } from '../../../document/chain'
import { fieldValue } from '../../../plant/fieldValue'
import type { Parts } from './parts'
import { HOUR_S } from './parts'

/** Coil, its melting, and the fan that runs all the while. */
export function addDefrost(parts: Parts, fan: ResolvedDevice, heater: ResolvedDevice | undefined): void {
  const cold = parts.driven.find(({ ends }) => ends.some(({ does }) => does === 'cooling'))
  if (!cold) return
  if (!parts.driven.some(({ actuator }) => actuator === fan.id))
    parts.controls.push({ id: 'fan runs', kind: 'constant', drives: fan.id })
  const plan = parts.whole(cold.plan).defrost
  if (!plan) return
  parts.probes.push({ id: 'coil', node: 'coil', lagS: fieldValue(parts.given.data, 'lag.coil').typical })
  const opens = parts.contacts.find(
    ({ plan: { output }, drives }) => output.device === cold.plan.output.device && drives === cold.actuator,
  )
  parts.controls.push({
    ...{ id: 'defrost', kind: 'defrost', by: plan.by, cooling: cold.actuator, fan: fan.id, coil: 'coil' },
    ...(heater ? { heater: heater.id } : {}),
    ...(opens ? { opens: opens.control } : {}),
    everyS: plan.everyH * HOUR_S,
    ...(plan.coilC === undefined ? {} : { coilC: plan.coilC }),
    blindS: plan.blindMin * 60,
    endC: plan.endC,
    longestS: Math.max(60, plan.longestMin * 60),
    dripS: plan.dripMin * 60,
    fanBackC: plan.fanBackC,
  })
}
