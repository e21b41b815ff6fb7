import type { Input } from '../../scenario'
import type { Parts } from './parts'

/** Probe of a limiter on a pipe, well fitted. Source: field data lag.strap.good. */
const LIMITER_LAG_S = 40

/** A timer that counts from reaching the setpoint takes it as reached this near. */
const REACHED_K = 1

/** Limiters, permissive contacts, the timer of the controller: whatever must be closed for a load to run. */
export function addContacts(parts: Parts, limiterAt: Readonly<Record<string, string>>): void {
  const put = (drives: string, name: string) => {
    if (!parts.permissives.some((each) => each.drives === drives && each.expression === name))
      parts.permissives.push({ drives, expression: name })
  }
  for (const { plan, ends } of parts.driven)
    for (const end of ends) {
      const drives = end.device.id
      for (const device of end.via) {
        const { limiter, permissive } = device.facts
        if (limiter && device.dialC !== undefined && limiterAt[drives]) {
          const probe = `limiter ${device.id}`
          if (!parts.probes.some(({ id }) => id === probe))
            parts.probes.push({ id: probe, node: limiterAt[drives], lagS: LIMITER_LAG_S })
          parts.inputs[device.tag] = { probe, belowC: device.dialC, latched: limiter.reset === 'manual' }
          put(drives, device.tag)
        } else if (permissive?.senses === 'frost') {
          const probe = `frost ${device.id}`
          const opensC = device.dialC ?? permissive.opensAtC
          if (opensC === undefined) continue
          parts.probes.push({ id: probe, node: parts.controlled, lagS: LIMITER_LAG_S })
          parts.inputs[device.tag] = { probe, aboveC: opensC }
          put(drives, device.tag)
        } else if (permissive) {
          parts.inputs[device.tag] = conditionOf(parts, permissive.senses)
          put(drives, device.tag)
        }
      }
      const { timer } = parts.whole(plan)
      if (timer && timer.aS > 0) {
        const id = `timer ${plan.output.device}`
        if (!parts.controls.some((each) => each.id === id))
          parts.controls.push({
            ...{ id, kind: 'timer', mode: timer.mode, aS: timer.aS, bS: timer.bS },
            ...(timer.from === 'heat'
              ? {
                  from: {
                    probe: parts.outputs.find((each) => each.plan.id === plan.id)!.probe,
                    action: plan.action,
                    atC: plan.setpointC + (plan.action === 'heating' ? -REACHED_K : REACHED_K),
                  },
                }
              : {}),
          })
        put(drives, id)
      }
    }
}

/** Flow of a pool whose pump has its own timer is there in its hours; all else is as it should be. */
function conditionOf(parts: Parts, senses: string): Input {
  const { answers } = parts.given.loop.survey
  const hours = parts.survey.figures['pumpHours']?.value
  if (senses === 'flow' && answers['owner'] === 'timer' && hours !== undefined && hours < 24) {
    const from = Math.max(0, 14 - hours / 2)
    return { hours: [[from, Math.min(24, from + hours)]] }
  }
  return { constant: true }
}
